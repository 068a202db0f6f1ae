import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { flushSync } from 'react-dom';

/** The room that an element has, px: measured before it is first painted, and again whenever it changes. */
export function useRoom<E extends HTMLElement>(): readonly [
  RefObject<E | null>,
  { readonly width: number; readonly height: number },
] {
  const ref = useRef<E>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => {
      // Not rounded up: half a pixel too much breaks a row in two. As laid out, not as drawn: a picture of a table is made smaller.
      const laid = getComputedStyle(element);
      const [width, height] = [Math.floor(parseFloat(laid.width)), Math.floor(parseFloat(laid.height))];
      setRoom((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    measure();
    // Within the same frame: a table that is turned never shows its cards in the size of before.
    const watch = new ResizeObserver(() => flushSync(measure));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, room];
}
