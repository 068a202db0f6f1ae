import type { Aid } from '../../facts/aid.ts';
import { evidenceOf } from '../evidence.ts';
import { GameError, type GameState } from '../game.ts';
import type { Move } from '../move.ts';
import type { OpenGame } from '../gamePlan.ts';
import { tookSeat } from '../looseGame.ts';
import { playMove } from '../playGame.ts';
import { calmMove } from './calmMove.ts';
import type { GameMoment } from './gamePress.ts';
import {
  gameUsedMs,
  type GameSent,
  type GameTable,
  type GameTableFrame,
  type GameTableStep,
} from './gameTable.ts';
import { seatAnswers, seatSkills, type Pressed } from './seatAnswer.ts';
import type { GameTableState, KeptMove } from './tableSeat.ts';

/** Nothing goes on record. */
export const nothing = (table: GameTable): GameTableStep => ({ table, sent: [], times: null, trouble: null });
export const byStepOf = ({ game, play }: OpenGame): Aid | null => game.aidAt?.(play.rules) ?? null;

/** Puts what is new in force; what is shown after it is shown anew. */
export const fresh = (table: GameTable, next: Partial<GameTable>): GameTable => ({
  ...table,
  ...next,
  spoiled: false,
  aid: null,
  showing: table.showing + 1,
});

/** Changes how the table stands; its time runs while it is played. */
export function turn(
  table: GameTable,
  at: number,
  change: Partial<GameTableState>,
  sent: readonly GameSent[] = [],
): GameTableStep {
  const next = { ...table.table, usedMs: gameUsedMs(table, at), ...change };
  const runFrom = next.status === 'playing' ? at : null;
  return { ...nothing(fresh(table, { table: next, runFrom })), sent };
}

export const turnCalm = (frame: GameTableFrame): Move =>
  calmMove(frame.seats, frame.game.operations(frame.play.rules));

/** Makes a move, and keeps what it puts on record. */
export function perform(
  frame: GameTableFrame,
  table: GameTable,
  move: Move,
  at: number,
  when: GameMoment,
  pressed?: Pressed,
): GameTableStep {
  if (table.table.status !== 'playing') return nothing(table);
  const { game, play, plan } = frame;
  let state: GameState;
  try {
    state = playMove(game, play, table.state, move);
  } catch (error) {
    if (error instanceof GameError) return { ...nothing(table), trouble: error.message };
    throw error;
  }
  const evidence = evidenceOf(game, play, table.state, move);
  const took = plan.mode === 'loose' && move.kind === 'choose' ? tookSeat(move.key) : null;
  // Ids by number, so that a move made in the same moment (the stop of an end) has its own.
  let nth = table.moves.length * 100;
  const stamp = { newId: () => when.id((nth += 1)), now: when.now };
  const byStep = byStepOf(frame);
  const kept: KeptMove = {
    id: stamp.newId(),
    move,
    answers: [...table.noted, ...seatAnswers(frame, stamp, evidence, pressed, byStep)],
    skills: seatSkills(frame, stamp, evidence, pressed, byStep),
    tallies: took !== null && frame.seats[took]?.recorded ? [{ seat: took, id: stamp.newId() }] : [],
  };
  const counts = kept.answers.some(({ answer }) => answer.latencyMs !== null && !answer.voided);
  const next = fresh(table, {
    ...{
      state,
      told: [...table.told, state],
      moves: [...table.moves, kept],
      noted: [],
      claims: [],
      claimed: null,
    },
    // Only a card turned at the tutor's key begins a time: dice and squares were seen before they were typed or tapped.
    turnedAt: move.kind === 'go' ? at : null,
  });
  return {
    ...{ table: next, times: counts ? 'count' : null, trouble: null },
    sent: [{ kind: 'made', kept, nth: table.moves.length, usedMs: gameUsedMs(table, when.at) }],
  };
}
