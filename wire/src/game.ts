import { gameModes, type GamePlan, type Move } from '@veldrift/core';
import { array, boolean, mixed, object, string, type InferType } from 'yup';
import { idField, nameField, textField, wholeField } from './fields.ts';

/** The most a set of rules, a pack or a move may hold, written as JSON. */
const longestRules = 4000;
const longestMove = 600;
/** A move that turns the table calm tells what each seat knows. */
const longestCalm = 12_000;

const tooLong = '${path} should be plain data, and not too long.';

/** Plain data of a game that only the game can read: no longer than so many characters. */
const plainField = <T extends object | null>(most: number) =>
  mixed<NonNullable<T>>().test(
    'plain',
    tooLong,
    (value) => value === undefined || value === null || isPlain(value, most),
  );

function isPlain(value: unknown, most: number): boolean {
  if (typeof value !== 'object') return false;
  try {
    return JSON.stringify(value).length <= most;
  } catch {
    return false;
  }
}

const gameIdField = () =>
  string()
    .strict()
    .matches(/^[a-z][a-z-]{1,40}$/, '${path} should be the id of a game.');

/** A game's plan, as a play was dealt by it. The game itself says whether it can be played. */
export const gamePlanSchema = object({
  version: wholeField(1, 1000).required(),
  game: gameIdField().required(),
  step: wholeField(0, 30).required(),
  house: textField('The name of the house rules', 60).nullable().defined(),
  rules: plainField<object>(longestRules).required(),
  mode: string<(typeof gameModes)[number]>()
    .strict()
    .oneOf([...gameModes], `mode should be one of ${gameModes.join(', ')}.`)
    .required(),
  seats: wholeField(1, 4).required(),
  against: boolean().strict().required(),
  seed: wholeField(-2_147_483_648, 2_147_483_647).required(),
  packs: plainField<NonNullable<GamePlan['packs']>>(longestRules).nullable().defined(),
  adults: array(wholeField(0, 3).required()).strict().max(4, 'adults holds too many seats.').required(),
  /** The seat that the app takes itself. */
  app: wholeField(0, 3).nullable().optional(),
  erring: boolean().strict().required(),
  levelled: boolean().strict().required(),
  roles: array(
    string<GamePlan['roles'][number]>()
      .strict()
      .oneOf(['dealer', 'timer', 'scorekeeper', 'coach'], 'roles should be roles.')
      .required(),
  )
    .strict()
    .max(4, 'There are four roles.')
    .required(),
  minutes: wholeField(1, 180).nullable().defined(),
}).exact();

/** A game as it lies on a table: shared by the plays of its pupils. */
export const gameDealSchema = object({
  /** The play of the first pupil: moves are kept with it. */
  tableId: idField().required(),
  /** Who sits where; null: a grown-up. */
  pupilIds: array(idField().nullable().defined())
    .strict()
    .min(1)
    .max(4, 'A table has four seats.')
    .required(),
  /** How the table called a grown-up at a seat; null of pupils, whose names stand with them. */
  grownUps: array(textField('The name of a grown-up', 60).nullable().defined())
    .strict()
    .max(4, 'A table has four seats.')
    .optional(),
  plan: gamePlanSchema.required(),
}).exact();
export type GameDeal = InferType<typeof gameDealSchema>;

const moveKinds: ReadonlySet<string> = new Set([
  'go',
  'roll',
  'said',
  'claim',
  'choose',
  'line',
  'pass',
  'signal',
  'calm',
  'leave',
  'stop',
] satisfies Move['kind'][]);

/** What a child's screen may do: play, never judge, end or send anyone away. */
const childMoveKinds: ReadonlySet<string> = new Set([
  'go',
  'roll',
  'choose',
  'line',
  'pass',
] satisfies Move['kind'][]);

const moveOf = (kinds: ReadonlySet<string>, says: string) =>
  plainField<Move>(longestCalm)
    .test('move', says, (value) => value === undefined || kinds.has(kindOf(value)))
    .test(
      'short',
      tooLong,
      (value) => value === undefined || kindOf(value) === 'calm' || isPlain(value, longestMove),
    );

const kindOf = (value: object): string => String((value as { readonly kind?: unknown }).kind);

export const moveField = () => moveOf(moveKinds, 'move should be a move of a game.');
export const childMoveField = () => moveOf(childMoveKinds, 'move should be one that a child may make.');

/** House rules as they are saved. */
export const houseRulesSchema = object({
  id: idField().required(),
  game: gameIdField().required(),
  /** The step they came from. */
  step: wholeField(0, 30).required(),
  name: nameField('The name', 'Give the rules a name: the children may choose it.'),
  /** Who proposed them, as the children say it; may be empty. */
  by: textField('Who proposed it', 60).defined(),
  rules: plainField<object>(longestRules).required(),
}).exact();
export type HouseRulesInput = InferType<typeof houseRulesSchema>;

export interface HouseRules extends HouseRulesInput {
  readonly at: string;
}
