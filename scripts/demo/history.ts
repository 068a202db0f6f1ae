import {
  createLearner,
  createRandom,
  decide,
  defaultPolicy,
  dayNumber,
  dayOf,
  factKey,
  factsInRange,
  findSet,
  judgeRetention,
  makeCheckForm,
  makeProbeForm,
  nextOfLook,
  operations,
  placementDecision,
  placementResult,
  placeOfSet,
  readPlacement,
  retentionDue,
  retentionFacts,
  type CheckResult,
  type Decision,
  type FactSet,
  type JudgedAnswer,
  type LookPlan,
  type PlacementPlan,
} from '@veldrift/core';
import { gradeOf, type KeptDecision, type TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { calibrate } from './calibrate.ts';
import { drillOn } from './drillOn.ts';
import { gameOn, moveEvents } from './gameOn.ts';
import { livePlay, type PlayAsk } from './plays.ts';
import type { DemoPupil } from './pupils.ts';

const dayMs = 86_400_000;
const formLength = 120;

export interface DemoDecision {
  readonly at: number;
  readonly about: KeptDecision['about'];
  readonly setId: string;
  readonly toSetId: string;
  readonly decision: Decision;
  readonly playId: string | null;
}

export interface DemoHistory {
  readonly setId: string;
  readonly events: readonly TableEvent[];
  readonly decisions: readonly DemoDecision[];
  /** What the school says at the end. */
  readonly verdict: string;
}

/**
 * Ten weeks of a made-up pupil, lived by a simulated learner: two visits a week, two plays each, the first of the week a
 * check; every fourth visit ends with a drill, every fourth with the constant probe; a set passed is looked back at. The
 * pupil's school decides after each check. `visitStarts` are the instants (ms) visits begin, oldest first.
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
  const { operation } = start;
  const place = placeOfSet(start.id);
  const sets = place?.pathway.sets[operation] ?? [];
  const pathwayId = place?.pathway.id ?? '';
  const earlier = sets.slice(0, place?.at ?? 0);
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
    operations.flatMap((one) => factsInRange(one).map(factKey)),
    { pace: pupil.pace, ...(pupil.slip ? { slip: pupil.slip } : {}) },
  );

  const events: TableEvent[] = [];
  const decisions: DemoDecision[] = [];
  const judged: JudgedAnswer[] = [];
  const checks: (CheckResult & { setId: string })[] = [];
  const passed: { setId: string; passedDay: number; lookDays: number[] }[] = [];
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
  const play = (
    visitId: string,
    beginsAt: number,
    asked: Pick<PlayAsk, 'set' | 'purpose' | 'next'> & Partial<PlayAsk>,
  ) => {
    const found = livePlay({
      pupil,
      pupilId,
      visitId,
      beginsAt,
      day: Math.floor((beginsAt - (visitStarts[0] ?? 0)) / dayMs),
      measured,
      judgingMs,
      learner,
      random,
      seed: random.int(0, 2_000_000_000),
      ...asked,
    });
    events.push(...found.events);
    // A placement gives no more than provisional states.
    if (asked.purpose !== 'placement') judged.push(...found.judged);
    return found;
  };
  const minute = (
    visitId: string,
    beginsAt: number,
    of: FactSet,
    purpose: 'check' | 'practice',
    calm = false,
  ) => {
    const formSeed = random.int(0, 2_000_000_000);
    const form = makeCheckForm(of.practises, formLength, createRandom(formSeed));
    return play(visitId, beginsAt, {
      set: of,
      purpose,
      seed: formSeed,
      lengthMs: defaultPolicy.minuteMs,
      calm,
      next: (given) => form[given.length],
    });
  };

  const placement = (visitId: string, beginsAt: number) => {
    const plan: PlacementPlan = { sets, startAt: 0, seed: random.int(0, 2_000_000_000), timed: true };
    const { playId, judged: given } = play(visitId, beginsAt, {
      set,
      purpose: 'placement',
      seed: plan.seed,
      title: 'Placement',
      deal: { form: 'placement', operation, pathwayId, startAt: 0, continues: null, timed: true },
      next: (answers) => readPlacement(plan, answers).next?.fact,
    });
    const result = placementResult(plan, readPlacement(plan, given));
    if (!result) return;
    const { decision, toSetId } = placementDecision(
      plan,
      result,
      given.map((one) => one.id ?? ''),
    );
    decisions.push({ at: beginsAt + 400_000, about: 'placement', setId: set.id, toSetId, decision, playId });
    set = findSet(toSetId) as FactSet;
  };

  const drill = (visitId: string, beginsAt: number) =>
    play(visitId, beginsAt, drillOn(set, sets, judged, random.int(0, 2_000_000_000)));

  const game = (visitId: string, beginsAt: number) => {
    const asked = gameOn(set, pupilId, random.int(0, 2_000_000_000));
    const { playId, usedMs } = play(visitId, beginsAt, asked);
    events.push(...moveEvents({ pupilId, visitId, playId }, asked.moves, beginsAt, usedMs));
  };

  const lookBack = (visitId: string, beginsAt: number) => {
    const today = dayNumber(dayOf(new Date(beginsAt).toISOString(), timeZone));
    const due = passed.find((one) => retentionDue(one, today, defaultPolicy) !== null);
    const of = due && findSet(due.setId);
    if (!of) return false;
    due.lookDays.push(today);
    const lookSeed = random.int(0, 2_000_000_000);
    const { retentionFacts: few, retentionShort } = defaultPolicy;
    const plan: LookPlan = {
      facts: retentionFacts(of.practises, lookSeed, 2 * few),
      retentionFacts: few,
      retentionShort,
      timed: true,
    };
    const { playId, judged: given } = play(visitId, beginsAt, {
      set: of,
      purpose: 'retention',
      seed: lookSeed,
      title: `Look back at ${of.name}`,
      deal: { form: 'retention', operation, pathwayId, timed: true },
      next: (answers) => nextOfLook(plan, answers)?.fact,
    });
    const decision = judgeRetention(
      given.map((one) => ({ id: one.id ?? '', fact: one.fact, class: one.class })),
      defaultPolicy,
      of.practises.length,
    );
    decisions.push({
      at: beginsAt + 150_000,
      about: 'retention',
      setId: of.id,
      toSetId: set.id,
      decision,
      playId,
    });
    return true;
  };

  visitStarts.forEach((begins, nth) => {
    const visitId = uuid({ msecs: begins });
    events.push({
      id: uuid({ msecs: begins }),
      v: 1,
      kind: 'visitStarted',
      pupilId,
      visitId,
      at: new Date(begins).toISOString(),
    });
    const second = begins + 240_000;
    if (nth === 0 && pupil.placed) placement(visitId, begins);
    if (nth % 2 === 0) {
      // Oskar's table was turned calm once; nothing hangs on that check.
      const calm = pupil.name === 'Oskar' && nth === 8;
      const { check } = minute(
        visitId,
        nth === 0 && pupil.placed ? begins + 420_000 : begins,
        set,
        'check',
        calm,
      );
      if (check) {
        checks.push({ ...check, setId: set.id });
        const decision = judge();
        const next = placeOfSet(set.id)?.next;
        // The latest word is left for the tutor to take.
        if (decision.verdict === 'advance' && next && nth < visitStarts.length - 3) {
          const at = begins + 200_000;
          decisions.push({ at, about: 'set', setId: set.id, toSetId: next.id, decision, playId: null });
          passed.push({
            setId: set.id,
            passedDay: dayNumber(dayOf(new Date(at).toISOString(), timeZone)),
            lookDays: [],
          });
          set = next;
        }
      }
    } else if (!lookBack(visitId, begins)) minute(visitId, begins, set, 'practice');
    if (nth === 0) return;
    if (nth % 4 === 3) drill(visitId, second);
    else if (nth % 4 === 2) {
      const form = makeProbeForm(gradeOf(pupil), operation, formLength);
      play(visitId, second, {
        set,
        purpose: 'probe',
        lengthMs: defaultPolicy.minuteMs,
        next: (given) => form[given.length],
      });
    } else if (pupil.plays && nth >= visitStarts.length - 4) game(visitId, second);
    else {
      // Practice goes over what came before.
      const back = earlier.length > 0 ? (earlier[wentBack++ % earlier.length] as FactSet) : set;
      minute(visitId, second, back, 'practice');
    }
    verdict = judge().verdict;
  });
  return { setId: set.id, events, decisions, verdict };
}
