import type { CheckResult, JudgedAnswer } from '../advance/decision.ts';
import { isUntimed } from '../advance/policy.ts';
import { answerOf, parseFactKey, type FactKey } from '../facts/fact.ts';
import { makeCheckForm } from '../practice/checkForm.ts';
import { beginDrill, dealAfter } from '../practice/dealDrill.ts';
import { defaultDrillRules, plainDrill, type DrillFact } from '../practice/drill.ts';
import { makeMixedForm } from '../practice/probeForm.ts';
import { createRandom, seedFrom, type RandomSource } from '../random/random.ts';
import { digitsCorrect } from '../recall/digits.ts';
import { isKnown, type ClassedAnswer } from '../recall/factState.ts';
import type { Mark } from '../recall/mark.ts';
import { overheadShortByMs, overheadWatched, quickestTenth } from '../recall/overheadWatch.ts';
import { factStateOf } from '../recall/timedState.ts';
import { untimedStateOf } from '../recall/untimedState.ts';
import type { World } from './figures.ts';
import type { Learner } from './learner.ts';
import { measure, type LearnerMeasuring } from './measureLearner.ts';
import type { SchoolSetting } from './schoolSetting.ts';

/** From one prompt to the next, where the answer was right. */
export interface Interval {
  readonly fact: FactKey;
  readonly day: number;
  readonly ms: number;
}

/** What is on record of a learner. */
export interface LearnerRecord {
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

/** Where a visit takes place: whose, on which day, with what on record. */
export interface Visit {
  readonly setting: SchoolSetting;
  readonly world: World;
  readonly learner: Learner;
  readonly random: RandomSource;
  readonly day: number;
  readonly visit: number;
  readonly record: LearnerRecord;
}

function put({ setting, world, learner, random, day, visit, record }: Visit, fact: FactKey) {
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
/** The instant of a prompt of a day: a second each. */
export function instant(day: number, prompt: number): string {
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
export function minute(here: Visit, facts: readonly FactKey[], earlier: readonly FactKey[]): number {
  const { setting, world, random, record, day } = here;
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
    const { answer } = put(here, fact);
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

export function drill(
  here: Visit,
  facts: readonly FactKey[],
  earlier: readonly FactKey[],
  most: number,
): void {
  const { setting, record, random } = here;
  const untimed = isUntimed(setting.school);
  const stateOf = untimed ? untimedStateOf : factStateOf;
  const pool = (fact: FactKey, ofSet: boolean): DrillFact => {
    const list = record.answers.get(fact) ?? [];
    const state = stateOf(list, 'UTC');
    return {
      fact,
      known: ofSet ? isKnown(state) : state === 'untried' || isKnown(state) || state === 'nearly',
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
    const { judged } = put(here, reading.next.fact);
    reading = dealAfter(plan, reading, { fact: judged.fact, class: judged.class }, !untimed);
  }
}
