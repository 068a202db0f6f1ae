import { allRolls, type DieSides } from '../materials/dice.ts';
import { fraction, type Fraction } from '../numbers/fraction.ts';

/**
 * What a roll allows in Stretch or fold: the roll doubled, or halved when it is even, added to the total without going over
 * the target. Ascending, each once; empty: the player cannot move.
 */
export function stretchTotals(total: number, target: number, roll: number): number[] {
  const adds = roll % 2 === 0 ? [roll / 2, 2 * roll] : [2 * roll];
  return [...new Set(adds.filter((add) => add > 0).map((add) => total + add))]
    .filter((next) => next <= target)
    .sort((a, b) => a - b);
}

/** The chance that a roll can be used. */
export function canStretch(total: number, target: number, sides: DieSides = 6): Fraction {
  const rolls = allRolls([sides]);
  const able = rolls.filter(([roll]) => stretchTotals(total, target, roll as number).length > 0);
  return fraction(able.length, rolls.length);
}

const known = new Map<string, readonly number[]>();

/** The same as `expectedTurns`, worked out once for each target and die. */
export function turnsFrom(target: number, sides: DieSides): readonly number[] {
  const key = `${target} ${sides}`;
  const turns = known.get(key) ?? expectedTurns(target, sides);
  known.set(key, turns);
  return turns;
}

/**
 * Expected turns of the best lone player from each total to the target, exact by working backwards: a total only grows, so
 * each rests on larger ones. Infinity where the target can no longer be reached for certain.
 */
export function expectedTurns(target: number, sides: DieSides = 6): number[] {
  const rolls = allRolls([sides]).map(([roll]) => roll as number);
  const turns = Array<number>(target + 1).fill(Infinity);
  turns[target] = 0;
  for (let total = target - 1; total >= 0; total -= 1) {
    let [able, sum] = [0, 0];
    for (const roll of rolls) {
      const next = stretchTotals(total, target, roll);
      if (next.length === 0) continue;
      able += 1;
      sum += Math.min(...next.map((one) => turns[one] as number));
    }
    // A roll that cannot be used costs a turn and leaves all as it was.
    if (able > 0) turns[total] = (rolls.length + sum) / able;
  }
  return turns;
}
