import { factKey } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import { displaySigns, type Operation } from '../../../facts/operation.ts';
import { comesOutOf, wrongPairOf, type InOut, type WrongPair } from '../../../numbers/inOutRule.ts';
import { shuffled, type RandomSource } from '../../../random/random.ts';
import type { Asked } from '../../need.ts';
import { say } from '../../tell/sentence.ts';

export interface BoxRules {
  readonly operations: readonly Operation[];
  /** The largest number that is added, taken away, multiplied or shared by. */
  readonly most: number;
  /** Pairs of a box. */
  readonly pairs: number;
}

/** A box as it lies there: its pairs, one of them wrong, and what it does. */
export interface Box extends WrongPair {
  readonly pairs: readonly InOut[];
}

/** The largest number that goes in where it is not shared. */
const mostIn = 12;
/** How far a wrong number lies from the right one, at most. */
const farOff = 3;

/** A box of which one pair is wrong in one way only: tried until enumeration says so. Every choice of rules has one. */
export function makeBox({ operations, most, pairs: count }: BoxRules, random: RandomSource): Box {
  for (;;) {
    const operation = operations[random.int(0, operations.length - 1)] as Operation;
    const least = operation === 'add' || operation === 'sub' ? 1 : 2;
    const rule = { operation, by: random.int(least, Math.max(least, most)) };
    const numbers = shuffled(
      Array.from({ length: mostIn }, (_, at) => (operation === 'div' ? (at + 1) * rule.by : at + 1)),
      random,
    );
    const right = numbers
      .map((goesIn): InOut => [goesIn, comesOutOf(rule, goesIn) ?? -1])
      .filter(([, out]) => out >= 0)
      .slice(0, count);
    if (right.length < count) continue;
    const wrong = random.int(0, count - 1);
    const off = random.int(1, farOff) * (random.unit() < 0.5 ? 1 : -1);
    const pairs = right.map(([goesIn, out], at): InOut => [goesIn, at === wrong ? out + off : out]);
    const found = wrongPairOf(pairs);
    if (
      found?.wrong === wrong &&
      found.operation === operation &&
      found.by === rule.by &&
      (pairs[wrong]?.[1] ?? -1) >= 0
    )
      return { ...found, pairs };
  }
}

/** What should have come out of the wrong pair: a fact of the map, or a sum in a line. The rule is for the child to find. */
export function askBox({ operation, by, wrong, should, pairs }: Box, seat: number): Asked {
  const goesIn = pairs[wrong]?.[0] ?? 0;
  return {
    seat,
    item: factOr(
      factKey({ operation, left: goesIn, right: by }),
      operation === 'sub' ? 'line:sub' : 'line:add',
    ),
    shown: say('boxGives', { goesIn }),
    answer: String(should),
    whole: `${goesIn} ${displaySigns[operation]} ${by} = ${should}`,
    // The rule is to be found before it can be said.
    untimed: true,
  };
}
