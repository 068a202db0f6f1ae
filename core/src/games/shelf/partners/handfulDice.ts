import { skillItem } from '../../../facts/item.ts';
import type { DieSides } from '../../../materials/dice.ts';
import { groupsIn } from '../../../numbers/groupsOf.ts';
import { keptBy } from '../../../random/keptBy.ts';
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

/** The groups of some dice as they lie there, by the most of a group: thought of once. */
const groupsByMost = keptBy((_dice: readonly number[]) => new Map<number, readonly (readonly number[])[]>());

/** Every group of two dice to so many. */
export function groupsOfDice(dice: readonly number[], most: number): readonly (readonly number[])[] {
  const byMost = groupsByMost(dice);
  const found = byMost.get(most) ?? groupsIn(dice, 2, most);
  byMost.set(most, found);
  return found;
}

/** Dice picked up together: said, where they make ten; else a claim that does not hold. */
export function group(seat: number, dice: readonly number[], places: readonly number[]): Option {
  const worths = places.map((at) => dice[at] as number);
  const choice = {
    key: places.join(' '),
    veiled: true,
    says: say('asWritten', { text: worths.join(' + ') }),
    cards: places,
  } as const;
  // The dice lay open before they were chosen.
  if (sumOf(dice, places) === 10)
    return { ...choice, asks: () => [{ ...askCards(seat, 'add', worths), untimed: true as const }] };
  const { item, shown, answer } = askCards(seat, 'add', worths);
  return { ...choice, claim: { item, shown, answer, given: '10' } };
}

const sumOf = (dice: readonly number[], places: readonly number[]) =>
  places.reduce((sum, at) => sum + (dice[at] as number), 0);

/** That nothing more makes ten, said: true, or a claim that does not hold. */
export function noMore({ most }: HandfulRules, dice: readonly number[]): Option {
  const there = groupsOfDice(dice, most).find((places) => sumOf(dice, places) === 10);
  const said: Claimed = {
    item: skillItem('make'),
    shown: say('madeFrom', { target: 10, numbers: dice }),
    answer: there ? lineOf(dice, there) : '',
    given: say('nothing'),
  };
  return { key: 'none', says: say('noMoreTen'), ...(there ? { claim: said } : { judged: said }) };
}
