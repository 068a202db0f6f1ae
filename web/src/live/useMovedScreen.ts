import { useEffect, useRef } from 'react';

/** Tells when the prompt moves from one screen to another while it is shown: it was seen before, so its time is void. */
export function useMovedScreen(elsewhere: boolean, onMoved: () => void): void {
  const where = useRef(elsewhere);
  const heard = useRef(onMoved);
  useEffect(() => {
    heard.current = onMoved;
  });
  useEffect(() => {
    if (where.current !== elsewhere) heard.current();
    where.current = elsewhere;
  }, [elsewhere]);
}
