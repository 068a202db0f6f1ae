import { hiddenNumber, parseFactKey } from '../../facts/fact.ts';
import type { Answer, HiddenPlace } from '../../recall/answer.ts';
import { overheadInVisit } from '../../recall/measuring.ts';
import type { Aid } from '../../facts/aid.ts';
import { readTurns, type TurnsPlan } from '../readTurns.ts';
import { advanceTurns, type TurnsEvent, type TurnsState } from '../turns.ts';
import { readAnswer, type ReadAnswer } from './readAnswer.ts';
import { readRemote } from './remoteAnswer.ts';
import {
  noStep,
  type SharedPress,
  type ShownThere,
  type TableHow,
  type TableMoment,
  type TableSent,
  type TableStep,
} from './tableStep.ts';
import { typedText, typedTimes } from './typedAnswer.ts';

/** A play that goes turn by turn on a table: the play, and the clock of what is asked now. Times are stamps of the page, ms. */
export interface TurnsTable {
  readonly plan: TurnsPlan;
  readonly play: TurnsState;
  /** Counts what is shown, so that each showing of a prompt has a name of its own. */
  readonly showing: number;
  /** Since when the time under way runs, and how much had been used by then; null: it stands. */
  readonly runFrom: number | null;
  readonly usedAtRun: number;
  /** The time of the prompt now shown is void: it was not seen without a gap. */
  readonly spoiled: boolean;
  /** The aid that lies under the prompt. */
  readonly aid: Aid | null;
  /** With real cards: when the card was turned. */
  readonly turnedAt: number | null;
  readonly there: ShownThere | null;
}

/** What holds for a table as long as it stands. */
export interface TurnsTableFrame {
  readonly playId: string;
  readonly limitMs: number;
  /** Answers of the play given on another day, which are left alone. */
  readonly earlier: number;
  /** With real cards: the clock goes from the key that tells of the turned card. */
  readonly pack: boolean;
}

/** What is done at it, or happens to it. */
export type TurnsPress =
  | SharedPress
  | { readonly kind: 'turn' | 'gap' | 'end'; readonly when: TableMoment }
  | { readonly kind: 'aid'; readonly aid: Aid; readonly when: TableMoment };

export function newTurnsTable(plan: TurnsPlan, play: TurnsState): TurnsTable {
  return {
    plan,
    play,
    showing: 0,
    runFrom: null,
    usedAtRun: play.usedMs,
    spoiled: false,
    aid: null,
    turnedAt: null,
    there: null,
  };
}

/** Names one showing of a prompt. */
export const turnsPromptId = ({ playId }: TurnsTableFrame, { play, showing }: TurnsTable): string =>
  `${playId.slice(-6)}-${play.answers.length}-${showing}`;

export const turnsHidden = ({ plan }: TurnsTable): HiddenPlace =>
  plan.kind === 'drill' ? plan.hidden : 'result';

/** Time under way at a moment, ms. */
const usedAt = ({ usedAtRun, runFrom }: TurnsTable, at: number): number =>
  usedAtRun + (runFrom === null ? 0 : Math.max(0, at - runFrom));

/** The table after something done at it, and what goes on record of that. Pure: same table, same press, same step. */
export function advanceTurnsTable(
  frame: TurnsTableFrame,
  how: TableHow,
  table: TurnsTable,
  press: TurnsPress,
): TableStep<TurnsTable> {
  const { play, plan } = table;
  const { at, now } = press.when;
  switch (press.kind) {
    case 'start':
      return go(table, { kind: 'started' }, press.when);
    case 'turn':
      return go(table, { kind: 'turned' }, press.when);
    case 'resume':
      return go(table, { kind: 'resumed' }, press.when);
    case 'calm':
      return go(table, { kind: 'calmed' }, press.when);
    case 'pause':
      return go(
        table,
        { kind: 'paused', usedMs: usedAt(table, at), at: now, reason: press.reason },
        press.when,
      );
    case 'end':
      return go(table, { kind: 'ended', usedMs: usedAt(table, at), reason: 'tutor' }, press.when);
    case 'aid':
      return { ...noStep({ ...table, aid: press.aid }), taken: true };
    case 'moved':
      return { ...noStep({ ...table, spoiled: true }), taken: true };
    case 'gap':
      // A screen that is not looked at may stand still.
      if (how.elsewhere || play.status !== 'asking') return noStep(table);
      return {
        ...noStep({ ...table, spoiled: true }),
        times: !how.untimed && play.calmFrom === null ? 'void' : null,
        taken: true,
      };
    case 'shownThere':
      return { ...noStep({ ...table, there: press.there.shared ? press.there : table.there }), taken: true };
    case 'undo': {
      const undone = play.answers.at(-1);
      if (!undone || play.answers.length <= frame.earlier) return noStep(table);
      return go(table, { kind: 'undone' }, press.when, [{ kind: 'retracted', answer: undone }]);
    }
    case 'mark': {
      const last = play.answers.at(-1);
      if (!last || play.answers.length <= frame.earlier) return noStep(table);
      const seen = last.seen.includes(press.mark)
        ? last.seen.filter((one) => one !== press.mark)
        : [...last.seen, press.mark];
      return amend(table, { kind: 'marked', answerId: last.id, seen }, press.when);
    }
    case 'say': {
      const last = play.answers.at(-1);
      if (last?.judgement !== 'wrong') return noStep(table);
      return amend(table, { kind: 'said', answerId: last.id, given: press.given }, press.when);
    }
    case 'typed': {
      const fact = readTurns(plan, play).next?.fact;
      if (press.typed.length === 0 || fact === undefined) return noStep(table);
      const right = Number(typedText(press.typed)) === hiddenNumber(parseFactKey(fact), turnsHidden(table));
      return judge(frame, how, table, {
        ...press,
        kind: 'judge',
        judgement: right ? 'right' : 'wrong',
        at: typedTimes(press.typed)?.firstAt ?? 0,
      });
    }
    case 'judge':
      return judge(frame, how, table, press);
    case 'typedThere': {
      const fact = readTurns(plan, play).next?.fact;
      if (fact === undefined || press.answer.promptId !== turnsPromptId(frame, table)) return noStep(table);
      const read = readRemote(press.answer, {
        fact,
        hidden: turnsHidden(table),
        overheadFor: overheadNow(how, table),
        timed: play.calmFrom === null && !how.untimed,
      });
      return record(frame, how, table, read, press.answer.voided, press.when);
    }
  }
}

/** A placement begins with facts that time a keypad nobody measured. */
function overheadNow({ measuring, way }: TableHow, { plan, play }: TurnsTable) {
  return plan.kind === 'placement' ? overheadInVisit(measuring, way, play.answers) : measuring.overheadFor;
}

function judge(
  frame: TurnsTableFrame,
  how: TableHow,
  table: TurnsTable,
  { judgement, at, typed, shownAt, when }: Extract<TurnsPress, { kind: 'judge' }>,
): TableStep<TurnsTable> {
  const { play, plan, there } = table;
  const fact = readTurns(plan, play).next?.fact;
  if (play.status !== 'asking' || fact === undefined) return noStep(table);
  // On another device the time is taken there, and a key here judges without one; a window of this machine shares the clock.
  const sharedAt = there?.promptId === turnsPromptId(frame, table) ? there.at : undefined;
  const from = how.elsewhere ? sharedAt : frame.pack ? (table.turnedAt ?? undefined) : shownAt;
  if (from === undefined && !how.elsewhere) return noStep(table);
  const early = from !== undefined && at < from;
  // A key pressed before the prompt was painted belongs to the one before.
  if (early && typed.length === 0) return noStep(table);
  const read = readAnswer(
    { judgement, at, typed, onsetAt: from === undefined ? undefined : how.onsetAfter?.(from) },
    {
      fact,
      hidden: turnsHidden(table),
      way: how.way,
      paintedAt: Math.min(from ?? at, at),
      timed: from !== undefined && play.calmFrom === null && !how.untimed,
      overheadFor: overheadNow(how, table),
    },
  );
  // Digits taken on the news of a frame whose render time came later still: kept, without a time.
  return record(frame, how, table, read, table.spoiled || early, when);
}

function record(
  frame: TurnsTableFrame,
  how: TableHow,
  table: TurnsTable,
  { made, lastKeyMs }: Pick<ReadAnswer, 'made' | 'lastKeyMs'>,
  spoiled: boolean,
  when: TableMoment,
): TableStep<TurnsTable> {
  const { play, plan, aid } = table;
  const fact = readTurns(plan, play).next?.fact;
  if (play.status !== 'asking' || fact === undefined) return noStep(table);
  const hidden = turnsHidden(table);
  const answer: Answer = {
    ...made,
    id: when.id,
    fact,
    at: when.now,
    voided: made.latencyMs !== null && (play.seenBefore || spoiled),
    limitMs: frame.limitMs,
    seen: [],
    aided: aid !== null,
    ...(aid === null ? {} : { aid }),
    way: how.way,
    ...(hidden === 'result' ? {} : { hidden }),
  };
  const usedMs = usedAt(table, when.at);
  const step = go(table, { kind: 'answered', answer, usedMs }, when, [
    { kind: 'answered', answer, lastKeyMs, calibrationAgeDays: how.measuring.ageDays, usedMs },
  ]);
  return { ...step, times: answer.latencyMs !== null && !answer.voided ? 'count' : null };
}

function amend(
  table: TurnsTable,
  event: Extract<TurnsEvent, { kind: 'marked' | 'said' }>,
  when: TableMoment,
): TableStep<TurnsTable> {
  const next = advanceTurns(table.plan, table.play, event).answers.find((one) => one.id === event.answerId);
  return next ? go(table, event, when, [{ kind: 'amended', answer: next }]) : noStep(table);
}

/** Takes the play on, and the table's clock with it. What is to be sent goes only where the play changed. */
function go(
  table: TurnsTable,
  event: TurnsEvent,
  { at, now }: TableMoment,
  sent: readonly TableSent[] = [],
): TableStep<TurnsTable> {
  const before = table.play;
  const play = advanceTurns(table.plan, before, event);
  if (play === before) return noStep(table);
  const runs = play.status === 'asking' || play.status === 'told';
  const begins = runs && table.runFrom === null;
  const isFresh = play.answers.length !== before.answers.length || play.status !== before.status;
  const next: TurnsTable = {
    ...table,
    play,
    runFrom: !runs ? null : begins ? at : table.runFrom,
    usedAtRun: begins ? play.usedMs : table.usedAtRun,
    turnedAt: play.status === 'asking' && before.status !== 'asking' ? at : table.turnedAt,
    ...(isFresh ? { spoiled: false, aid: null, showing: table.showing + 1 } : {}),
  };
  const isOver = play.status === 'over' && before.status !== 'over';
  const ended: TableSent = {
    kind: 'ended',
    usedMs: play.usedMs,
    calm: play.calmFrom !== null,
    interrupted: play.interrupted,
    reason: play.endReason ?? 'tutor',
    at: now,
  };
  return { table: next, sent: isOver ? [...sent, ended] : sent, times: null, taken: true };
}
