import { useLayoutEffect, useRef } from 'react';
import { createPaintClock, type PaintClock } from './paintClock.ts';

/** Watches the paint of the prompt of this id; `undefined` while none is shown. `onPaint` hears once of each. */
export function usePaintClock(
  promptId: string | undefined,
  onPaint?: (id: string, at: number) => void,
): { readonly current: PaintClock | undefined } {
  const clock = useRef<PaintClock>(undefined);
  const heard = useRef(onPaint);
  useLayoutEffect(() => {
    heard.current = onPaint;
  });
  useLayoutEffect(() => {
    const made = createPaintClock((id, at) => heard.current?.(id, at));
    clock.current = made;
    return () => made.stop();
  }, []);
  useLayoutEffect(() => {
    if (promptId !== undefined) clock.current?.watch(promptId);
  }, [promptId]);
  return clock;
}

/** Listens for keys on the whole page while `on`; keys held down, and keys in text fields or dialogs, are left alone. */
export function useKeys(on: boolean, onKey: (event: KeyboardEvent) => void): void {
  const heard = useRef(onKey);
  useLayoutEffect(() => {
    heard.current = onKey;
  });
  // Before the paint: what can be seen can be pressed.
  useLayoutEffect(() => {
    if (!on) return;
    const listen = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement | null;
      if (target?.closest('input, textarea, select, [role="dialog"]')) return;
      // A button reached with the Tab key keeps its own keys; one pressed by hand gives the focus back (see LiveKey).
      if ((event.key === 'Enter' || event.key === ' ') && target?.closest('button, a')) return;
      heard.current(event);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [on]);
}
