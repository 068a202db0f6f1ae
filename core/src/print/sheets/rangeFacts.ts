import { answerOf, type Fact } from '../../facts/fact.ts';
import { operations, type Operation } from '../../facts/operation.ts';
import { factsInRange } from '../../facts/range.ts';
import { numberSetting, operationSetting, type Setting } from '../../games/setting.ts';

/** Facts of an operation whose numbers (of a difference or quotient: the second and the answer) lie between two. */
export interface RangeOfFacts {
  readonly operation: Operation;
  readonly least: number;
  readonly most: number;
}

export const rangeSettings: readonly Setting[] = [
  operationSetting('operation', operations),
  numberSetting('least', 'Numbers from', 0, 12),
  numberSetting('most', 'To', 0, 12),
];

export const endsOf = ({ least, most }: RangeOfFacts) =>
  [Math.min(least, most), Math.max(least, most)] as const;

/** In the order of the map. */
export function factsBetween(range: RangeOfFacts): Fact[] {
  const [from, to] = endsOf(range);
  return factsInRange(range.operation, to).filter((fact) => {
    const { operation, left, right } = fact;
    const first = operation === 'add' || operation === 'mul' ? left : answerOf(fact);
    return Math.min(first, right) >= from;
  });
}
