import { type Who, type None, type Seat, type FromTo } from './words.ts';

/** English, by what it is of. */
export const totals = {
  // Running totals.
  stretchOrFold: ({ roll }: { readonly roll: number }) => `${roll}: stretch or fold?`,
  stretch: ({ roll }: { readonly roll: number }) => `Stretch: double ${roll}`,
  fold: ({ roll }: { readonly roll: number }) => `Fold: half of ${roll}`,
  noMove: ({ roll }: { readonly roll: number }) => `A ${roll}: no move, the turn passes on.`,
  addsOwn: ({ seat, add, total }: Seat & { readonly add: number; readonly total: number }, who: Who) =>
    `${who(seat)} adds ${add}: ${total}.`,
  tooFar: ({ seat }: Seat, who: Who) => `For ${who(seat)} that is too far.`,
  exactly: ({ target, seat }: { readonly target: number; readonly seat: number | null }, who: Who) =>
    `${target} exactly${seat === null ? '' : ` by ${who(seat)}`}.`,
  turnsToGo: ({
    how,
    roll,
    turns,
  }: {
    readonly how: 'stretch' | 'fold';
    readonly roll: number;
    readonly turns: number;
  }) =>
    `${how === 'stretch' ? `Stretch: double ${roll}` : `Fold: half of ${roll}`}: ${turns.toFixed(1)} turns to go on average.`,

  belowNothing: ({ number }: { readonly number: string }) => `${number} would go below 0: it does not count.`,
  turnsPlayed: ({ turns }: { readonly turns: number }) => `${turns} turns each are played.`,

  // Lamps.
  totalWhichCard: ({ total }: { readonly total: number }) => `The total is ${total}. Which card?`,
  whichCard: (_: None) => 'Which card?',
  lampCard: ({ card }: { readonly card: string }) => card,
  lampNumber: ({ worth, from, to }: FromTo & { readonly worth: number }) =>
    `${from} ${to < from ? '−' : '+'} ${worth} = ${to}.`,
  lampSpecial: ({ card, from, to }: FromTo & { readonly card: string }) => `${card}: from ${from} to ${to}.`,
  lampRest: (_: None) => 'rest: the next player sits out.',
  lampLit: ({ ten }: { readonly ten: number }) => `The lamp of ${ten} is lit.`,
  lampCarried: ({ ten, seat }: Seat & { readonly ten: number }, who: Who) =>
    `${who(seat)} carries the lamp of ${ten} off.`,
  lampToCarry: (_: None) => 'A lit lamp to carry off.',
  lampToLight: (_: None) => 'A lamp is lit.',
  upAgain: (_: None) => 'No lamp is carried off yet: up once more.',
  downAtNothing: (_: None) => 'The total is down at 0.',
  noOpenCard: (_: None) => 'No open card can be played.',
  lamps: (_: None) => 'Lamps',
  total: (_: None) => 'Total',
  pileFromTop: (_: None) => 'The pile, from the top',
};
