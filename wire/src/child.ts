import { aids, hiddenPlaces, tryParseFactKey, type Aid, type GamePlan } from '@veldrift/core';
import type { GameEnd } from '@veldrift/core/games';
import { boolean, mixed, number, object, string, type InferType } from 'yup';
import { msField, textField, wholeField } from './fields.ts';
import { childMoveField } from './game.ts';
import { shownPictureField } from './picture.ts';

/** How long a code may be typed in, minutes, and how long a joined screen stays joined, hours. */
export const codeLastsMinutes = 10;
export const linkLastsHours = 12;
export const codeDigits = 8;
/** A code as people read it out: figures in fours. */
export const codeText = (code: string): string => code.replace(/(\d{4})(?=\d)/g, '$1 ');

const promptIdField = () =>
  string()
    .strict()
    .matches(/^[\w-]{1,60}$/, '${path} should be the id of a prompt.')
    .required();
const factField = () =>
  string()
    .strict()
    .nullable()
    .defined()
    .test(
      'fact',
      'fact should be a key such as 7x8.',
      (value) => value == null || tryParseFactKey(value) !== undefined,
    );

/** A game as a child's screen lays it out. */
export interface ChildGame {
  readonly plan: GamePlan;
  /** The game's own state: plain data. */
  readonly state: object;
  readonly names: readonly string[];
  /** Seats that have claimed to be first. */
  readonly claimed: readonly number[];
  /** Everyone freezes: the operation that holds from now on. */
  readonly frozen: string | null;
  /** Seats of children who have what is theirs read out. */
  readonly readOutTo?: readonly number[];
  /** What the app says in its seat, before it is judged. */
  readonly appSays?: string | null;
  /** What it came to, when it is over. */
  readonly end?: GameEnd | null;
}

const longestGame = 60_000;

function isChildGame(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const { plan, state, names, claimed } = value as Partial<Record<keyof ChildGame, unknown>>;
  return (
    typeof plan === 'object' &&
    plan !== null &&
    typeof state === 'object' &&
    state !== null &&
    Array.isArray(names) &&
    names.every((one) => typeof one === 'string' && one.length <= 60) &&
    Array.isArray(claimed) &&
    JSON.stringify(value).length <= longestGame
  );
}

/** What the tutor's table lays on the child's screen. */
export const showSchema = object({
  /** Grows with each; what arrives late and out of turn is passed over. */
  seq: wholeField(0, 2_147_483_647).required(),
  promptId: promptIdField(),
  /** The seat whose own screen this is; null: everyone's. */
  seat: wholeField(0, 3).nullable().optional(),
  /** The prompt; null while none is asked. */
  fact: factField(),
  hidden: string<(typeof hiddenPlaces)[number]>()
    .strict()
    .oneOf([...hiddenPlaces], 'hidden should be a place of a fact.')
    .required(),
  /** The three cards of a chain and which of its facts this is; null outside chains. */
  chain: mixed<{ readonly cards: readonly [number, number, number]; readonly part: 0 | 1 }>()
    .strict()
    .nullable()
    .defined()
    .test('chain', 'chain should hold three cards.', (value) => {
      if (value === null || value === undefined) return true;
      const { cards, part } = value as { cards?: unknown; part?: unknown };
      return (
        Array.isArray(cards) &&
        cards.length === 3 &&
        cards.every((one) => Number.isInteger(one) && one >= 0 && one <= 144) &&
        (part === 0 || part === 1)
      );
    }),
  /** The aid that lies under the prompt. */
  aid: string<Aid>()
    .strict()
    .nullable()
    .oneOf([null, ...aids], 'aid should be an aid.')
    .optional(),
  /** The child’s own picture, where that is the aid. */
  picture: shownPictureField(),
  /** A game on the table: its plan and state, which the child's screen lays out and may move in. */
  game: mixed<ChildGame>()
    .nullable()
    .optional()
    .test(
      'game',
      'game should be a game as it lies on a table.',
      (value) => value == null || isChildGame(value),
    ),
  /** What is shown here is read out too. */
  readAloud: boolean().strict().optional(),
  /** Whether the child types here. */
  keypad: boolean().strict().required(),
  /** The child's hand: which side the keypad lies on. */
  padLeft: boolean().strict().required(),
  /** A sentence or a whole fact to be said, while nothing is asked; empty: a blank screen. */
  says: textField('says', 120).defined(),
  /** A fact that was missed and is shown now, and the way to it that is the child's own. */
  shownWay: object({ fact: factField().required(), way: textField('way', 30).nullable().defined() })
    .exact()
    .nullable()
    .optional()
    .default(undefined),
}).exact();
export type ChildShow = InferType<typeof showSchema>;

/** What the child's screen tells the table. */
export const childTellsSchema = object({
  kind: string<'here' | 'shown' | 'answer' | 'move' | 'claim'>()
    .strict()
    .oneOf(['here', 'shown', 'answer', 'move', 'claim'], 'kind should be here, shown, answer, move or claim.')
    .required(),
  /** A move made on the child's screen. */
  move: childMoveField().optional(),
  /** The seat that claims to have been first; its time is `latencyMs`. */
  seat: wholeField(0, 3).optional(),
  promptId: string()
    .strict()
    .matches(/^[\w-]{0,60}$/, 'promptId should be the id of a prompt.')
    .defined(),
  typed: string()
    .strict()
    .matches(/^\u2212?[\dr]{0,8}$/, 'typed should be digits, with a sign or a remainder.')
    .defined(),
  /** Prompt painted to first digit, on the device that showed it, ms; null: none. */
  latencyMs: msField(86_400_000).nullable().defined(),
  lastKeyMs: msField(86_400_000).nullable().defined(),
  voided: boolean().strict().required(),
  /** When the prompt was painted, ms since 1970 on the device's own clock; only windows of one machine compare it. */
  paintedAtMs: number().strict().nullable().defined(),
}).exact();
export type ChildTells = InferType<typeof childTellsSchema>;

export const joinSchema = object({
  code: string()
    .strict()
    .matches(new RegExp(`^\\d{${codeDigits}}$`), `The code is ${codeDigits} figures.`)
    .required(`Type the ${codeDigits} figures.`),
}).exact();

/** A code to join a child's screen by. */
export interface NewLink {
  readonly id: string;
  readonly code: string;
  readonly expiresAt: string;
}
