import { factText, type Fact } from '../../facts/fact.ts';
import { differenceWays } from './differenceWays.ts';
import { productWays } from './productWays.ts';
import { quotientWays } from './quotientWays.ts';
import type { SayNowStep, SayNowWay } from './sayNowStep.ts';
import { sumWays } from './sumWays.ts';

/**
 * The ways to a fact that was missed, one to three where good teachers differ, the most usual first. Numbers as digits, so that a
 * tutor reads them at a glance. The ways are those of the sets by strategy; common practice.
 */
export function sayNowWays(fact: Fact): SayNowWay[] {
  switch (fact.operation) {
    case 'add':
      return sumWays(fact.left, fact.right);
    case 'sub':
      return differenceWays(fact.left, fact.right);
    case 'mul':
      return productWays(fact.left, fact.right);
    case 'div':
      return quotientWays(fact.left, fact.right);
  }
}

/** The steps of the way of an id; of the most usual where that is not given or is no way to this fact. */
export function sayNowSteps(fact: Fact, wayId?: string): readonly SayNowStep[] {
  const ways = sayNowWays(fact);
  return (ways.find((one) => one.id === wayId) ?? (ways[0] as SayNowWay)).steps;
}

/** The line: "8 × 7: double 7 is 14, double again 28, double again 56." */
export function sayNowLine(fact: Fact, wayId?: string): string {
  return `${factText(fact)}: ${sayNowSteps(fact, wayId)
    .map((one) => one.says)
    .join(', ')}.`;
}
