import { decide, judgeByRule } from '../advance/decide.ts';
import { isMinuteOffered, lookedBack } from '../advance/decision.ts';
import { isUntimed } from '../advance/policy.ts';
import type { FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import { createRandom, mixSeed } from '../random/random.ts';
import { ceilingInForce, ownCeiling, ownCeilingOf, type Ceiling } from '../recall/ceiling.ts';
import { isRecalled, latestOfEach } from '../recall/factState.ts';
import { factStateOf } from '../recall/timedState.ts';
import { newCalls, noteCalls, type Calls } from './calls.ts';
import { yardstick } from './figures.ts';
import { makeLearner, notInstantShare } from './profiles.ts';
import type { SchoolSetting } from './schoolSetting.ts';
import { drill, instant, minute, type Interval, type LearnerRecord, type Visit } from './simulateVisit.ts';

/** The days of the week on which visits fall. */
export const visitWeekdays = [0, 3] as const;
/** Answers on other facts that show how the child's own times lie, the latest. */
const latestOthers = 240;
/** A learner not moved on by then counts as never. */
export const mostVisits = 60;

export interface SchoolRun {
  /** Visits until the school moved the learner on; null: never within `mostVisits`. */
  readonly visits: number | null;
  readonly prompts: number;
  /** A fifth or more of the set not truly recalled when it was moved on. */
  readonly wrongAdvance: boolean;
  /** Visits at whose end the set was truly recalled, and those of them at which the school held. */
  readonly readyVisits: number;
  readonly heldVisits: number;
  /** Visits from the first at whose end the rule's facts held to the one that moved on; null: they never held. */
  readonly furtherVisits: number | null;
  /** Facts not recalled at the start. */
  readonly shortAtStart: number;
  /** What was said of chances at the end of each visit, where that was asked. */
  readonly calls?: Calls;
}

/**
 * One learner on one set under one school, two visits a week, some forty answers a visit of which the first of a week holds the
 * minute check; the drill withdraws and returns, with known facts from the sets before. Ends when the school says advance:
 * the tutor accepts. `at`: the set's place; the learner knows the sets before it, by profile.
 */
export function simulateSchool(
  setting: SchoolSetting,
  sets: readonly FactSet[],
  at: number,
  seed: number,
): SchoolRun {
  // Seeds count up, and draws of neighbours are alike unless they are mixed.
  const random = createRandom(mixSeed(seed));
  const set = sets[at] as FactSet;
  const world = setting.world ?? yardstick;
  const learner = makeLearner(setting.profile, sets, at, random, world);
  const facts = [...new Set(set.practises)];
  const earlier = [...new Set(sets.slice(0, at).flatMap((one) => one.practises))].filter(
    (one) => !facts.includes(one),
  );
  const truth = (fact: FactKey) => learner.held.get(fact)?.knowledge === 'recalled';
  const record: LearnerRecord = {
    watching: false,
    answers: new Map(),
    intervals: [],
    beyondMs: [],
    judged: [],
    checks: [],
    prompts: 0,
  };
  const shortAtStart = facts.filter((fact) => !truth(fact)).length;
  let readyVisits = 0;
  let heldVisits = 0;
  const calls = setting.calls ? newCalls() : undefined;
  let firstOffered: number | undefined;
  for (let visit = 0; visit < mostVisits; visit += 1) {
    const day = Math.floor(visit / 2) * 7 + (visitWeekdays[visit % 2] as number);
    const here: Visit = { setting, world, learner, random, day, visit, record };
    const used = visit % 2 === 0 && !isUntimed(setting.school) ? minute(here, facts, earlier) : 0;
    drill(here, facts, earlier, Math.max(0, world.answersAVisit - used));
    const asked = () =>
      (calls ? decide : judgeByRule)({
        school: setting.school,
        policy: setting.policy,
        set,
        answers: record.judged,
        others: latestOfEach(
          record.judged.filter((one) => !set.practises.includes(one.fact)),
          lookedBack,
        ).slice(-latestOthers),
        checks: record.checks,
        ceiling: ceilingNow(setting, record, day),
        timeZone: 'UTC',
        grade: 3,
      });
    let decision = asked();
    if (calls) noteCalls(calls, record.judged, decision, facts, truth);
    if (decision.strays.length > 0 || decision.offer?.kind === 'minute') firstOffered ??= visit;
    record.watching = decision.offer?.kind === 'watch';
    // The tutor takes what is offered at once.
    if (isMinuteOffered(decision.offer, instant(day, 0).slice(0, 10))) {
      minute(here, facts, earlier);
      decision = asked();
    }
    const { verdict } = decision;
    const short = facts.filter((fact) => !truth(fact)).length;
    const ready = short <= Math.min(2, Math.floor(0.15 * facts.length));
    if (ready) {
      readyVisits += 1;
      if (verdict !== 'advance') heldVisits += 1;
    }
    if (verdict === 'advance')
      return {
        visits: visit + 1,
        prompts: record.prompts,
        wrongAdvance: short >= notInstantShare * facts.length,
        readyVisits,
        heldVisits,
        shortAtStart,
        ...(calls ? { calls } : {}),
        furtherVisits: firstOffered === undefined ? 0 : visit - firstOffered,
      };
  }
  return {
    visits: null,
    prompts: record.prompts,
    wrongAdvance: false,
    readyVisits,
    heldVisits,
    shortAtStart,
    ...(calls ? { calls } : {}),
    furtherVisits: firstOffered === undefined ? null : mostVisits - firstOffered,
  };
}

/** From the child's own answers on facts now recalled or kept where there are enough, else from naming. */
function ceilingNow(setting: SchoolSetting, record: LearnerRecord, day: number): Ceiling | null {
  const naming: Ceiling | null =
    setting.ceiling == null ? null : { perMinute: setting.ceiling, from: 'naming', answers: 12 };
  const known = new Map<FactKey, boolean>();
  const isKnown = (fact: FactKey): boolean => {
    const found = known.get(fact) ?? isRecalled(factStateOf(record.answers.get(fact) ?? [], 'UTC'));
    known.set(fact, found);
    return found;
  };
  const own: number[] = [];
  for (let at = record.intervals.length - 1; at >= 0 && own.length < ownCeiling.latest; at -= 1) {
    const one = record.intervals[at] as Interval;
    if (day - one.day > ownCeiling.days) break;
    if (isKnown(one.fact)) own.push(one.ms);
  }
  return ceilingInForce(ownCeilingOf(own), naming);
}
