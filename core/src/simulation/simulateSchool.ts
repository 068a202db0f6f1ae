import { decide, judgeByRule } from '../advance/decide.ts';
import { isMinuteOffered, lookedBack, type CheckResult, type JudgedAnswer } from '../advance/decision.ts';
import { isUntimed, type Policy, type School } from '../advance/policy.ts';
import { answerOf, parseFactKey, type FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import { makeCheckForm } from '../practice/checkForm.ts';
import { beginDrill, dealAfter } from '../practice/dealDrill.ts';
import { defaultDrillRules, plainDrill, type DrillFact } from '../practice/drill.ts';
import { makeMixedForm } from '../practice/probeForm.ts';
import { createRandom, mixSeed, seedFrom, type RandomSource } from '../random/random.ts';
import { ceilingInForce, ownCeiling, ownCeilingOf, type Ceiling } from '../recall/ceiling.ts';
import { digitsCorrect } from '../recall/digits.ts';
import { isRecalled, latestOfEach, type ClassedAnswer } from '../recall/factState.ts';
import { factStateOf } from '../recall/timedState.ts';
import { untimedStateOf } from '../recall/untimedState.ts';
import type { Mark } from '../recall/mark.ts';
import { overheadShortByMs, overheadWatched, quickestTenth } from '../recall/overheadWatch.ts';
import { newCalls, noteCalls, type Calls } from './calls.ts';
import { yardstick, type World } from './figures.ts';
import type { Learner } from './learner.ts';
import { measure, type LearnerMeasuring } from './measureLearner.ts';
import { makeLearner, notInstantShare, type Profile } from './profiles.ts';

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

export interface SchoolSetting {
  readonly school: School;
  readonly policy: Policy;
  readonly profile: Profile;
  /** Whether the tutor marks fingers and counting, as seen in so many of a hundred answers so reached. */
  readonly seen?: number;
  /** In so many of a hundred answers the tutor looks and marks what is seen, once the school has asked to watch. */
  readonly watched?: number;
  readonly limitMs?: number;
  /** Naming prompts a minute; null: not measured. */
  readonly ceiling?: number | null;
  readonly world?: World;
  /** Compares the chances that are said with what is so. */
  readonly calls?: boolean;
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
  const record: Record = {
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
    const table: Table = { setting, world, learner, random, day, visit, record };
    const used = visit % 2 === 0 && !isUntimed(setting.school) ? minute(table, facts, earlier) : 0;
    drill(table, facts, earlier, Math.max(0, world.answersAVisit - used));
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
      minute(table, facts, earlier);
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
function ceilingNow(setting: SchoolSetting, record: Record, day: number): Ceiling | null {
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

/** From one prompt to the next, where the answer was right. */
interface Interval {
  readonly fact: FactKey;
  readonly day: number;
  readonly ms: number;
}

interface Record {
  /** The school has asked to watch for counting. */
  watching: boolean;
  readonly intervals: Interval[];
  /** Raw times of right answers less the overhead as it was measured, ms. */
  readonly beyondMs: number[];
  readonly answers: Map<FactKey, ClassedAnswer[]>;
  readonly judged: JudgedAnswer[];
  readonly checks: CheckResult[];
  prompts: number;
}

interface Table {
  readonly setting: SchoolSetting;
  readonly world: World;
  readonly learner: Learner;
  readonly random: RandomSource;
  readonly day: number;
  readonly visit: number;
  readonly record: Record;
}

function put({ setting, world, learner, random, day, visit, record }: Table, fact: FactKey) {
  const untimed = isUntimed(setting.school);
  const how: LearnerMeasuring = {
    limitMs: setting.limitMs ?? 2000,
    world,
    visit,
    see: (answer) => seenOf(setting, answer.truth, fact, random, record.watching),
  };
  const measuredMs = world.trueOverheadMs + world.overheadOffMs;
  const quickest = quickestTenth(record.beyondMs.slice(-overheadWatched.answers));
  const answer = measure(learner, fact, day, random, {
    ...how,
    overheadMs: measuredMs - overheadShortByMs(quickest, [], world.spreadMs),
  });
  if (answer.right) record.beyondMs.push(answer.rawMs - measuredMs);
  const at = instant(day, record.prompts);
  // Without a clock a right answer is right; only what the tutor marks tells more.
  const name =
    untimed && answer.right && answer.measured.class !== 'missed'
      ? untimedClass(answer.seen)
      : answer.measured.class;
  const judged: JudgedAnswer = {
    fact,
    at,
    class: name,
    seen: answer.seen,
    correctedMs: answer.measured.correctedMs,
    limitMs: how.limitMs,
  };
  record.prompts += 1;
  if (answer.right) record.intervals.push({ fact, day, ms: answer.latencyMs + world.betweenPromptsMs });
  record.judged.push(judged);
  const list = record.answers.get(fact);
  if (list) list.push(judged);
  else record.answers.set(fact, [judged]);
  return { answer, judged };
}

const untimedClass = (seen: readonly Mark[]) =>
  seen.some((one) => one !== 'explained' && one !== 'noCounting') ? 'workedOut' : 'right';

const startMs = Date.UTC(2026, 0, 5, 9);
function instant(day: number, prompt: number): string {
  return new Date(startMs + day * 86_400_000 + (prompt % 1000) * 1000).toISOString();
}

/** What the tutor marks: counting in so many of a hundred; "no counting" once it is seen; how it was found, when asked. */
function seenOf(
  setting: SchoolSetting,
  truth: string,
  fact: FactKey,
  random: RandomSource,
  watching: boolean,
): Mark[] {
  if (watching && random.unit() * 100 < (setting.watched ?? 0))
    return truth === 'recalled' ? ['noCounting'] : truth === 'workedOut' ? ['fingers'] : [];
  const counted = truth === 'workedOut' && random.unit() * 100 < (setting.seen ?? 0);
  if (isUntimed(setting.school)) {
    if (random.unit() < 0.3 && truth !== 'notKnown')
      return truth === 'workedOut'
        ? ['explained', random.unit() < 0.5 ? 'fromTen' : 'countingOn']
        : ['explained'];
    return counted ? ['countingOn'] : [];
  }
  if (counted) return ['fingers'];
  const { operation, left, right } = parseFactKey(fact);
  const quick = (operation === 'add' && Math.min(left, right) <= 2) || (operation === 'sub' && right <= 2);
  return quick && truth === 'recalled' ? ['noCounting'] : [];
}

/** A minute check, mixed where the school wants it so. Gives the number of answers. */
function minute(table: Table, facts: readonly FactKey[], earlier: readonly FactKey[]): number {
  const { setting, world, random, record, day } = table;
  const mixed = setting.school === 'publishedRate' && earlier.length > 1;
  const seed = seedFrom(random);
  const form = mixed
    ? makeMixedForm(facts, earlier, 200, seed)
    : makeCheckForm(facts, 200, createRandom(seed));
  let usedMs = 0;
  let right = 0;
  let wrong = 0;
  let digits = 0;
  for (const fact of form) {
    const { answer } = put(table, fact);
    usedMs += answer.latencyMs + world.betweenPromptsMs;
    if (usedMs > setting.policy.minuteMs) break;
    if (answer.right) right += 1;
    else wrong += 1;
    digits += digitsCorrect(String(answer.given), String(answerOf(parseFactKey(fact)))).correct;
  }
  record.checks.push({
    at: instant(day, record.prompts),
    right,
    wrong,
    usedMs: setting.policy.minuteMs,
    digitsPerMinute: (digits * 60_000) / setting.policy.minuteMs,
    mixed: setting.school === 'publishedRate',
  });
  return right + wrong;
}

function drill(table: Table, facts: readonly FactKey[], earlier: readonly FactKey[], most: number): void {
  const { setting, record, random } = table;
  const untimed = isUntimed(setting.school);
  const stateOf = untimed ? untimedStateOf : factStateOf;
  const pool = (fact: FactKey, ofSet: boolean): DrillFact => {
    const list = record.answers.get(fact) ?? [];
    const state = stateOf(list, 'UTC');
    return {
      fact,
      known: ofSet
        ? isRecalled(state) || state === 'secure'
        : state === 'untried' || isRecalled(state) || state === 'secure' || state === 'nearly',
      ofSet,
      evidence: list.filter((one) => one.class !== 'noEvidence' && (untimed || one.class !== 'right')).length,
      due: false,
    };
  };
  const plan = plainDrill({
    facts: [...facts.map((one) => pool(one, true)), ...earlier.slice(-24).map((one) => pool(one, false))],
    rules: {
      ...defaultDrillRules,
      newErrors: setting.policy.newErrors,
      knownPerNew: setting.policy.knownPerNew,
    },
    most,
    seed: seedFrom(random),
  });
  let reading = beginDrill(plan);
  while (reading.next) {
    const { judged } = put(table, reading.next.fact);
    reading = dealAfter(plan, reading, { fact: judged.fact, class: judged.class }, !untimed);
  }
}
