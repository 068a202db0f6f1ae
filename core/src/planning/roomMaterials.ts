import { games, type AnyGame } from '../games/catalogue.ts';
import type { DieSides } from '../materials/dice.ts';

/** What a room may own, and a game take; boards and paper are printed. */
export type RoomMaterial = 'cards' | 'secondPack' | `d${DieSides}`;

const diePattern = /^d(\d+)$/;

/** A material in words. */
export function materialName(material: RoomMaterial): string {
  if (material === 'cards') return 'a pack of cards';
  if (material === 'secondPack') return 'a second pack';
  return `dice with ${diePattern.exec(material)?.[1] ?? ''} sides`;
}

/** What a step needs of a room. */
export function materialsOf(game: AnyGame, rules: unknown): RoomMaterial[] {
  const { pack, dice } = game.materials(rules);
  return [
    ...(pack ? (['cards'] as const) : []),
    ...(pack && pack.copies > 4 ? (['secondPack'] as const) : []),
    ...[...new Set(dice)].sort((a, b) => a - b).map((sides) => `d${sides}` as const),
  ];
}

/** Everything a game of the shelf may need of a room: cards, then dice by their sides. */
export function allMaterials(): RoomMaterial[] {
  const all = new Set(games.flatMap((game) => game.steps.flatMap(({ rules }) => materialsOf(game, rules))));
  const place = (material: RoomMaterial) =>
    material === 'cards' ? -2 : material === 'secondPack' ? -1 : Number(diePattern.exec(material)?.[1]);
  return [...all].sort((a, b) => place(a) - place(b));
}
