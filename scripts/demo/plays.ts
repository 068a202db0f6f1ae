import type { createLearner } from '@veldrift/core';
import {
  answerOf,
  ask,
  classifyAnswer,
  isCountedAsQuickly,
  measuringOf,
  parseFactKey,
  perMinute,
  type Answer,
  type AnswerClass,
  type FactKey,
  type FactSet,
  type JudgedAnswer,
  type Mark,
  type RandomSource,
} from '@veldrift/core';
import type { Deal, Play, TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { calibrate } from './calibrate.ts';
import type { DemoPupil } from './pupils.ts';

/** A play about to be lived through. */
export interface PlayAsk {
  readonly pupil: DemoPupil;
  readonly pupilId: string;
  readonly visitId: string;
  readonly set: FactSet;
  readonly purpose: Play['purpose'];
  readonly seed: number;
  /** A minute of so long; left out: it goes on until nothing is dealt any more. */
  readonly lengthMs?: number;
  readonly title?: string;
  /** How it was dealt; that of a game names its own play. */
  readonly deal?: Deal;
  readonly dealAt?: (playId: string) => Deal;
  /** What is dealt after some answers. */
  readonly next: (
    given: readonly { readonly fact: FactKey; readonly class: AnswerClass }[],
  ) => FactKey | undefined;
  readonly calm?: boolean;
  readonly beginsAt: number;
  readonly day: number;
  readonly measured: ReturnType<typeof calibrate>;
  readonly judgingMs: readonly number[];
  readonly learner: ReturnType<typeof createLearner>;
  readonly random: RandomSource;
}

/** No play without a clock of its own goes on longer, ms. */
const longestMs = 600_000;

/** Events of one play, what its answers are worth, and the check it makes, if it is one. */
export function livePlay(asked: PlayAsk) {
  const { pupil, random, beginsAt, seed } = asked;
  const playId = uuid({ msecs: beginsAt });
  const deal = asked.dealAt?.(playId) ?? asked.deal;
  const lengthMs = asked.lengthMs ?? longestMs;
  const head = { v: 1, seat: 0, pupilId: asked.pupilId, visitId: asked.visitId, playId } as const;
  const measuring = measuringOf(
    {
      capture: pupil.capture,
      recallLimit: '2000',
      easyTimesMs: [],
      keypad: asked.measured.keypad,
      naming: asked.measured.naming,
      judging: { at: iso(beginsAt), timesMs: asked.judgingMs },
    },
    iso(beginsAt),
  );
  const events: TableEvent[] = [
    {
      ...head,
      id: uuid({ msecs: beginsAt }),
      kind: 'playStarted',
      at: iso(beginsAt),
      purpose: asked.purpose,
      setId: asked.set.id,
      seed,
      lengthMs,
      way: pupil.capture,
      limitMs: measuring.limitMs,
      device: 'demo',
      ...(asked.title === undefined ? {} : { title: asked.title }),
      ...(deal === undefined ? {} : { deal }),
    },
  ];
  const answers: Answer[] = [];
  let usedMs = 0;
  const judged: { fact: FactKey; class: AnswerClass }[] = [];
  for (let fact = asked.next(judged); fact !== undefined; fact = asked.next(judged)) {
    const expected = String(answerOf(parseFactKey(fact)));
    const answer = ask(asked.learner, fact, asked.day, random);
    const overhead = measuring.overheadFor(expected.length);
    const latencyMs = Math.round(answer.latencyMs + overhead.overheadMs * (0.85 + 0.3 * random.unit()));
    const takesMs = latencyMs + Math.round(pupil.namingMs * 0.25);
    if (usedMs + takesMs > lengthMs) break;
    usedMs += takesMs;
    const at = iso(beginsAt + usedMs);
    const seen = marksOf(pupil, fact, answer.truth === 'recalled', answer.right, random);
    const kept: Answer = {
      id: uuid({ msecs: beginsAt + usedMs }),
      fact,
      at,
      judgement: answer.right ? 'right' : random.unit() < 0.12 ? 'gaveUp' : 'wrong',
      given: answer.right || pupil.capture === 'keypad' || random.unit() < 0.7 ? String(answer.given) : null,
      latencyMs,
      voided: false,
      overheadMs: overhead.overheadMs,
      spreadMs: overhead.spreadMs,
      calibrated: overhead.calibrated,
      limitMs: measuring.limitMs,
      seen,
      aided: false,
      way: pupil.capture,
    };
    const said = kept.judgement === 'gaveUp' ? null : kept.given;
    answers.push({ ...kept, given: said });
    judged.push({ fact, class: classifyAnswer(kept).class });
    events.push({
      ...head,
      ...kept,
      given: said,
      kind: 'answerGiven',
      hidden: 'result',
      lastKeyMs: pupil.capture === 'keypad' ? latencyMs + 180 * (expected.length - 1) : null,
      calibrationAgeDays: measuring.ageDays ?? null,
      usedMs,
      seen: [...seen],
    });
  }
  const calm = asked.calm ?? false;
  const endsAt = beginsAt + (asked.lengthMs ?? usedMs);
  events.push({
    ...head,
    id: uuid({ msecs: endsAt }),
    kind: 'playEnded',
    at: iso(endsAt),
    usedMs: calm ? 30_000 : endsAt - beginsAt,
    reason: calm ? 'tutor' : 'time',
    calm,
    interrupted: false,
  });
  const right = answers.filter((one) => one.judgement === 'right').length;
  return {
    playId,
    usedMs,
    events,
    given: answers,
    judged: answers.map((one): JudgedAnswer => {
      const found = classifyAnswer(one);
      return {
        id: one.id,
        fact: one.fact,
        at: one.at,
        class: found.class,
        seen: one.seen,
        correctedMs: found.correctedMs,
      };
    }),
    check: calm
      ? undefined
      : {
          id: playId,
          at: iso(endsAt),
          right,
          wrong: answers.length - right,
          usedMs: lengthMs,
          ratePerMinute: perMinute(right, lengthMs),
        },
  };
}

function marksOf(
  pupil: DemoPupil,
  fact: string,
  recalled: boolean,
  right: boolean,
  random: RandomSource,
): Mark[] {
  if (recalled && isCountedAsQuickly(parseFactKey(fact)) && random.unit() < 0.5) return ['noCounting'];
  if (!recalled && right && pupil.seen && random.unit() < pupil.seen.share) return [pupil.seen.mark];
  return [];
}

const iso = (ms: number) => new Date(ms).toISOString();
