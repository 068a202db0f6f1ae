import {
  type Aid,
  type Answer,
  type CaptureWay,
  type FactKey,
  isCaptureWay,
  type Judgement,
  type Mark,
  readAnswer,
  type TypedAnswer,
} from '@veldrift/core';
import type { Evidence } from '@veldrift/core/games';
import { takesNoTime, type Me, type Pupil } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow, SeatAnswer, SeatSkill } from '../../app/deviceDb.ts';
import { measuringFor } from '../measuringOf.ts';

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
  row: Pick<GameRow, 'seats' | 'limitMs' | 'way'>,
  me: Me,
  evidence: readonly Evidence[],
  pressed: Pressed | undefined,
  /** The aid that lies on the table by the step. */
  byStep: Aid | null,
): SeatAnswer[] {
  return evidence.flatMap(({ seat, item, given, timed, right, onTheWay }): SeatAnswer[] => {
    const pupil = row.seats[seat]?.pupil;
    if (!pupil || item.kind !== 'fact') return [];
    if (pressed && !onTheWay)
      return [{ seat, ...said(pupil, me, item.key, timed ? pressed : { ...pressed, shownAt: undefined }) }];
    const answer = {
      ...bare(item.key, right),
      ...(given === undefined ? {} : { given }),
      limitMs: row.limitMs,
      way: pressed?.way ?? row.way,
      ...aidOf(pressed?.aid ?? byStep),
      ...(pressed ? { seen: pressed.seen } : {}),
    };
    return [{ seat, answer, lastKeyMs: null }];
  });
}

/** The answers to skills that a move puts on record, of pupils alone. */
export function seatSkills(
  row: Pick<GameRow, 'seats' | 'way'>,
  evidence: readonly Evidence[],
  pressed: Pressed | undefined,
  /** The aid that lies on the table by the step. */
  byStep: Aid | null,
): SeatSkill[] {
  return evidence.flatMap(({ seat, item, shown, answer, given, timed, right }): SeatSkill[] => {
    const pupil = row.seats[seat]?.pupil;
    if (!pupil || item.kind !== 'skill') return [];
    const typed = pressed?.typed.map((one) => one.digit).join('') ?? '';
    const from = timed && pressed && !pressed.calm && !takesNoTime(pupil) ? pressed.shownAt : undefined;
    const latencyMs = from === undefined || !pressed ? null : Math.max(0, Math.round(pressed.at - from));
    return [
      {
        seat,
        id: uuid(),
        skill: item.key,
        shown,
        answer,
        // Of several lines that make a number only the child knows which it said.
        given: given ?? (typed !== '' ? typed : right && item.key !== 'make' ? answer : null),
        right,
        at: new Date().toISOString(),
        latencyMs,
        voided: latencyMs !== null && (pressed?.spoiled ?? false),
        way: pressed?.way ?? row.way,
        aided: (pressed?.aid ?? byStep) !== null || (pressed?.seen.includes('helped') ?? false),
      },
    ];
  });
}

const aidOf = (aid: Aid | null) => (aid === null ? {} : { aided: true, aid });

const bare = (fact: FactKey, right: boolean): Omit<Answer, 'limitMs' | 'way'> => ({
  id: uuid(),
  fact,
  at: new Date().toISOString(),
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
  pupil: Pupil,
  me: Me,
  fact: FactKey,
  { judgement, at, typed, way, shownAt, calm, spoiled, aid, seen }: Pressed,
): Pick<SeatAnswer, 'answer' | 'lastKeyMs'> {
  const { limitMs, overheadFor } = measuringFor(pupil, me, way);
  const { made, lastKeyMs } = readAnswer(
    { judgement, at, typed },
    {
      fact,
      way,
      paintedAt: shownAt ?? at,
      timed: shownAt !== undefined && !calm && !takesNoTime(pupil),
      overheadFor,
    },
  );
  const voided = made.latencyMs !== null && spoiled;
  return { answer: { ...bare(fact, true), ...made, voided, limitMs, way, ...aidOf(aid), seen }, lastKeyMs };
}

/** Days since the calibration that an answer's overhead comes from; null: none is in force, or it has no overhead. */
export function calibrationAgeOf(
  row: Pick<GameRow, 'seats'>,
  me: Me,
  { seat, answer }: SeatAnswer,
): number | null {
  const pupil = row.seats[seat]?.pupil;
  return pupil && isCaptureWay(answer.way) ? measuringFor(pupil, me, answer.way).ageDays : null;
}

/** An answer at real cards that was not right, set down without a time. */
export const missedAt = (
  row: Pick<GameRow, 'limitMs'>,
  seat: number,
  fact: FactKey,
  given: string | null,
): SeatAnswer => ({
  seat,
  answer: { ...bare(fact, false), given, limitMs: row.limitMs, way: 'loose' },
  lastKeyMs: null,
});
