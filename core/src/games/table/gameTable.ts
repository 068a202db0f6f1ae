import type { Aid } from '../../facts/aid.ts';
import type { ShownThere } from '../../practice/table/tableStep.ts';
import type { Answer, CaptureWay } from '../../recall/answer.ts';
import type { GameState } from '../game.ts';
import type { Need } from '../need.ts';
import type { GamePlan, OpenGame } from '../gamePlan.ts';
import { needOf } from '../playGame.ts';
import type { MadeClaim, SeatShown } from './claimRace.ts';
import type { GameTableState, KeptMove, SeatAnswer, TableSeat } from './tableSeat.ts';

/** A game on a table: where it stands, what was played, and the clock of what is asked now. Times are stamps of the page, ms. */
export interface GameTable {
  readonly state: GameState;
  /** The game after each of the moves: undo drops the last. */
  readonly told: readonly GameState[];
  readonly moves: readonly KeptMove[];
  readonly table: GameTableState;
  /** Answers set down by exception, to go on record with the next move. */
  readonly noted: readonly SeatAnswer[];
  /** Counts what is shown, so that each showing has a name of its own. */
  readonly showing: number;
  readonly runFrom: number | null;
  readonly spoiled: boolean;
  /** The aid that lies under what is asked. */
  readonly aid: Aid | null;
  /** When real cards or dice were turned: with them the clock goes from the tutor's key. */
  readonly turnedAt: number | null;
  readonly there: ShownThere | null;
  /** Seats whose own devices were heard to have painted a prompt, the last one of each. */
  readonly seatsShown: readonly {
    readonly seat: number;
    readonly promptId: string;
    readonly heardAt: number;
  }[];
  /** Seats that have claimed, while others still may. */
  readonly claims: readonly MadeClaim[];
  /** Who was first to claim, and when what they claimed was shown. */
  readonly claimed: {
    readonly at: number;
    readonly shownAt: number | null;
    readonly by: 'child' | 'tutor';
  } | null;
}

/** What holds for a table as long as it stands. */
export interface GameTableFrame extends OpenGame {
  readonly plan: GamePlan;
  readonly playId: string;
  readonly limitMs: number;
  readonly way: CaptureWay;
  readonly seats: readonly TableSeat[];
}

/** How a table runs now. */
export interface GameTableHow {
  readonly way: CaptureWay;
  /** What is asked is shown on another screen. */
  readonly elsewhere: boolean;
  /** Seats that have a device of their own now. */
  readonly devices?: readonly number[];
}

/** What goes on record. */
export type GameSent =
  | { readonly kind: 'made'; readonly kept: KeptMove; readonly nth: number; readonly usedMs: number }
  | { readonly kind: 'undone'; readonly kept: KeptMove }
  | { readonly kind: 'amended'; readonly seat: number; readonly answer: Answer }
  | {
      readonly kind: 'ended';
      readonly usedMs: number;
      readonly calm: boolean;
      readonly interrupted: boolean;
    };

/** What came of something done at the table. */
export interface GameTableStep {
  readonly table: GameTable;
  readonly sent: readonly GameSent[];
  readonly times: 'count' | 'void' | null;
  /** The sentence of what cannot be done; null: it was, or there was nothing to do. */
  readonly trouble: string | null;
}

export function newGameTable(
  { state, told }: { readonly state: GameState; readonly told: readonly GameState[] },
  moves: readonly KeptMove[],
  table: GameTableState,
  noted: readonly SeatAnswer[],
): GameTable {
  return {
    ...{ state, told, moves, table, noted, showing: 0, runFrom: null, spoiled: false, aid: null },
    ...{ turnedAt: null, there: null, seatsShown: [], claims: [], claimed: null },
  };
}

/** Names one showing of what is asked. */
export const gamePromptId = ({ playId }: GameTableFrame, { moves, showing }: GameTable): string =>
  `${playId.slice(-6)}-${moves.length}-${showing}`;

/** Time under way at a moment, pauses left out, ms. */
export const gameUsedMs = ({ table, runFrom }: GameTable, at: number): number =>
  Math.round(table.usedMs + (runFrom === null ? 0 : Math.max(0, at - runFrom)));

export const gameNeed = ({ game, play }: OpenGame, { state }: Pick<GameTable, 'state'>): Need =>
  needOf(game, play, state);

/** Which devices of seats have shown what is asked now, and when that was heard here. */
export const devicesNow = (
  frame: GameTableFrame,
  how: GameTableHow,
  table: GameTable,
): readonly SeatShown[] =>
  (how.devices ?? []).map((seat) => ({
    seat,
    heardAt:
      table.seatsShown.find((one) => one.seat === seat && one.promptId === gamePromptId(frame, table))
        ?.heardAt ?? null,
  }));

/** When what is asked now was shown: by the tutor's key with real cards; on another screen; or painted here. */
export function gameShownAt(
  frame: GameTableFrame,
  how: GameTableHow,
  table: GameTable,
  paintedAt: number | undefined,
): number | undefined {
  if (frame.plan.mode === 'called') return table.turnedAt ?? undefined;
  if (!how.elsewhere) return paintedAt;
  return table.there?.promptId === gamePromptId(frame, table) ? table.there.at : undefined;
}
