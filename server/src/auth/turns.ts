import { Refusal } from '../refusal.ts';

/** How many wait for their turn under one name at most: more than a class, less than keeps a server busy. */
const mostWaiting = 60;

/** Does what is under one name one after another, in this process. Throws a refusal, 429, where too many wait. */
export function openTurns(): <T>(name: string, work: () => Promise<T>) => Promise<T> {
  const last = new Map<string, { readonly done: Promise<unknown>; waiting: number }>();
  return async (name, work) => {
    const before = last.get(name);
    const waiting = (before?.waiting ?? 0) + 1;
    if (waiting > mostWaiting)
      throw new Refusal(429, { message: 'Too many at once from here. Try again in a moment.' }, 2);
    const own = (before?.done ?? Promise.resolve()).catch(() => undefined).then(work);
    const turn = { done: own, waiting };
    last.set(name, turn);
    try {
      return await own;
    } finally {
      const now = last.get(name);
      if (now === turn) last.delete(name);
      else if (now) now.waiting -= 1;
    }
  };
}
