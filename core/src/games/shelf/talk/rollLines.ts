import { factKey, type Fact } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import type { Asked } from '../../need.ts';

/** What is done with a roll: put onto ten, doubled, taken from a hundred. */
export type RollLine = 'onto' | 'double' | 'from';

const factOf = (line: RollLine, roll: number): Fact => {
  if (line === 'onto') return { operation: 'add', left: 10, right: roll };
  if (line === 'double') return { operation: 'add', left: roll, right: roll };
  return { operation: 'sub', left: 100, right: roll };
};

/** A line before it is rolled for: "10 + □ = □". */
export const blankLine = (line: RollLine): string =>
  ({ onto: '10 + \u25a1', double: '\u25a1 + \u25a1', from: '100 \u2212 \u25a1' })[line];

/** What a roll asks by a line of a seat. A hundred is beyond the map: it is a skill. */
export function askLine(seat: number, line: RollLine, roll: number): Asked & { readonly shown: string } {
  const { operation, left, right } = factOf(line, roll);
  const shown = `${left} ${operation === 'add' ? '+' : '\u2212'} ${right}`;
  const answer = String(operation === 'add' ? left + right : left - right);
  return {
    seat,
    item: factOr(factKey(factOf(line, roll)), 'line:sub'),
    shown,
    answer,
    whole: `${shown} = ${answer}`,
  };
}
