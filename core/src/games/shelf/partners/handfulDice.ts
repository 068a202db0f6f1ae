import { skillItem } from '../../../facts/item.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { groupsIn } from '../../../numbers/groupsOf.ts';
import { askCards } from '../../askFact.ts';
import type { Option } from '../../bodies/choosing.ts';
import type { Claimed } from '../../need.ts';
import { say } from '../../tell/sentence.ts';

export interface HandfulRules {
  readonly sides: DieSides;
  readonly count: number;
  /** The most dice of a group; the fewest are two. */
  readonly most: number;
}

export const sameDice = (a: readonly number[], b: readonly number[]) =>
  [...a].sort().join() === [...b].sort().join();

export const lineOf = (dice: readonly number[], places: readonly number[]) =>
  `${places.map((at) => dice[at]).join(' + ')} = 10`;

const groups = new WeakMap<readonly number[], Map<number, readonly (readonly number[])[]>>();

/** Every group of two dice to so many, once for the dice as they lie there. */
export function groupsOfDice(dice: readonly number[], most: number): readonly (readonly number[])[] {
  const byMost = groups.get(dice) ?? new Map<number, readonly (readonly number[])[]>();
  groups.set(dice, byMost);
  const found = byMost.get(most) ?? groupsIn(dice, 2, most);
  byMost.set(most, found);
  return found;
}

/** Dice picked up together: said, where they make ten; else a claim that does not hold. */
export function group(seat: number, dice: readonly number[], places: readonly number[]): Option {
  const worths = places.map((at) => dice[at] as number);
  // The dice lay open before they were chosen.
  const asked = { ...askCards(seat, 'add', worths), untimed: true as const };
  const { item, shown, answer } = asked;
  const holds = answer === '10' ? { asks: () => [asked] } : { claim: { item, shown, answer, given: '10' } };
  return {
    key: places.join(' '),
    veiled: true,
    says: say('asWritten', { text: worths.join(' + ') }),
    cards: places,
    ...holds,
  };
}

/** That nothing more makes ten, said: true, or a claim that does not hold. */
export function noMore({ most }: HandfulRules, dice: readonly number[]): Option {
  const there = groupsOfDice(dice, most).find(
    (places) => places.reduce((sum, at) => sum + (dice[at] as number), 0) === 10,
  );
  const said: Claimed = {
    item: skillItem('make'),
    shown: say('madeFrom', { target: 10, numbers: dice }),
    answer: there ? lineOf(dice, there) : '',
    given: say('nothing'),
  };
  return { key: 'none', says: say('noMoreTen'), ...(there ? { claim: said } : { judged: said }) };
}
