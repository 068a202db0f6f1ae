import {
  type Aid,
  type Answer,
  type CaptureWay,
  type FactKey,
  type Judgement,
  type Mark,
} from '@veldrift/core';
import type { Exercised } from '@veldrift/core/games';
import { takesNoTime, type Me } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow } from '../../app/deviceDb.ts';
import { measuringFor } from '../measuringOf.ts';
import { readAnswer } from '../readAnswer.ts';
import type { TypedAnswer } from '../typedAnswer.ts';
import type { AnswerMore } from './gameEvents.ts';
import type { SeatAnswer } from './gameAnswers.ts';

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

/** The answers of facts that a move exercised: timed where it was asked and said, of pupils alone. */
export function seatAnswers(
  row: Pick<GameRow, 'seats' | 'limitMs' | 'way'>,
  me: Me,
  exercised: readonly Exercised[],
  pressed: Pressed | undefined,
  /** The aid that lies on the table by the step. */
  byStep: Aid | null,
): SeatAnswer[] {
  return exercised.flatMap(({ seat, fact, timed, right }) => {
    const pupil = row.seats[seat]?.pupil;
    if (!pupil) return [];
    const answer = pressed
      ? timedAnswer(row, me, seat, fact, timed ? pressed : { ...pressed, shownAt: undefined })
      : { ...bare(fact, right), limitMs: row.limitMs, way: row.way, ...aidOf(byStep) };
    return answer ? [{ seat, answer }] : [];
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

function timedAnswer(
  row: Pick<GameRow, 'seats'>,
  me: Me,
  seat: number,
  fact: FactKey,
  pressed: Pressed,
): Answer | undefined {
  const pupil = row.seats[seat]?.pupil;
  if (!pupil) return undefined;
  const measuring = measuringFor(pupil, me, pressed.way);
  const { shownAt } = pressed;
  const read = readAnswer(
    { judgement: pressed.judgement, at: pressed.at, typed: pressed.typed },
    {
      fact,
      way: pressed.way,
      paintedAt: shownAt ?? pressed.at,
      timed: shownAt !== undefined && !pressed.calm && !takesNoTime(pupil),
      until: undefined,
      overheadFor: measuring.overheadFor,
    },
  );
  return (
    read && {
      ...bare(fact, true),
      ...read.made,
      voided: read.made.latencyMs !== null && pressed.spoiled,
      limitMs: measuring.limitMs,
      way: pressed.way,
      ...aidOf(pressed.aid),
      seen: pressed.seen,
    }
  );
}

/** What goes with the answers of a seat: the age of its calibration. */
export function answerMore(row: Pick<GameRow, 'seats' | 'way'>, me: Me, seat: number): AnswerMore {
  const pupil = row.seats[seat]?.pupil;
  return {
    lastKeyMs: null,
    calibrationAgeDays: pupil ? measuringFor(pupil, me, row.way).ageDays : null,
  };
}

/** An answer at real cards that was not right, set down without a time. */
export const missedAt = (
  row: Pick<GameRow, 'limitMs'>,
  seat: number,
  fact: FactKey,
  given: string | null,
): SeatAnswer => ({ seat, answer: { ...bare(fact, false), given, limitMs: row.limitMs, way: 'loose' } });
