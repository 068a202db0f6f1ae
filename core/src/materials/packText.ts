import type { Deck } from './pack.ts';

const pattern = /^\d{1,3}:[0-8](,\d{1,3}:[0-8])*$/;

/** A pack in an address: "6:2,7:4" is two cards of 6 and four of 7; "0:0" is a pack with no card left. */
export const packText = (deck: Deck): string =>
  [...deck]
    .filter(([, count]) => count > 0)
    .sort(([a], [b]) => a - b)
    .map(([value, count]) => `${value}:${count}`)
    .join(',') || '0:0';

/** A pack read from an address; null: there is none, or it cannot be read. */
export function readPack(text: string | null): Deck | null {
  if (text === null || !pattern.test(text)) return null;
  return new Map(text.split(',').map((one) => one.split(':').map(Number) as [number, number]));
}
