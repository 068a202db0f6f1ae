import { claim, settle } from './claimFirst.ts';
import type { GameMoment, GamePress } from './gamePress.ts';
import { nothing, perform, turn, turnCalm } from './gameStep.ts';
import {
  gameNeed,
  gamePromptId,
  gameShownAt,
  gameUsedMs,
  type GameTable,
  type GameTableFrame,
  type GameTableHow,
  type GameTableStep,
} from './gameTable.ts';
import { judge } from './judgeSaid.ts';
import { undo, undoToChild, undoTurn } from './undoMove.ts';

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
      return nothing(shownThere(table, press));
    case 'note':
      return nothing({ ...table, noted: [...table.noted, press.noted] });
    case 'mark':
      return mark(table, press);
    case 'undo':
      return undoToChild(frame, table, press.when, undo);
    case 'undoTurn':
      return undoToChild(frame, table, press.when, undoTurn);
    case 'move':
      return perform(frame, table, press.move, press.at, press.when);
    case 'claim':
      return claim(frame, table, press, gameShownAt(frame, how, table, press.shownAt));
    case 'claimThere': {
      const { seat, latencyMs } = press;
      const promptId = gamePromptId(frame, table);
      // A claim may overtake the word that what is claimed was painted there: it is that word too.
      const told =
        how.elsewhere && table.there?.promptId !== promptId
          ? { ...table, there: { promptId, at: at - latencyMs, shared: false } }
          : table;
      const from = gameShownAt(frame, how, told, press.shownAt);
      return claim(frame, told, { seat, at: (from ?? at) + latencyMs, by: 'child' }, from);
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

/** The first screen that shows what is asked is where times begin: each child's own is added to it, whichever device it is on. */
function shownThere(
  table: GameTable,
  { there, seat, when }: Extract<GamePress, { kind: 'shownThere' }>,
): GameTable {
  const { promptId } = there;
  const first = table.there?.promptId === promptId ? table.there : there;
  if (seat === null) return { ...table, there: first };
  const others = table.seatsShown.filter((one) => one.seat !== seat);
  return { ...table, there: first, seatsShown: [...others, { seat, promptId, heardAt: when.at }] };
}
