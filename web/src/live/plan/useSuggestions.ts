import type { GameWish, Suggestion } from '@veldrift/core/planning';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { WhichAsked, WhichTold } from '../../workers/whichGame.ts';

/** What was found on this page, by wish: forty pupils are asked for again whenever the day is looked at. */
let found: ReadonlyMap<string, readonly Suggestion[]> = new Map();
const asked = new Set<string>();
const listeners = new Set<() => void>();
const mostKept = 400;
let worker: Worker | null = null;

const keyOf = (wish: GameWish): string =>
  JSON.stringify(wish, (_, value: unknown) => (value instanceof Set ? [...value] : value));

function ask(key: string, wish: GameWish): void {
  if (found.has(key) || asked.has(key)) return;
  if (!worker) {
    worker = new Worker(new URL('../../workers/whichGame.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<WhichTold>) => settle(data.key, data.games);
    // It could not be fetched, or failed: a plan without a suggestion is a plan all the same.
    worker.onerror = () => {
      worker?.terminate();
      worker = null;
      for (const one of asked) settle(one, []);
    };
  }
  asked.add(key);
  worker.postMessage({ key, wish } satisfies WhichAsked);
}

function settle(key: string, games: readonly Suggestion[]): void {
  asked.delete(key);
  // Another map each time: whoever looks sees that something has come.
  found = new Map(found.size > mostKept ? [] : found).set(key, games);
  for (const listener of listeners) listener();
}

/** Which games today for one wish, as soon as they are worked out. */
export function suggest(wish: GameWish): Promise<readonly Suggestion[]> {
  const key = keyOf(wish);
  ask(key, wish);
  return new Promise((done) => {
    const look = () => {
      const games = found.get(key);
      if (!games) return;
      listeners.delete(look);
      done(games);
    };
    listeners.add(look);
    look();
  });
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Which games today for some wishes, by the names they have here; undefined: still being worked out. */
export function useSuggestions(
  wishes: ReadonlyMap<string, GameWish>,
): ReadonlyMap<string, readonly Suggestion[]> {
  const keys = useMemo(() => [...wishes].map(([name, wish]) => [name, keyOf(wish), wish] as const), [wishes]);
  useEffect(() => {
    for (const [, key, wish] of keys) ask(key, wish);
  }, [keys]);
  const now = useSyncExternalStore(subscribe, () => found);
  return useMemo(
    () =>
      new Map(
        keys.flatMap(([name, key]) => {
          const games = now.get(key);
          return games ? [[name, games] as const] : [];
        }),
      ),
    [keys, now],
  );
}
