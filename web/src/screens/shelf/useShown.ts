import type { FactsShown } from '@veldrift/core/games';
import { useEffect, useState } from 'react';
import type { ShownAsked, ShownTold } from '../../workers/shown.ts';

const plays = 40;
const seed = 20;
/** How long rules must stand before they are counted, ms. */
const settleMs = 300;

export interface Shown {
  readonly found: FactsShown | null;
  readonly trouble: string | null;
  /** Share of the plays counted. */
  readonly done: number;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  readonly again: () => void;
}

/** Counts the facts a game shows by some rules, anew when they change. */
export function useShown(game: string, rules: unknown, seats: number): Shown {
  const key = JSON.stringify([game, rules, seats]);
  const [cancelled, setCancelled] = useState<string | null>(null);
  const [told, setTold] = useState<{ readonly of: string; readonly told: ShownTold }>();
  const mine = told?.of === key ? told.told : undefined;
  const stopped = cancelled === key;
  useEffect(() => {
    if (stopped) return;
    let worker: Worker | undefined;
    const settled = setTimeout(() => {
      worker = new Worker(new URL('../../workers/shown.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<ShownTold>) => setTold({ of: key, told: data });
      const [of, by, at] = JSON.parse(key) as [string, unknown, number];
      worker.postMessage({ game: of, rules: by, seats: at, plays, seed } satisfies ShownAsked);
    }, settleMs);
    return () => {
      clearTimeout(settled);
      worker?.terminate();
    };
  }, [key, stopped]);
  const found = mine?.kind === 'shown' ? mine.found : null;
  return {
    found,
    trouble: mine?.kind === 'trouble' ? mine.says : null,
    done: mine?.kind === 'shown' ? (mine.done ? 1 : mine.found.plays / plays) : 0,
    cancelled: stopped,
    cancel: () => setCancelled(key),
    again: () => setCancelled(null),
  };
}
