import type { DieSides, GameMode, GamePlan } from '@veldrift/core';
import {
  needOf,
  type Choice,
  type GameState,
  type Need,
  type OpenGame,
  type Scene,
  type SceneCard,
  type SceneRow,
  type Words,
} from '@veldrift/core/games';

/** What a game's field shows: plain data, so that a child's own screen can show the same. */
export interface GameView {
  readonly game: string;
  readonly mode: GameMode;
  readonly scene: Scene;
  readonly need: Need;
  /** What happened last. */
  readonly says: Words;
  readonly names: readonly string[];
  readonly dice: readonly DieSides[];
  /** The child types what is asked. */
  readonly keypad: boolean;
  /** Seats that have left. */
  readonly out: readonly number[];
  /** Seats that have claimed to be first. */
  readonly claimed: readonly number[];
  /** The seat whose own screen this is: only what is that child's can be pressed; null: everyone looks at it. */
  readonly seat: number | null;
  /** The seat that the app takes; null: none. */
  readonly app: number | null;
  /** What the app says now, before it is judged; null: nothing. */
  readonly appSays: string | null;
  /** The running total lies on a bead frame. */
  readonly beads: boolean;
  /** Cards are laid into tens and ones. */
  readonly frame: boolean;
}

/** The view of a game as it stands. */
export function viewOf(
  { game, play }: OpenGame,
  plan: Pick<GamePlan, 'game' | 'mode' | 'app'>,
  state: GameState,
  own: Pick<GameView, 'names' | 'keypad' | 'claimed'> & {
    readonly seat?: number | null;
    readonly appSays?: string | null;
  },
): GameView {
  const { seat = null, appSays = null } = own;
  const aid = game.aidAt?.(play.rules) ?? null;
  return {
    game: plan.game,
    mode: plan.mode,
    scene: game.scene(play, state, seat ?? undefined),
    need: needOf(game, play, state),
    says: state.says,
    out: state.out,
    dice: game.materials(play.rules).dice,
    beads: aid === 'beadFrame',
    frame: aid === 'placeFrame',
    ...own,
    ...{ seat, appSays, app: plan.app ?? null },
  };
}

/** Whether what the table waits for may be done at a screen: at everyone's all but what is the app's, at a child's own what is that child's. */
export function isTheirs({ need, seat, app }: Pick<GameView, 'need' | 'seat' | 'app'>): boolean {
  switch (need.kind) {
    case 'say':
      return isOf(need.asked.seat, seat, app);
    case 'roll':
    case 'choose':
    case 'line':
      return isOf(need.seat, seat, app);
    case 'claim':
      return seat === null || need.seats.includes(seat);
    case 'go':
    case 'over':
      return true;
  }
}

/**
 * Whether what a screen shows is read out. `to`: seats of children who wish it. What is asked of one alone is read to that one;
 * what is for all to whoever wishes it; a child's own screen reads to that child.
 */
export function isReadOut({ need, seat }: Pick<GameView, 'need' | 'seat'>, to: readonly number[]): boolean {
  const asked = need.kind === 'say' ? need.asked.seat : null;
  return to.some((one) => (asked === null || asked === one) && (seat === null || seat === one));
}

const isOf = (asked: number, seat: number | null, app: number | null): boolean =>
  seat === null ? asked !== app : asked === seat;

/** The seat whose turn it is; null: nobody's alone. */
export const turnOf = (need: Need): number | null =>
  need.kind === 'say' ? need.asked.seat : 'seat' in need ? need.seat : null;

/** Seats whose claim is taken on this screen: a device of one's own has one's own place alone. */
export const claimSeats = ({
  need,
  seat,
  app,
}: Pick<GameView, 'need' | 'seat' | 'app'>): readonly number[] =>
  need.kind === 'claim' ? need.seats.filter((one) => one !== app && (seat === null || one === seat)) : [];

/** Seats as they sit at the two ends of a table. */
export function seatsBySide(seats: readonly number[]): readonly [readonly number[], readonly number[]] {
  const half = Math.ceil(seats.length / 2);
  return [seats.slice(0, half), seats.slice(half)];
}

/** Choices that are neither on the table nor for the child to find: these are listed. */
export const listedChoices = (need: Need): readonly Choice[] =>
  need.kind === 'choose'
    ? need.choices.filter(({ at, veiled }) => !veiled && (at === undefined || 'total' in at))
    : [];

/** Cards that may be picked up: those that lie open, one's own or everyone's; a wild card has no worth of its own. */
export const mayPick = (need: Need, row: Pick<SceneRow, 'seat'>, card: SceneCard): boolean =>
  need.kind === 'choose' && (row.seat === null || row.seat === need.seat) && card.rank !== null;

/** The choice of a square. */
export const choiceAtSquare = (need: Need, square: number): Choice | undefined =>
  need.kind === 'choose'
    ? need.choices.find(({ at }) => at !== undefined && 'square' in at && at.square === square)
    : undefined;

export const choiceAtCard = (need: Need, card: number): Choice | undefined =>
  need.kind === 'choose'
    ? need.choices.find(({ at }) => at !== undefined && 'card' in at && at.card === card)
    : undefined;
