import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';
import { foldsByFact, inOrder, isAided, isWorkingSeen, type ClassedAnswer } from './factState.ts';
import { median } from './quantile.ts';
import { senSlope, type SenSlope } from './senSlope.ts';

/** An answer as this reads it: its class and its corrected time, ms. */
export interface TimedClassed extends ClassedAnswer {
  readonly correctedMs?: number | null;
  /** The recall limit it was judged by, ms. */
  readonly limitMs?: number;
}

/** That a child is probably counting or deriving what passes for recall. */
export interface CountingSign {
  /** How times rise with the smaller number, ms a unit; null where they do not. */
  readonly rise: SenSlope | null;
  /** How many facts have a middle time near the limit; null where too few have. */
  readonly near: number | null;
  /** Answers on which somebody saw working, and how many were looked at. */
  readonly seen: number;
  readonly answers: number;
  /** Facts on which looking would tell most, and nobody has looked yet: at most three. */
  readonly watch: readonly FactKey[];
}

/**
 * Timed answers needed and looked back over; how much longer, ms, each unit of the smaller number takes at least; answers on which
 * working is seen that are a sign by themselves; the share of the limit beyond which a fact's middle time is near, and the times that
 * need; how many facts settle it on which nobody saw counting.
 */
export const countingRules = {
  needs: 20,
  looksBack: 40,
  msPerUnit: 120,
  seen: 3,
  nearShare: 0.7,
  nearNeeds: 3,
  settledBy: 3,
} as const;

/**
 * Whether what passes for recall on a set is probably counted or derived: times of the latest right answers rise with the size of
 * the smaller number (Sen's slope at least 0.12 s a unit, its interval above 0), three facts or more have times near the limit, or
 * working was seen on three answers. Null where none is so, where there are too few answers, or where the tutor has looked: "no
 * counting seen" on the three facts that tell most, since anybody last saw working. `looks`: by fact, where it is known already.
 */
export function countingSign(
  answers: readonly TimedClassed[],
  looks: Iterable<readonly [FactKey, CountingLook]> = looksOf(answers),
): CountingSign | null {
  const own = inOrder(answers).filter((one) => !isAided(one));
  const lately = own
    .filter((one) => one.class !== 'missed' && one.class !== 'right' && typeof one.correctedMs === 'number')
    .slice(-countingRules.looksBack);
  if (lately.length < countingRules.needs) return null;
  const cleared = clearedOf([...looks]);
  const found = senSlope(
    lately.map((one) => ({ x: smallerNumber(parseFactKey(one.fact)), y: one.correctedMs as number })),
  );
  const rise = found && found.slope >= countingRules.msPerUnit && found.low > 0 ? found : null;
  const seen = lately.filter(isWorkingSeen).length;
  const slow = slowFacts(own);
  const near = slow.length >= countingRules.settledBy ? slow.length : null;
  if (!rise && near === null && seen < countingRules.seen) return null;
  // Where times rise those with the largest smaller number tell most, else those that take longest.
  const telling = (rise ? bySmallerNumber(lately) : byTime(lately, slow)).slice(0, countingRules.settledBy);
  const watch = telling.filter((fact) => !cleared.has(fact));
  return watch.length === 0 ? null : { rise, near, seen, answers: lately.length, watch };
}

/** When somebody last looked at a fact and saw no counting, and last saw working, ms since 1970; null: never. */
export interface CountingLook {
  readonly noCountingAt: number | null;
  readonly workedAt: number | null;
}

function looksOf(answers: readonly TimedClassed[]): Map<FactKey, CountingLook> {
  return foldsByFact(
    answers.filter((one) => !isAided(one)),
    () => ({ noCountingAt: null as number | null, workedAt: null as number | null }),
    (look, one) => {
      if (one.seen.includes('noCounting')) look.noCountingAt = Date.parse(one.at);
      if (isWorkingSeen(one)) look.workedAt = Date.parse(one.at);
    },
  );
}

/** Facts on which no counting was seen since working was last seen on any. */
function clearedOf(looks: readonly (readonly [FactKey, CountingLook])[]): Set<FactKey> {
  const worked = Math.max(-Infinity, ...looks.map(([, look]) => look.workedAt ?? -Infinity));
  return new Set(looks.flatMap(([fact, look]) => ((look.noCountingAt ?? -Infinity) > worked ? [fact] : [])));
}

const bySmallerNumber = (list: readonly TimedClassed[]): FactKey[] =>
  ranked(
    [...new Set(list.map((one) => one.fact))].map(
      (fact) => [fact, smallerNumber(parseFactKey(fact))] as const,
    ),
  );

const byTime = (list: readonly TimedClassed[], slow: readonly (readonly [FactKey, number])[]): FactKey[] =>
  ranked(slow.length > 0 ? slow : sharesOf(list, 1));

const ranked = (list: readonly (readonly [fact: FactKey, weight: number])[]): FactKey[] =>
  [...list].sort(([one, a], [other, b]) => b - a || (one < other ? -1 : 1)).map(([fact]) => fact);

/** Facts whose middle time lies near the limit, with that time as a share of it. */
const slowFacts = (list: readonly TimedClassed[]) =>
  sharesOf(list, countingRules.nearNeeds).filter(([, share]) => share > countingRules.nearShare);

/** The middle of the latest five times of each fact as a share of the limit, where there are so many. */
function sharesOf(list: readonly TimedClassed[], least: number): (readonly [FactKey, number])[] {
  const byFact = new Map<FactKey, number[]>();
  for (const one of list) {
    if (one.class === 'missed' || one.class === 'right' || typeof one.correctedMs !== 'number') continue;
    const times = byFact.get(one.fact);
    const share = one.correctedMs / (one.limitMs ?? Infinity);
    if (times) times.push(share);
    else byFact.set(one.fact, [share]);
  }
  return [...byFact]
    .filter(([, times]) => times.length >= least)
    .map(([fact, times]) => [fact, median(times.slice(-5))] as const);
}

/** What one who counts would count: the smaller number put to, taken away or left, or the smaller number of groups. */
export function smallerNumber(fact: Fact): number {
  switch (fact.operation) {
    case 'add':
    case 'mul':
      return Math.min(fact.left, fact.right);
    case 'sub':
    case 'div':
      return Math.min(fact.right, answerOf(fact));
  }
}
