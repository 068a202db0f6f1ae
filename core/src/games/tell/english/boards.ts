import {
  type Who,
  type None,
  type Seat,
  type Shown,
  textOf,
  type Text,
  type Whole,
  type Teller,
  manyOf,
  numberInWords,
} from './words.ts';

/** The two kinds of numbers of Odd line. */
export interface Tables {
  readonly first: number | null;
  readonly second: number;
}
const kindText = (kind: number, { first, second }: Tables) =>
  first === null ? `${kind === 0 ? 'odd' : 'even'} numbers` : manyOf(kind === 0 ? first : second);

/** English, by what it is of. */
export const boards = {
  // Boards.
  whichSquare: ({ seat }: Seat, who: Who) => `${who(seat)}: which square?`,
  /** Numbers and signs, the same in every language. */
  asWritten: ({ text }: { readonly text: string }) => text,
  marks: ({ seat }: Seat, who: Who) => `${who(seat)} marks a square.`,
  lineFor: ({ seat }: Seat, who: Who) => `A line for ${who(seat)}.`,
  boardFull: (_: None) => 'The board is full.',
  facts: (_: None) => 'Facts',
  planCompletes: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}: it completes a line.`,
  planKeeps: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}: it keeps the other from a line.`,
  planOpen: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}: it lies on the most open lines.`,
  // In step.
  whichInStep: (
    {
      seat,
      fact,
      beside,
      up,
    }: Seat & { readonly fact: Text | null; readonly beside: number | null; readonly up: boolean },
    who: Who,
    tell: Teller,
  ) => {
    if (fact !== null) return `${who(seat)}: which is ${textOf(fact, tell)}?`;
    if (beside === null) return `${who(seat)}: which comes ${up ? 'first' : 'last'}?`;
    return `${who(seat)}: what comes ${up ? 'after' : 'before'} ${beside}?`;
  },
  notNext: ({ shown }: Shown, _who: Who, tell: Teller) => `${textOf(shown, tell)} is not next. It goes back.`,
  inStepBoard: ({ table }: { readonly table: number }) => `What ${table} makes`,
  laidInStep: (_: None) => 'Laid in step',
  allInStep: (_: None) => 'All lie in step.',
  // Odd line.
  oddBoard: (_: None) => 'The board',
  freeSquare: ({ nth }: { readonly nth: number }) => `free square ${nth}`,
  laysKind: ({ seat, ...tables }: Seat & Tables, who: Who) => `${who(seat)}: ${kindText(seat, tables)}`,
  lineOfKind: ({ kind, ...tables }: Tables & { readonly kind: number }) =>
    `A line of ${kindText(kind, tables)}.`,
  // Grid call.
  cardOf: ({ seat }: Seat, who: Who) => `The card of ${who(seat)}`,
  whatFits: ({ seat }: Seat, who: Who) => `${who(seat)}: what fits on your card?`,
  noneFits: (_: None) => 'Nothing fits',
  noSuchFit: (_: None) => 'That does not fit. The next call.',
  itWasThere: ({ shown }: Shown, _who: Who, tell: Teller) => `${textOf(shown, tell)} was there.`,
  trulyNoFit: (_: None) => 'Right: nothing fits.',
  // Number trail.
  trail: (_: None) => 'The trail',
  stepsOn: ({ from, steps, by }: { readonly from: number; readonly steps: number; readonly by: number }) =>
    `${from} + ${steps} ${steps === 1 ? numberInWords(by) : manyOf(by)}`,
  squareOfAll: (_: None) => 'Square of all',
  backToFirst: ({ seat }: Seat, who: Who) => `The counter of ${who(seat)} goes back to the first square.`,
  trailEnd: ({ seat }: { readonly seat: number | null }, who: Who) =>
    seat === null ? 'The end of the trail.' : `${who(seat)} is at the end of the trail.`,
  totals: (_: None) => 'Totals',
  countersOf: ({ seat }: Seat, who: Who) => `Counters of ${who(seat)}`,
  placeOn: ({ total }: { readonly total: number }) => `Place a counter on ${total}.`,
  placeHere: ({ total, beside }: { readonly total: number; readonly beside: number | null }, who: Who) =>
    beside === null ? String(total) : `${total}, beside ${who(beside)}`,
  holdWhy: (
    {
      total,
      beside,
      why,
      chance,
    }: {
      readonly total: number;
      readonly beside: number | null;
      readonly why: 'free' | 'back' | 'holds';
      readonly chance: string;
    },
    who: Who,
  ) =>
    `${beside === null ? String(total) : `${total}, beside ${who(beside)}`}: ${
      { free: 'a free square', back: 'sends a lone counter back', holds: 'holds it for good' }[why]
    }. ${chance} of all rolls come to it.`,
  heldPasses: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}, and it is held: the turn passes on.`,
  holds: ({ seat, total }: Seat & { readonly total: number }, who: Who) => `${who(seat)} holds ${total}.`,
  counterOn: ({ total }: { readonly total: number }) => `A counter on ${total}.`,
  goesBack: ({ seat, total }: Seat & { readonly total: number }, who: Who) =>
    `The counter of ${who(seat)} goes back from ${total}.`,
  countersOut: ({ seat }: Seat, who: Who) => `The counters of ${who(seat)} are out.`,
  allHeld: (_: None) => 'Every square is held.',
};
