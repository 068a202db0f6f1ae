import type { Aid } from '../../facts/aid.ts';
import type { FactKey } from '../../facts/fact.ts';
import { readAnswer } from '../../practice/table/readAnswer.ts';
import type { TypedAnswer } from '../../practice/table/typedAnswer.ts';
import {
  isCaptureWay,
  type Answer,
  type AnswerWay,
  type CaptureWay,
  type Judgement,
} from '../../recall/answer.ts';
import type { Mark } from '../../recall/mark.ts';
import type { Evidence } from '../evidence.ts';
import { typedWords } from '../typedReply.ts';
import type { SeatAnswer, SeatSkill, TableSeat } from './tableSeat.ts';

/** What of a table an answer hangs on. */
export interface AnsweredAt {
  readonly seats: readonly TableSeat[];
  readonly limitMs: number;
  /** How answers are captured at it. */
  readonly way: CaptureWay;
}

/** What an answer is named and dated by: ids of its own, and when, ISO 8601. */
export interface AnswerStamp {
  readonly newId: () => string;
  readonly now: string;
}

/** How an answer at a game came about. */
export interface Pressed {
  readonly judgement: Judgement;
  readonly at: number;
  readonly typed: TypedAnswer;
  /** When the fact was before the child; undefined: no time is taken. */
  readonly shownAt: number | undefined;
  readonly way: CaptureWay;
  readonly spoiled: boolean;
  readonly calm: boolean;
  readonly aid: Aid | null;
  readonly seen: readonly Mark[];
}

/** What was typed on another device, as typed here after so long. */
export const typedThere = (typed: string, latencyMs: number | null): TypedAnswer =>
  [...typed].map((digit) => ({ digit, at: latencyMs ?? 0 }));

/** The answers to facts that a move puts on record: timed where it was asked and said, of pupils alone. */
export function seatAnswers(
  table: AnsweredAt,
  stamp: AnswerStamp,
  evidence: readonly Evidence[],
  pressed: Pressed | undefined,
  /** The aid that lies on the table by the step. */
  byStep: Aid | null,
): SeatAnswer[] {
  return evidence.flatMap(({ seat, item, given, timed, right, onTheWay }): SeatAnswer[] => {
    const own = table.seats[seat];
    if (!own?.recorded || item.kind !== 'fact') return [];
    if (pressed && !onTheWay)
      return [{ seat, ...said(own, stamp, item.key, timed ? pressed : { ...pressed, shownAt: undefined }) }];
    const answer = {
      ...bare(stamp, item.key, right),
      ...(given === undefined ? {} : { given }),
      limitMs: table.limitMs,
      way: pressed?.way ?? table.way,
      ...aidOf(pressed?.aid ?? byStep),
      ...(pressed ? { seen: pressed.seen } : {}),
    };
    return [{ seat, answer, lastKeyMs: null }];
  });
}

/** The answers to skills that a move puts on record, of pupils alone. */
export function seatSkills(
  table: Pick<AnsweredAt, 'seats' | 'way'>,
  stamp: AnswerStamp,
  evidence: readonly Evidence[],
  pressed: Pressed | undefined,
  /** The aid that lies on the table by the step. */
  byStep: Aid | null,
): SeatSkill[] {
  return evidence.flatMap(({ seat, item, shown, answer, given, timed, right }): SeatSkill[] => {
    const own = table.seats[seat];
    if (!own?.recorded || item.kind !== 'skill') return [];
    const typed = typedWords(pressed?.typed.map((one) => one.digit).join('') ?? '');
    const from = timed && pressed && !pressed.calm && !own.untimed ? pressed.shownAt : undefined;
    const latencyMs = from === undefined || !pressed ? null : Math.max(0, Math.round(pressed.at - from));
    return [
      {
        seat,
        id: stamp.newId(),
        skill: item.key,
        shown,
        answer,
        // Of several lines that make a number only the child knows which it said.
        given: given ?? (typed !== '' ? typed : right && item.key !== 'make' ? answer : null),
        right,
        at: stamp.now,
        latencyMs,
        voided: latencyMs !== null && (pressed?.spoiled ?? false),
        way: pressed?.way ?? table.way,
        aided: (pressed?.aid ?? byStep) !== null || (pressed?.seen.includes('helped') ?? false),
      },
    ];
  });
}

const aidOf = (aid: Aid | null) => (aid === null ? {} : { aided: true, aid });

const bare = (
  { newId, now }: AnswerStamp,
  fact: FactKey,
  right: boolean,
): Omit<Answer, 'limitMs' | 'way'> => ({
  id: newId(),
  fact,
  at: now,
  judgement: right ? 'right' : 'wrong',
  given: null,
  latencyMs: null,
  voided: false,
  overheadMs: 0,
  spreadMs: 0,
  calibrated: false,
  seen: [],
  aided: false,
});

/** What was said or typed, read off the key that ended it. */
function said(
  seat: TableSeat,
  stamp: AnswerStamp,
  fact: FactKey,
  { judgement, at, typed, way, shownAt, calm, spoiled, aid, seen }: Pressed,
): Pick<SeatAnswer, 'answer' | 'lastKeyMs'> {
  const { limitMs, overheadFor } = seat.measuringFor(way);
  const { made, lastKeyMs } = readAnswer(
    { judgement, at, typed },
    {
      fact,
      way,
      paintedAt: shownAt ?? at,
      timed: shownAt !== undefined && !calm && !seat.untimed,
      overheadFor,
    },
  );
  const voided = made.latencyMs !== null && spoiled;
  return {
    answer: { ...bare(stamp, fact, true), ...made, voided, limitMs, way, ...aidOf(aid), seen },
    lastKeyMs,
  };
}

/** Days since the calibration that an answer's overhead comes from; null: none is in force, or it has no overhead. */
export function calibrationAgeOf(
  seats: readonly TableSeat[],
  { seat, answer }: { readonly seat: number; readonly answer: { readonly way: AnswerWay } },
): number | null {
  const own = seats[seat];
  return own?.recorded && isCaptureWay(answer.way) ? own.measuringFor(answer.way).ageDays : null;
}

/** An answer at real cards that was not right, set down without a time. */
export const missedAt = (
  stamp: AnswerStamp,
  limitMs: number,
  { seat, fact, given }: { readonly seat: number; readonly fact: FactKey; readonly given: string | null },
): SeatAnswer => ({
  seat,
  answer: { ...bare(stamp, fact, false), given, limitMs, way: 'loose' },
  lastKeyMs: null,
});
