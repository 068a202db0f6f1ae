import type { Aid } from '../../facts/aid.ts';
import { evidenceOf } from '../evidence.ts';
import { GameError, type GameState, type Move } from '../game.ts';
import { resumePlan, type OpenGame } from '../gamePlan.ts';
import { tookSeat } from '../looseGame.ts';
import { playMove } from '../playGame.ts';
import { calmMove } from './calmMove.ts';
import { firstOf, headStartsAt } from './claimRace.ts';
import type { GameMoment, GamePress } from './gamePress.ts';
import {
  gameNeed,
  gameShownAt,
  gameUsedMs,
  type GameSent,
  type GameTable,
  type GameTableFrame,
  type GameTableHow,
  type GameTableStep,
} from './gameTable.ts';
import { seatAnswers, seatSkills, type Pressed } from './seatAnswer.ts';
import type { GameTableState, KeptMove } from './tableSeat.ts';

const nothing = (table: GameTable): GameTableStep => ({ table, sent: [], times: null, trouble: null });
const byStepOf = ({ game, play }: OpenGame): Aid | null => game.aidAt?.(play.rules) ?? null;

/** The table after something done at it, and what goes on record of that. Pure: same table, same press, same step. */
export function advanceGameTable(
  frame: GameTableFrame,
  how: GameTableHow,
  table: GameTable,
  press: GamePress,
): GameTableStep {
  const { at, now } = press.when;
  const { status } = table.table;
  switch (press.kind) {
    case 'start':
      return status === 'ready' ? turn(table, at, { status: 'playing' }) : nothing(table);
    case 'resume': {
      if (status !== 'paused') return nothing(table);
      const { table: next } = turn(table, at, { status: 'playing', pausedAt: null, pauseReason: null });
      return nothing({ ...next, spoiled: true });
    }
    case 'pause':
      if (status !== 'playing') return nothing(table);
      return turn(table, at, {
        status: 'paused',
        pausedAt: now,
        pauseReason: press.reason,
        interrupted: table.table.interrupted || press.reason !== 'pause',
      });
    case 'calm': {
      if (table.table.calm || status !== 'playing' || table.state.over !== null) return nothing(table);
      const calm = turn(table, at, { calm: true });
      // Cards and dice of the app turn to what each knows; real ones go on as they lie.
      return frame.plan.mode === 'screen'
        ? perform(frame, calm.table, turnCalm(frame), at, press.when)
        : calm;
    }
    case 'finish':
      return finish(frame, table, press.when);
    case 'moved':
      return nothing({ ...table, spoiled: true });
    case 'gap': {
      // A screen that is not looked at may stand still.
      if (how.elsewhere || status !== 'playing') return nothing(table);
      const { kind } = gameNeed(frame, table);
      const timing = (kind === 'say' || kind === 'claim') && frame.plan.mode !== 'loose';
      return { ...nothing({ ...table, spoiled: true }), times: timing && !table.table.calm ? 'void' : null };
    }
    case 'aid':
      return nothing({ ...table, aid: press.aid });
    case 'shownThere':
      return nothing({ ...table, there: press.there });
    case 'note':
      return nothing({ ...table, noted: [...table.noted, press.noted] });
    case 'mark':
      return mark(table, press);
    case 'undo':
      return undo(frame, table, press.when);
    case 'move':
      return perform(frame, table, press.move, press.at, press.when);
    case 'claim':
      return claim(frame, table, press, gameShownAt(frame, how, table, press.shownAt));
    case 'claimThere': {
      const from = gameShownAt(frame, how, table, press.shownAt);
      const claimedAt = (from ?? at) + press.latencyMs;
      return claim(frame, table, { seat: press.seat, at: claimedAt, by: 'child' }, from);
    }
    case 'settle':
      return settle(frame, table, press.when, gameShownAt(frame, how, table, press.shownAt));
    case 'nobody':
      if (gameNeed(frame, table).kind !== 'claim') return nothing(table);
      return perform(frame, { ...table, claims: [] }, { kind: 'claim', seat: null }, at, press.when);
    case 'judge':
      return judge(frame, how, table, press, gameShownAt(frame, how, table, press.shownAt));
  }
}

/** Puts what is new in force; what is shown after it is shown anew. */
const fresh = (table: GameTable, next: Partial<GameTable>): GameTable => ({
  ...table,
  ...next,
  spoiled: false,
  aid: null,
  showing: table.showing + 1,
});

/** Changes how the table stands; its time runs while it is played. */
function turn(
  table: GameTable,
  at: number,
  change: Partial<GameTableState>,
  sent: readonly GameSent[] = [],
): GameTableStep {
  const next = { ...table.table, usedMs: gameUsedMs(table, at), ...change };
  const runFrom = next.status === 'playing' ? at : null;
  return { ...nothing(fresh(table, { table: next, runFrom })), sent };
}

const turnCalm = (frame: GameTableFrame): Move =>
  calmMove(frame.seats, frame.game.operations(frame.play.rules));

/** Makes a move, and keeps what it puts on record. */
function perform(
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

function claim(
  frame: GameTableFrame,
  table: GameTable,
  { seat, at, by }: { readonly seat: number; readonly at: number; readonly by: 'child' | 'tutor' },
  from: number | undefined,
): GameTableStep {
  const need = gameNeed(frame, table);
  if (table.table.status !== 'playing' || need.kind !== 'claim' || !need.seats.includes(seat))
    return nothing(table);
  // With real dice or cards a claim need not wait for a screen.
  if (from === undefined ? frame.plan.mode !== 'called' : at < from) return nothing(table);
  if (table.claims.some((one) => one.seat === seat)) return nothing(table);
  return nothing({ ...table, claims: [...table.claims, { seat, atMs: at, by }] });
}

function settle(
  frame: GameTableFrame,
  table: GameTable,
  when: GameMoment,
  from: number | undefined,
): GameTableStep {
  const need = gameNeed(frame, table);
  if (table.claims.length === 0 || need.kind !== 'claim') return nothing(table);
  const first = firstOf(table.claims, headStartsAt(frame.seats, need, frame.plan.levelled));
  const move: Move = { kind: 'claim', seat: first?.seat ?? null };
  const step = perform(frame, { ...table, claims: [] }, move, first?.atMs ?? when.at, when);
  if (!first || step.sent.length === 0) return step;
  return {
    ...step,
    table: { ...step.table, claimed: { at: first.atMs, shownAt: from ?? null, by: first.by } },
  };
}

function judge(
  frame: GameTableFrame,
  how: GameTableHow,
  table: GameTable,
  { judgement, at, more, when }: Extract<GamePress, { kind: 'judge' }>,
  shownAt: number | undefined,
): GameTableStep {
  const { typed = [], helpedBy, erred, there } = more;
  const need = gameNeed(frame, table);
  if (need.kind !== 'say') return nothing(table);
  const right = judgement === 'right' || judgement === 'workedOut';
  const again = (table.state.asking?.missed.length ?? 0) > 0;
  const { claimed } = table;
  const from = claimed ? (claimed.shownAt ?? undefined) : shownAt;
  const isHere = !claimed && frame.plan.mode !== 'called' && !how.elsewhere;
  const early = isHere && (from === undefined || at < from);
  // A key pressed before the prompt was painted belongs to the one before; what was typed is kept, without a time.
  if (early && typed.length === 0) return nothing(table);
  // A key here gives no time to what another device shows by a clock of its own.
  const timed = claimed !== null || !how.elsewhere || table.there?.shared === true;
  // What was missed already, or heard said wrongly, is no first sight of it.
  const clean = !again && erred === undefined && !early;
  const shownThere = there?.latencyMs == null ? undefined : 0;
  return perform(
    frame,
    table,
    {
      kind: 'said',
      seat: need.asked.seat,
      right,
      ...(helpedBy === undefined ? {} : { helpedBy }),
      ...(erred === undefined ? {} : { erred }),
    },
    at,
    when,
    {
      judgement: helpedBy !== undefined && right ? 'workedOut' : judgement,
      at: there ? (there.latencyMs ?? 0) : (claimed?.at ?? at),
      typed,
      shownAt: !clean ? undefined : there ? shownThere : timed ? from : undefined,
      way: there || claimed?.by === 'child' ? 'keypad' : how.way,
      spoiled: there ? there.voided : table.spoiled,
      calm: table.table.calm,
      aid: table.aid ?? byStepOf(frame),
      seen: helpedBy === undefined ? [] : ['helped'],
    },
  );
}

function undo(frame: GameTableFrame, table: GameTable, when: GameMoment): GameTableStep {
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

function finish(frame: GameTableFrame, table: GameTable, when: GameMoment): GameTableStep {
  if (table.table.status === 'over') return nothing(table);
  let step = nothing(table);
  // What was set down last goes on record too.
  if (table.noted.length > 0) {
    const on = table.table.status === 'playing' ? table : turn(table, when.at, { status: 'playing' }).table;
    step = perform(frame, on, { kind: 'stop' }, when.at, when);
  }
  const usedMs = gameUsedMs(step.table, when.at);
  const { calm, interrupted } = step.table.table;
  const over = turn(step.table, when.at, { status: 'over', endReason: 'tutor', usedMs });
  return { ...over, sent: [...step.sent, { kind: 'ended', usedMs, calm, interrupted }] };
}

function mark(table: GameTable, { mark: one }: Extract<GamePress, { kind: 'mark' }>): GameTableStep {
  const nth = table.moves.findLastIndex((kept) => kept.answers.length > 0);
  const kept = table.moves[nth];
  const last = kept?.answers.at(-1);
  if (!kept || !last) return nothing(table);
  const { seen } = last.answer;
  const answer = {
    ...last.answer,
    seen: seen.includes(one) ? seen.filter((other) => other !== one) : [...seen, one],
  };
  const changed = { ...kept, answers: [...kept.answers.slice(0, -1), { ...last, answer }] };
  return {
    ...nothing({ ...table, moves: table.moves.map((move, at) => (at === nth ? changed : move)) }),
    sent: [{ kind: 'amended', seat: last.seat, answer }],
  };
}
