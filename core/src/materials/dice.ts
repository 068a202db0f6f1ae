import type { RandomSource } from '../random/random.ts';

/** Dice there are; the ten-sided one shows 0 to 9. */
export const dieSides = [4, 6, 8, 10, 12, 20] as const;
export type DieSides = (typeof dieSides)[number];

/** What a die may show, ascending. */
export function facesOf(sides: DieSides): readonly number[] {
  const first = sides === 10 ? 0 : 1;
  return Array.from({ length: sides }, (_, at) => at + first);
}

/** One roll of some dice, in the order they lie. */
export function rollDice(dice: readonly DieSides[], random: RandomSource): number[] {
  return dice.map((sides) => {
    const faces = facesOf(sides);
    return faces[random.int(0, faces.length - 1)] as number;
  });
}

/** What is wrong with a roll given by hand, in a sentence; null: nothing. */
export function rollTrouble(roll: readonly number[], dice: readonly DieSides[]): string | null {
  if (roll.length !== dice.length) return `There are ${dice.length} dice; ${roll.length} numbers were given.`;
  const at = roll.findIndex((shown, die) => !facesOf(dice[die] as DieSides).includes(shown));
  if (at < 0) return null;
  const faces = facesOf(dice[at] as DieSides);
  return `A ${wordOf(dice[at] as DieSides)}-sided die shows ${faces[0]} to ${faces.at(-1)}, not ${roll[at]}.`;
}

const words: Readonly<Record<DieSides, string>> = {
  4: 'four',
  6: 'six',
  8: 'eight',
  10: 'ten',
  12: 'twelve',
  20: 'twenty',
};
const wordOf = (sides: DieSides) => words[sides];

/** Dice in table words: "two six-sided dice". */
export function diceWords(dice: readonly DieSides[]): string {
  const counts = new Map<DieSides, number>();
  for (const die of dice) counts.set(die, (counts.get(die) ?? 0) + 1);
  const numbers = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
  return [...counts]
    .map(
      ([sides, count]) => `${numbers[count] ?? count} ${wordOf(sides)}-sided ${count === 1 ? 'die' : 'dice'}`,
    )
    .join(' and ');
}

/** Every roll of some dice, each equally likely. */
export function allRolls(dice: readonly DieSides[]): number[][] {
  return dice.reduce<number[][]>(
    (rolls, sides) => rolls.flatMap((roll) => facesOf(sides).map((face) => [...roll, face])),
    [[]],
  );
}
