import type { Operation } from '../facts/operation.ts';
import type { SlipKind } from './slip.ts';

/** The name of each kind of slip. */
export const slipNames: Readonly<Record<SlipKind, string>> = {
  zeroOneRule: 'zero or one rule',
  signOfAnswer: 'the sign of the answer',
  otherOperation: 'the other operation',
  smallerFromLarger: 'smaller from larger',
  digitsSwapped: 'digits swapped',
  teenForTy: 'teen for ty',
  nextMultiple: 'next or previous multiple',
  quotientOffByOne: 'one group too many or too few',
  offByOne: 'off by one',
  tenOff: 'ten too many or too few',
  tenOrHundredLost: 'ten or hundred lost',
  operandRepeated: 'one number repeated',
  offByTwo: 'two too many or too few',
  neighbourFact: 'a neighbour fact',
  unread: 'not read',
};

/** What answers a pattern, where it is the same for every operation. */
const remedies: Readonly<Record<SlipKind, string>> = {
  zeroOneRule: 'Lay it out with counters: groups of nothing, one group.',
  signOfAnswer: 'Say first which side of nothing the answer lies on, and show it on the number line.',
  otherOperation: 'Say the sign aloud first; lay the look-alike signs side by side.',
  smallerFromLarger: 'Lay the larger number out, break a ten into ones, and take away from what lies there.',
  digitsSwapped: 'Say the tens first and write it on the place frame.',
  teenForTy: 'Say both and point to them on the hundred square.',
  nextMultiple: 'Say the row of the table with one row alone in sight.',
  quotientOffByOne:
    'Deal it out in groups and count the groups aloud; then say the multiplication that checks it.',
  offByOne: 'Number line: start on the first number, count the hops.',
  tenOff: 'Say between which tens the answer must lie, before the answer.',
  tenOrHundredLost: 'Bead frame or place frame: keep the ten in sight.',
  operandRepeated: 'Have the whole fact said, both numbers pointed to.',
  offByTwo: 'Start from a fact that is sure, and add or take away one row at a time.',
  neighbourFact: 'Lay the two facts side by side and say what changes.',
  unread: 'Ask how it was found.',
};

/** Where the operation asks for something else. */
const remediesBy: Readonly<Partial<Record<SlipKind, Partial<Record<Operation, string>>>>> = {
  offByOne: {
    mul: 'Show the array: a row more is a whole row, not one. Check the last digit against the row of the table.',
    div: 'Deal it out in groups and count the groups aloud.',
  },
  neighbourFact: {
    mul: 'Lay the two facts side by side as arrays and find the row or column that is more.',
  },
  tenOrHundredLost: {
    mul: 'Place frame: write the tens of the product first.',
    div: 'Place frame: say the multiplication that checks it.',
  },
  zeroOneRule: {
    add: 'Lay it out with counters: nothing is put to it, so it stays.',
    sub: 'Lay it out with counters: take away nothing, take away all.',
  },
};

/** The aid that answers a pattern of a kind of slip, fit to the operation it was made in. */
export function remedyOf(kind: SlipKind, operation: Operation): string {
  return remediesBy[kind]?.[operation] ?? remedies[kind];
}
