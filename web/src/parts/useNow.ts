import { useEffect, useState } from 'react';

/** The present, renewed twice a minute. */
export function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const handle = setInterval(() => setNow(new Date()), 30_000);
    return () => clearInterval(handle);
  }, []);
  return now;
}
