import { countText, diceWords, displaySigns, joinText, recipeWords, type Operation } from '@veldrift/core';
import type { AnyGame, Family, Materials } from '@veldrift/core/games';

export const familyNames: Readonly<Record<Family, string>> = {
  first: 'First to say',
  compare: 'Compare',
  partners: 'Partners',
  make: 'Make the number',
  boards: 'Boards',
  totals: 'Totals and areas',
  talk: 'Talk',
};

/** What a game takes, in kinds. */
export const materialKinds = ['cards', 'dice', 'board'] as const;
export type MaterialKind = (typeof materialKinds)[number];
export const materialNames: Readonly<Record<MaterialKind, string>> = {
  cards: 'cards',
  dice: 'dice',
  board: 'a board or paper',
};

export function kindsOf(game: AnyGame): ReadonlySet<MaterialKind> {
  const kinds = new Set<MaterialKind>();
  for (const { rules } of game.steps) {
    const { pack, dice, others } = game.materials(rules);
    if (pack) kinds.add('cards');
    if (dice.length > 0) kinds.add('dice');
    if (others.length > 0) kinds.add('board');
  }
  return kinds;
}

/** The operations a game practises at any step. */
export const practisedBy = (game: AnyGame): ReadonlySet<Operation> =>
  new Set(game.steps.flatMap(({ rules }) => game.operations(rules)));

export const signsOf = (operations: Iterable<Operation>): string =>
  [...operations].map((one) => displaySigns[one]).join(' ');

/** "2 to 4", "1 or 2", "2". */
export function playersText({ seats: { least, most } }: Pick<AnyGame, 'seats'>): string {
  return least === most ? String(least) : `${least} ${most - least === 1 ? 'or' : 'to'} ${most}`;
}

/** What to lay out, in table words. */
export function layOut({ pack, dice, others }: Materials): string[] {
  return [
    ...(pack ? [recipeWords(pack) || 'A whole pack.'] : []),
    ...(dice.length > 0 ? [`${capital(diceWords(dice))}.`] : []),
    ...(others.length > 0 ? [`${capital(joinText(others))}.`] : []),
  ];
}

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

export const playedText = (plays: number): string =>
  plays === 0 ? 'not played yet' : `played ${countText(plays, 'time')}`;
