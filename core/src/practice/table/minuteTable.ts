import { answerOf, parseFactKey } from '../../facts/fact.ts';
import type { Answer } from '../../recall/answer.ts';
import {
  advanceMinute,
  finishTypingMs,
  mayResume,
  promptOf,
  type EndReason,
  type MinuteEvent,
  type MinuteState,
} from '../minute.ts';
import type { MinutePress } from './minutePress.ts';
import { allowanceMs, readAnswer, type ReadAnswer } from './readAnswer.ts';
import { readRemote } from './remoteAnswer.ts';
import {
  noStep,
  type ShownThere,
  type TableHow,
  type TableMoment,
  type TableSent,
  type TableStep,
} from './tableStep.ts';
import { typedText, typedTimes, type TypedAnswer } from './typedAnswer.ts';

/** A gap between frames beyond this is taken as a frozen page, ms: it is not counted to the minute. */
export const frozenGapMs = 1000;

/** A minute on a table: the play, and its clock. Times are stamps of the page, ms. */
export interface MinuteTable {
  readonly play: MinuteState;
  /** Counts what is shown, so that each showing of a prompt has a name of its own. */
  readonly showing: number;
  /** Since when the minute's clock runs, and how much had been used by then; null: it stands, or waits for the first paint. */
  readonly runFrom: number | null;
  readonly usedAtRun: number;
  readonly spoiled: boolean;
  /** The time is up but for an answer already begun: with it the minute ends. */
  readonly closing: boolean;
  /** What the child has typed of an answer so far. */
  readonly typing: TypedAnswer;
  readonly there: ShownThere | null;
}

export interface MinuteTableFrame {
  readonly playId: string;
  readonly limitMs: number;
}

export function newMinuteTable(play: MinuteState): MinuteTable {
  return {
    play,
    showing: 0,
    runFrom: null,
    usedAtRun: play.usedMs,
    spoiled: false,
    closing: false,
    typing: [],
    there: null,
  };
}

/** Names one showing of a prompt. */
export const minutePromptId = ({ playId }: MinuteTableFrame, { play, showing }: MinuteTable): string =>
  `${playId.slice(-6)}-${play.position}-${showing}`;

const usedAt = ({ usedAtRun, runFrom }: MinuteTable, at: number): number =>
  usedAtRun + (runFrom === null ? 0 : Math.max(0, at - runFrom));

/** When the minute's time runs out, as a time stamp of the page; undefined while no clock runs. */
export function minuteDeadline({ runFrom, usedAtRun, play }: MinuteTable): number | undefined {
  return runFrom === null || play.calm || play.status !== 'running'
    ? undefined
    : runFrom + play.lengthMs - usedAtRun;
}

/** How long after the minute's time an answer already begun may still be finished, ms. */
export function minuteGraceMs({ way, measuring }: TableHow, { typing }: MinuteTable): number {
  // The tutor's key comes after the child's word; a child half-way through typing may finish.
  if (way !== 'keypad') return allowanceMs(measuring.overheadFor(1));
  return typing.length > 0 ? finishTypingMs : 0;
}

/** The table after something done at it, and what goes on record of that. Pure: same table, same press, same step. */
export function advanceMinuteTable(
  frame: MinuteTableFrame,
  how: TableHow,
  table: MinuteTable,
  press: MinutePress,
): TableStep<MinuteTable> {
  const { play } = table;
  const { at, now } = press.when;
  const taken = (next: MinuteTable): TableStep<MinuteTable> => ({ ...noStep(next), taken: true });
  switch (press.kind) {
    case 'start':
      return go(
        table,
        how.untimed ? [{ kind: 'started' }, { kind: 'calmed', usedMs: 0 }] : [{ kind: 'started' }],
      );
    case 'calm':
      return go(table, [{ kind: 'calmed', usedMs: usedAt(table, at) }]);
    case 'pause':
      return go(table, [{ kind: 'paused', usedMs: usedAt(table, at), at: now, reason: press.reason }]);
    case 'resume':
      if (mayResume(play, now)) return go(table, [{ kind: 'resumed' }]);
      return play.status === 'paused' ? finish(table, 'closed', press.when) : noStep(table);
    case 'end':
      return finish(table, press.reason, press.when);
    case 'closing':
      return taken({ ...table, closing: true });
    case 'moved':
      return taken({ ...table, spoiled: true });
    case 'typing':
      return taken({ ...table, typing: press.typed });
    case 'tick': {
      if (play.calm) return noStep(table);
      const ticked = advanceMinute(play, { kind: 'ticked', usedMs: usedAt(table, at) });
      return ticked === play ? noStep(table) : taken({ ...table, play: ticked });
    }
    case 'painted':
      return table.runFrom === null && play.status === 'running'
        ? taken({ ...table, runFrom: press.at })
        : noStep(table);
    case 'shownThere': {
      const begins = table.runFrom === null && play.status === 'running';
      return taken({ ...table, there: press.there, runFrom: begins ? press.there.at : table.runFrom });
    }
    case 'gap':
      return gap(how, table, press);
    case 'undo': {
      const undone = play.answers.at(-1);
      return undone
        ? go(table, [{ kind: 'undone' }], [{ kind: 'retracted', answer: undone }])
        : noStep(table);
    }
    case 'mark': {
      const last = play.answers.at(-1);
      if (!last) return noStep(table);
      const seen = last.seen.includes(press.mark)
        ? last.seen.filter((one) => one !== press.mark)
        : [...last.seen, press.mark];
      return amend(table, { kind: 'marked', answerId: last.id, seen });
    }
    case 'say': {
      const last = play.answers.at(-1);
      if (last?.judgement !== 'wrong') return noStep(table);
      return amend(table, { kind: 'said', answerId: last.id, given: press.given });
    }
    case 'typed': {
      if (press.typed.length === 0) return noStep(table);
      const right = Number(typedText(press.typed)) === answerOf(parseFactKey(promptOf(play)));
      return judge(
        frame,
        how,
        { ...table, typing: [] },
        {
          ...press,
          kind: 'judge',
          judgement: right ? 'right' : 'wrong',
          at: typedTimes(press.typed)?.firstAt ?? 0,
        },
      );
    }
    case 'judge':
      return judge(frame, how, { ...table, typing: [] }, press);
    case 'typedThere': {
      if (play.status !== 'running' || press.answer.promptId !== minutePromptId(frame, table))
        return noStep(table);
      // By this page's time line as well as can be: painted there, heard of here, begun so much later.
      const begunAt =
        table.there?.promptId === press.answer.promptId ? table.there.at + (press.answer.latencyMs ?? 0) : at;
      const read = readRemote(press.answer, {
        fact: promptOf(play),
        hidden: 'result',
        overheadFor: how.measuring.overheadFor,
        timed: !play.calm && !how.untimed,
      });
      return record(frame, how, table, { ...read, begunAt }, press.answer.voided, press.when);
    }
  }
}

function judge(
  frame: MinuteTableFrame,
  how: TableHow,
  table: MinuteTable,
  { judgement, at, typed, shownAt, when }: Extract<MinutePress, { kind: 'judge' }>,
): TableStep<MinuteTable> {
  const { play } = table;
  const there = table.there?.promptId === minutePromptId(frame, table) ? table.there : undefined;
  const paintedAt = how.elsewhere ? there?.at : shownAt;
  if (play.status !== 'running' || paintedAt === undefined) return noStep(table);
  const early = at < paintedAt;
  // A key pressed before the prompt was painted belongs to the one before.
  if (early && typed.length === 0) return noStep(table);
  const read = readAnswer(
    { judgement, at, typed, onsetAt: how.onsetAfter?.(paintedAt) },
    {
      fact: promptOf(play),
      way: how.way,
      paintedAt: Math.min(paintedAt, at),
      // A key here gives no time to a prompt that another device shows by a clock of its own.
      timed: !play.calm && !how.untimed && (!how.elsewhere || there?.shared === true),
      until: minuteDeadline(table),
      overheadFor: how.measuring.overheadFor,
    },
  );
  // Digits taken on the news of a frame whose render time came later still: kept, without a time.
  return read ? record(frame, how, table, read, table.spoiled || early, when) : noStep(table);
}

function record(
  frame: MinuteTableFrame,
  how: TableHow,
  table: MinuteTable,
  { made, begunAt, lastKeyMs }: ReadAnswer,
  spoiled: boolean,
  when: TableMoment,
): TableStep<MinuteTable> {
  const { play } = table;
  const answer: Answer = {
    ...made,
    id: when.id,
    fact: promptOf(play),
    at: when.now,
    voided: made.latencyMs !== null && (play.seenBefore || spoiled),
    limitMs: frame.limitMs,
    seen: [],
    aided: false,
    way: how.way,
  };
  const usedMs = Math.min(play.lengthMs, usedAt(table, begunAt));
  const step = go(
    table,
    [{ kind: 'answered', answer, usedMs }],
    [{ kind: 'answered', answer, lastKeyMs, calibrationAgeDays: how.measuring.ageDays, usedMs }],
  );
  const times = answer.latencyMs !== null && !answer.voided ? 'count' : null;
  if (!step.table.closing) return { ...step, times };
  const over = finish(step.table, 'time', when);
  return { ...over, sent: [...step.sent, ...over.sent], times };
}

function finish(table: MinuteTable, reason: EndReason, { at, now }: TableMoment): TableStep<MinuteTable> {
  const { play } = table;
  const usedMs = play.status === 'running' ? usedAt(table, at) : play.usedMs;
  const step = go(table, [{ kind: 'ended', usedMs, reason }]);
  if (!step.taken) return step;
  const ended = step.table.play;
  return {
    ...step,
    sent: [
      {
        kind: 'ended',
        usedMs: ended.usedMs,
        calm: ended.calm,
        interrupted: ended.interrupted,
        reason,
        at: play.pausedAt ?? now,
      },
    ],
  };
}

/** Gaps between frames spoil the time of the prompt shown; a frozen page is not counted to the minute. */
function gap(
  how: TableHow,
  table: MinuteTable,
  { gapMs, beganAt, when }: Extract<MinutePress, { kind: 'gap' }>,
): TableStep<MinuteTable> {
  const { play } = table;
  // A screen that is not looked at may stand still.
  if (how.elsewhere) return noStep(table);
  const spoiled = { ...table, spoiled: true };
  const times = !how.untimed && !play.calm ? 'void' : null;
  if (gapMs < frozenGapMs || play.calm || table.runFrom === null || play.status !== 'running')
    return { table: spoiled, sent: [], times, taken: true };
  const frozen = { kind: 'paused', usedMs: usedAt(table, beganAt), at: when.now, reason: 'frozen' } as const;
  const step = go(spoiled, [frozen, { kind: 'resumed' }], [], false);
  return {
    ...step,
    table: { ...step.table, usedAtRun: step.table.play.usedMs, runFrom: when.at },
    times,
  };
}

function amend(
  table: MinuteTable,
  event: Extract<MinuteEvent, { kind: 'marked' | 'said' }>,
): TableStep<MinuteTable> {
  const next = advanceMinute(table.play, event).answers.find((one) => one.id === event.answerId);
  return next ? go(table, [event], [{ kind: 'amended', answer: next }], false) : noStep(table);
}

/** Takes the play on, and the table's clock with it. `isFresh`: what is shown after it is shown anew. */
function go(
  table: MinuteTable,
  events: readonly MinuteEvent[],
  sent: readonly TableSent[] = [],
  isFresh = true,
): TableStep<MinuteTable> {
  const play = events.reduce(advanceMinute, table.play);
  if (play === table.play) return noStep(table);
  const runs = play.status === 'running';
  const next: MinuteTable = {
    ...table,
    play,
    runFrom: runs ? table.runFrom : null,
    usedAtRun: play.status === 'paused' || play.calm ? play.usedMs : table.usedAtRun,
    ...(isFresh ? { spoiled: false, showing: table.showing + (runs ? 1 : 0) } : {}),
  };
  return { table: next, sent, times: null, taken: true };
}
