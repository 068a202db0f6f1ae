import {
  answerOf,
  ask,
  classifyAnswer,
  createLearner,
  createRandom,
  decide,
  defaultPolicy,
  factsInRange,
  factKey,
  findSet,
  isCountedAsQuickly,
  makeCheckForm,
  measuringOf,
  parseFactKey,
  perMinute,
  placeOfSet,
  type Answer,
  type CheckResult,
  type Decision,
  type FactSet,
  type JudgedAnswer,
  type Mark,
  type RandomSource,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { calibrate } from './calibrate.ts';
import type { DemoPupil } from './pupils.ts';

const dayMs = 86_400_000;

export interface DemoDecision {
  readonly at: number;
  readonly setId: string;
  readonly toSetId: string;
  readonly decision: Decision;
}

export interface DemoHistory {
  readonly setId: string;
  readonly events: readonly TableEvent[];
  readonly decisions: readonly DemoDecision[];
  /** What the school says at the end. */
  readonly verdict: string;
}

/**
 * Ten weeks of a made-up pupil, lived by a simulated learner: two visits a week, two minutes each, the first of the week a
 * check; the pupil's school decides after each check. `visitDays` are the instants (ms) visits begin, oldest first.
 */
export function liveThrough(
  pupil: DemoPupil,
  pupilId: string,
  seed: number,
  visitStarts: readonly number[],
  timeZone: string,
  judgingMs: readonly number[],
): DemoHistory {
  if (pupil.untried) return { setId: pupil.startSetId, events: [], decisions: [], verdict: 'notEnough' };
  const random = createRandom(seed);
  const start = findSet(pupil.startSetId) as FactSet;
  const place = placeOfSet(start.id);
  const earlier = (place?.pathway.sets[start.operation] ?? []).slice(0, place?.at ?? 0);
  const easy = new Set(earlier.flatMap((set) => set.practises));
  const learner = createLearner(
    (key) => {
      const chance = random.unit();
      const knows = easy.has(key) ? { recalled: 0.9, workedOut: 0.1 } : pupil.knows;
      return chance < knows.recalled
        ? 'recalled'
        : chance < knows.recalled + knows.workedOut
          ? 'workedOut'
          : 'notKnown';
    },
    factsInRange(start.operation).map(factKey),
    pupil.pace,
    pupil.slip,
  );

  const events: TableEvent[] = [];
  const decisions: DemoDecision[] = [];
  const judged: JudgedAnswer[] = [];
  const checks: (CheckResult & { setId: string })[] = [];
  const measured = calibrate(pupil, pupilId, (visitStarts[0] ?? 0) - dayMs, events, random);
  // A calibration is done again within the month.
  calibrate(pupil, pupilId, (visitStarts.at(-3) ?? 0) - 300_000, events, random);
  let set = start;
  let verdict = 'notEnough';
  let wentBack = 0;
  const judge = () =>
    decide({
      school: pupil.school,
      policy: defaultPolicy,
      set,
      answers: judged,
      checks: checks.filter((one) => one.setId === set.id),
      ceiling: measured.ceiling,
      timeZone,
    });

  visitStarts.forEach((begins, nth) => {
    const visitId = uuid({ msecs: begins });
    events.push({
      id: uuid({ msecs: begins }),
      v: 1,
      kind: 'visitStarted',
      pupilId,
      visitId,
      at: iso(begins),
    });
    const isLast = nth === visitStarts.length - 1;
    for (const half of [0, 1] as const) {
      const purpose = nth % 2 === 0 && half === 0 ? 'check' : 'practice';
      // In the first weeks practice goes over what came before; later one minute a week does.
      const goesBack = nth < 6 || (nth % 2 === 1 && half === 1);
      const practised =
        purpose === 'practice' && goesBack && earlier.length > 0
          ? (earlier[wentBack++ % earlier.length] as FactSet)
          : set;
      const minute = playMinute({
        pupil,
        pupilId,
        visitId,
        set: practised,
        purpose,
        beginsAt: begins + half * 180_000,
        day: Math.floor(begins / dayMs),
        measured,
        judgingMs,
        learner,
        random,
        nth,
      });
      events.push(...minute.events);
      judged.push(...minute.judged);
      if (purpose === 'check' && minute.check) {
        checks.push({ ...minute.check, setId: practised.id });
        const decision = judge();
        verdict = decision.verdict;
        const next = placeOfSet(set.id)?.next;
        // The latest word is left for the tutor to take.
        if (decision.verdict === 'advance' && next && !isLast && nth < visitStarts.length - 3) {
          decisions.push({ at: begins + 240_000, setId: set.id, toSetId: next.id, decision });
          set = next;
        }
      }
    }
    verdict = judge().verdict;
  });
  return { setId: set.id, events, decisions, verdict };
}

interface MinuteAsk {
  readonly pupil: DemoPupil;
  readonly pupilId: string;
  readonly visitId: string;
  readonly set: FactSet;
  readonly purpose: 'check' | 'practice';
  readonly beginsAt: number;
  readonly day: number;
  readonly measured: ReturnType<typeof calibrate>;
  readonly judgingMs: readonly number[];
  readonly learner: ReturnType<typeof createLearner>;
  readonly random: RandomSource;
  readonly nth: number;
}

function playMinute(given: MinuteAsk) {
  const { pupil, random, beginsAt } = given;
  const playId = uuid({ msecs: beginsAt });
  const seed = random.int(0, 2_000_000_000);
  const lengthMs = defaultPolicy.minuteMs;
  const head = { v: 1, seat: 0, pupilId: given.pupilId, visitId: given.visitId, playId } as const;
  const measuring = measuringOf(
    {
      capture: pupil.capture,
      recallLimit: '2000',
      easyTimesMs: [],
      keypad: given.measured.keypad,
      naming: given.measured.naming,
      judging: { at: iso(beginsAt), timesMs: given.judgingMs },
    },
    iso(beginsAt),
  );
  const events: TableEvent[] = [
    {
      ...head,
      id: uuid({ msecs: beginsAt }),
      kind: 'playStarted',
      at: iso(beginsAt),
      purpose: given.purpose,
      setId: given.set.id,
      seed,
      lengthMs,
      way: pupil.capture,
      limitMs: measuring.limitMs,
      device: 'demo',
    },
  ];
  const answers: Answer[] = [];
  let usedMs = 0;
  for (const fact of makeCheckForm(given.set.practises, 120, createRandom(seed))) {
    const expected = String(answerOf(parseFactKey(fact)));
    const answer = ask(given.learner, fact, given.day, random);
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
    } as TableEvent);
  }
  // Oskar's table was turned calm once; nothing hangs on that check.
  const calm = pupil.name === 'Oskar' && given.nth === 8 && given.purpose === 'check';
  const endsAt = beginsAt + lengthMs;
  events.push({
    ...head,
    id: uuid({ msecs: endsAt }),
    kind: 'playEnded',
    at: iso(endsAt),
    usedMs: calm ? 30_000 : lengthMs,
    reason: calm ? 'tutor' : 'time',
    calm,
    interrupted: false,
  });
  const right = answers.filter((one) => one.judgement === 'right').length;
  return {
    events,
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
