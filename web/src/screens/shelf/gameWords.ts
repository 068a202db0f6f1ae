import {
  countText,
  displaySigns,
  operationNames,
  operations,
  skillKinds,
  type Operation,
  type SkillKind,
} from '@veldrift/core';
import { fitsHome, isForClass, skillsShownBy, type AnyGame, type Family } from '@veldrift/core/games';

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

/** Where a game is played. */
export const gamePlaces = ['table', 'screen', 'class', 'home'] as const;
export type GamePlace = (typeof gamePlaces)[number];
export const placeNames: Readonly<Record<GamePlace, string>> = {
  table: 'at a table, with real things',
  screen: 'on the screen',
  class: 'before a whole class',
  home: 'at home',
};

/** Grid call has a caller for any number of printed cards. */
const hasCaller = ({ id }: AnyGame) => id === 'grid-call';

export function placesOf(game: AnyGame): ReadonlySet<GamePlace> {
  const places = new Set<GamePlace>(['screen']);
  if (kindsOf(game).size > 0) places.add('table');
  if (isForClass(game) || hasCaller(game)) places.add('class');
  if (fitsHome(game)) places.add('home');
  return places;
}

/** Skills in a word or two; those that no game on the shelf shows are left out. */
const skillWords: Readonly<Partial<Record<SkillKind, string>>> = {
  cmp: 'which is larger',
  cnt: 'counting',
  glance: 'at a glance',
  place: 'place value',
  read: 'reading numbers',
  'line:add': 'adding larger numbers',
  'line:sub': 'taking away larger numbers',
  'line:mul': 'multiplying larger numbers',
  chain: 'several in a row',
  make: 'making a number',
  bond: 'what is missing',
  pow: 'powers',
  'frac:cmp': 'comparing fractions',
  'frac:name': 'naming fractions',
  mend: 'finding what slipped',
  count: 'counting on',
  sign: 'what a sign means',
  'quot:rem': 'remainders',
};

/** Whether a game practises an operation or a skill. */
export const practises = (game: AnyGame, what: string): boolean =>
  practisedBy(game).has(what as Operation) || skillsShownBy(game).includes(what as SkillKind);

/** What a game may be looked for by: an operation, or a skill beyond the facts; each with its words. */
export const practisedNames: readonly (readonly [Operation | SkillKind, string])[] = [
  ...operations.map((one) => [one, operationNames[one].toLowerCase()] as const),
  ...(Object.keys(skillKinds) as SkillKind[])
    .filter((kind) => kind in skillWords)
    .map((kind) => [kind, skillWords[kind] ?? ''] as const),
];
