import { countText, displaySigns, type Operation } from '@veldrift/core';
import type { AnyGame, Family } from '@veldrift/core/games';

export const familyNames: Readonly<Record<Family, string>> = {
  recall: 'Quick recall',
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

export const playedText = (plays: number): string =>
  plays === 0 ? 'not played yet' : `played ${countText(plays, 'time')}`;
