import { resumePlan } from '../gamePlan.ts';
import { waitsForApp } from './appSeat.ts';
import type { GameMoment } from './gamePress.ts';
import { fresh, nothing, perform, turnCalm } from './gameStep.ts';
import type { GameSent, GameTable, GameTableFrame, GameTableStep } from './gameTable.ts';

/** Takes back the last move with all it put on record. */
export function undo(frame: GameTableFrame, table: GameTable, when: GameMoment): GameTableStep {
  if (table.noted.length > 0) return nothing({ ...table, noted: table.noted.slice(0, -1) });
  const { moves } = table;
  const { status } = table.table;
  // The table stays calm: what was played before it turned so is undone, and it turns calm again.
  const calmed = moves.at(-1)?.move.kind === 'calm';
  const taken = moves.slice(calmed ? -2 : -1);
  if (status === 'over' || taken.length <= (calmed ? 1 : 0)) return nothing(table);
  // Nothing is played in a pause, the turning calm again neither.
  if (calmed && status !== 'playing') return nothing(table);
  const told = table.told.slice(0, -taken.length);
  const state = told.at(-1) ?? resumePlan(frame.plan, []).state;
  const back = fresh(table, {
    ...{ state, told, moves: moves.slice(0, -taken.length), claims: [], claimed: null },
  });
  const sent = [...taken].reverse().map((kept): GameSent => ({ kind: 'undone', kept }));
  const again = calmed ? perform(frame, back, turnCalm(frame), when.at, when) : nothing(back);
  // What is asked again was seen before: it takes no time.
  return { ...again, table: { ...again.table, spoiled: true }, sent: [...sent, ...again.sent] };
}

/** Takes back also what the app did in its seat: it would only do it again. `by`: how far one step goes. */
export function undoToChild(
  frame: GameTableFrame,
  table: GameTable,
  when: GameMoment,
  by: typeof undo,
): GameTableStep {
  const step = by(frame, table, when);
  if (step.table.moves.length === table.moves.length || !waitsForApp(frame, step.table)) return step;
  const before = undoToChild(frame, step.table, when, by);
  return { ...before, sent: [...step.sent, ...before.sent] };
}

/** Where the table rolls and deals by itself, what it did by itself is taken back with what went before: it would only do it again. */
export function undoTurn(frame: GameTableFrame, table: GameTable, when: GameMoment): GameTableStep {
  const last = table.moves.at(-1)?.move.kind;
  const step = undo(frame, table, when);
  if (!(last === 'roll' || last === 'go') || step.table.moves.length === table.moves.length) return step;
  const before = undoTurn(frame, step.table, when);
  return { ...before, sent: [...step.sent, ...before.sent] };
}
