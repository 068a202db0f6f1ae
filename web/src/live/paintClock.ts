/** When a prompt was painted, on the page's own time line (ms since `performance.timeOrigin`). */
export interface PaintClock {
  /** Begins to watch for the paint of a prompt just put into the page, whose block element carries `elementtiming={id}`. */
  readonly watch: (id: string) => void;
  /** When the prompt of that id was painted; undefined until it was. */
  readonly paintedAt: (id: string) => number | undefined;
  readonly stop: () => void;
}

interface ElementTiming extends PerformanceEntry {
  readonly identifier: string;
  readonly renderTime: number;
}

/**
 * The start of a child's time. The browser's own render time is used where it is given; until it is, and where it is
 * not, the moment after the first frame (a message posted from the frame arrives once it is painted).
 * `onPaint` is called once for each prompt, at the earlier news.
 */
export function createPaintClock(onPaint: (id: string, at: number) => void = () => undefined): PaintClock {
  let current: { readonly id: string; frameAt?: number; renderAt?: number } | undefined;
  let told: string | undefined;
  const tell = (id: string, at: number) => {
    if (told === id) return;
    told = id;
    onPaint(id, at);
  };
  const supported =
    typeof PerformanceObserver !== 'undefined' && PerformanceObserver.supportedEntryTypes.includes('element');
  const observer = supported
    ? new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as ElementTiming[]) {
          if (current && entry.identifier === current.id && entry.renderTime > 0) {
            current.renderAt = entry.renderTime;
            tell(current.id, entry.renderTime);
          }
        }
      })
    : undefined;
  observer?.observe({ type: 'element', buffered: false });

  return {
    watch: (id) => {
      if (current?.id === id) return;
      const watched: { readonly id: string; frameAt?: number; renderAt?: number } = { id };
      current = watched;
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => {
          watched.frameAt = performance.now();
          channel.port1.close();
          if (current === watched) tell(id, watched.frameAt);
        };
        channel.port2.postMessage(null);
      });
    },
    paintedAt: (id) => (current?.id === id ? (current.renderAt ?? current.frameAt) : undefined),
    stop: () => {
      observer?.disconnect();
      current = undefined;
    },
  };
}
