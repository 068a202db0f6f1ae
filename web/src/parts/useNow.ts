import { useEffect, useState } from 'react';

/** The present, renewed every so many ms: twice a minute unless more is asked. */
export function useNow(everyMs = 30_000): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const handle = setInterval(() => setNow(new Date()), everyMs);
    return () => clearInterval(handle);
  }, [everyMs]);
  return now;
}
