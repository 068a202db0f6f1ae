import type { Operation } from '../../../facts/operation.ts';
import { type Who, type Seat, type None, type Told, type Teller, type Story, stories } from './words.ts';

const boxDoing: Readonly<Record<Operation, string>> = {
  add: 'adds',
  sub: 'takes away',
  mul: 'multiplies by',
  div: 'shares by',
};

/** English, by what it is of. */
export const talk = {
  // What slipped.
  whatSlipped: (_: None) => 'What slipped?',
  explainMend: (_: None) => 'What slipped? Explain a mend.',
  anotherMend: (_: None) => 'Is there another mend?',
  mendsNothing: (_: None) => 'That does not mend it',
  theNextOne: (_: None) => 'The next one',
  nextOne: (_: None) => 'The next one.',
  lookTogether: (_: None) => 'Not yet: look again together.',
  mended: ({ mend }: { readonly mend: Told }, _who: Who, tell: Teller) => `Mended: ${tell(mend)}.`,
  mendedLine: ({ mend }: { readonly mend: Told }, _who: Who, tell: Teller) => `Mended: ${tell(mend)}`,
  story: ({ operation, a, b, c }: Story) => stories[operation](a, b, c),
  inOut: ({ x, y }: { readonly x: number; readonly y: number }) => `${x} gives ${y}`,
  tensOnes: (values: { readonly tens: number; readonly ones: number; readonly value: number }) =>
    `${values.tens} tens and ${values.ones} ones are ${values.value}`,
  // Rule box.
  ruleBox: (_: None) => 'Goes in and comes out',
  whichPair: ({ seat }: Seat, who: Who) => `${who(seat)}: what is the rule, and which pair slipped?`,
  whichPairSlipped: (_: None) => 'which pair slipped',
  boxGives: ({ goesIn }: { readonly goesIn: number }) => `${goesIn} gives \u25a1`,
  pairFits: ({ x, y }: { readonly x: number; readonly y: number }) =>
    `${x} gives ${y}: that fits the rule. Look again.`,
  boxesMended: (_: None) => 'Boxes mended',
  boxDoes: ({
    operation,
    by,
    goesIn,
    should,
  }: {
    readonly operation: Operation;
    readonly by: number;
    readonly goesIn: number;
    readonly should: number;
  }) => `The box ${boxDoing[operation]} ${by}: ${goesIn} should give ${should}.`,
  boxesDone: ({ count }: { readonly count: number }) => `${count} boxes are done.`,
  mendsFound: (_: None) => 'Mends found',
  mendsLeft: ({ left }: { readonly left: number }) =>
    `${left} ${left === 1 ? 'mend is' : 'mends are'} left to find.`,
  everyMend: (_: None) => 'Every mend is found.',
  talkedOver: ({ count }: { readonly count: number }) => `${count} are talked over.`,
};
