import { useEffect, useState } from 'react';
import type { SolveAsked, SolveTold } from '../../workers/solve.ts';

type Reached = SolveTold & { readonly kind: 'reached' };

/** What the numbers make, as far as it is worked out. */
export interface Solve {
  readonly reached: Reached | null;
  readonly lines: readonly string[];
  /** The share done of what is under way; null: nothing is. */
  readonly under: { readonly what: 'values' | 'lines'; readonly done: number } | null;
  readonly cancel: () => void;
  readonly cancelled: boolean;
  readonly again: () => void;
}

interface Found {
  readonly of: string;
  readonly reached: Reached | null;
  readonly lines: readonly string[];
  readonly done: number;
}

const settleMs = 250;

/** Works out what some numbers make in a worker, anew when they change; null: nothing is asked. */
export function useSolve(asked: SolveAsked | null): Solve {
  const key = JSON.stringify(asked);
  const [cancelled, setCancelled] = useState<string | null>(null);
  const [found, setFound] = useState<Found>();
  const mine = found?.of === key ? found : undefined;
  const stopped = cancelled === key;
  useEffect(() => {
    if (key === 'null' || stopped) return;
    let worker: Worker | undefined;
    const settled = setTimeout(() => {
      setFound({ of: key, reached: null, lines: [], done: 0 });
      worker = new Worker(new URL('../../workers/solve.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<SolveTold>) =>
        setFound((before) => (before?.of === key ? after(before, data) : before));
      worker.postMessage(JSON.parse(key) as SolveAsked);
    }, settleMs);
    return () => {
      clearTimeout(settled);
      worker?.terminate();
    };
  }, [key, stopped]);
  const reached = mine?.reached ?? null;
  const listing = reached !== null && reached.listing && (mine?.done ?? 1) < 1;
  const under =
    asked === null || stopped
      ? null
      : reached === null
        ? { what: 'values' as const, done: mine?.done ?? 0 }
        : listing
          ? { what: 'lines' as const, done: mine?.done ?? 0 }
          : null;
  return {
    reached,
    lines: mine?.lines ?? [],
    under,
    cancel: () => setCancelled(key),
    cancelled: stopped,
    again: () => setCancelled(null),
  };
}

function after(before: Found, told: SolveTold): Found {
  switch (told.kind) {
    case 'progress':
      return { ...before, done: told.done };
    case 'reached':
      return { ...before, reached: told, done: 0 };
    case 'lines':
      return { ...before, lines: [...before.lines, ...told.lines], done: told.done };
  }
}
