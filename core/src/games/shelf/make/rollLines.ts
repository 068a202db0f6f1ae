import { answerOf, factKey, factText, type Fact, type FactKey } from '../../../facts/fact.ts';
import { isOnMap } from '../../../facts/item.ts';
import type { DieSides } from '../../../materials/dice.ts';

export interface AddTimesRules {
  readonly dice: readonly DieSides[];
  /** What is done with two of three dice before the third multiplies; null: two dice are multiplied. */
  readonly first: 'add' | 'sub' | null;
  readonly target: number;
}

export interface RollLine {
  readonly shown: string;
  readonly value: number;
  /** The facts of its steps, those on the map. */
  readonly facts: readonly FactKey[];
  readonly steps: readonly string[];
}

/** Every line of a roll, each once. */
export function linesOf(rules: AddTimesRules, roll: readonly number[]): RollLine[] {
  const lines = new Map<string, RollLine>();
  const put = (shown: string, ...steps: readonly Fact[]) => {
    const value = answerOf(steps.at(-1) as Fact);
    lines.set(shown, {
      shown,
      value,
      facts: steps.map(factKey).filter(isOnMap),
      steps: steps.map((one) => `${factText(one)} = ${answerOf(one)}`),
    });
  };
  if (rules.first === null) {
    const [a = 0, b = 0] = [...roll].sort((x, y) => y - x);
    put(`${a} × ${b}`, { operation: 'mul', left: a, right: b });
    return [...lines.values()];
  }
  for (const third of roll.keys()) {
    const [a = 0, b = 0] = roll.filter((_, at) => at !== third).sort((x, y) => y - x);
    const first: Fact = { operation: rules.first, left: a, right: b };
    const times = roll[third] as number;
    put(`(${factText(first)}) × ${times}`, first, { operation: 'mul', left: answerOf(first), right: times });
  }
  return [...lines.values()];
}
