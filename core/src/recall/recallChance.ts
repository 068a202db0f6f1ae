import { leastCorrectedMs } from './answerClass.ts';
import { dayNumber, dayOf } from './day.ts';
import { inOrder, isAided, isWorkingSeen, type ClassedAnswer } from './factState.ts';
import { doubtMarks } from './mark.ts';
import { median } from './quantile.ts';

/** An answer as the chance of recall takes it; `correctedMs`: null or left out where there is no usable time. */
export interface ChanceAnswer extends ClassedAnswer {
  readonly correctedMs?: number | null;
  /** The recall limit it was judged by, ms: half of it is what recall is taken to take, before any answer. */
  readonly limitMs?: number;
}

/** How a child's times lie: the logarithm of the time in ms is normal around `mean` with `sd`, of facts recalled and worked out. */
export interface ChildTimes {
  readonly recalled: LogTimes;
  readonly workedOut: LogTimes;
  /** Of facts not known that were answered right all the same. */
  readonly notKnown: LogTimes;
}
interface LogTimes {
  readonly mean: number;
  readonly sd: number;
}

/** What is taken of a child and a fact before any answer, and how knowledge moves. Chosen on simulated children of fourteen
 * shapes, so that calls of 80 to 90 in 100 hold on all of them; docs/judgement.md shows it on others. */
export const recallModel = {
  /** Medians and spreads of the logarithm of a child's times, and how many answers they weigh as. */
  times: {
    recalled: { medianMs: 1000, sd: 0.38, meanWeighs: 3, sdWeighs: 3 },
    workedOut: { medianMs: 3300, sd: 0.57, meanWeighs: 3, sdWeighs: 3 },
    /** Of facts not known that are answered right all the same; only the child's pace moves it. */
    notKnown: { medianMs: 6000, sd: 0.6 },
    /** The largest share of right answers that may be to facts not known. */
    mostNotKnown: 0.05,
    /** A fact worked out takes at least so many times as long as one recalled. */
    leastRatio: 1.8,
    /** The recall limit that these go with: half of it for what is recalled, whose middle never lies beyond it. */
    limitMs: 2000,
    /** How many times as long as taken a child may take for everything: where the fit is begun; and the spread of its logarithm. */
    paces: [0.4, 0.55, 0.75, 1, 1.3, 1.7],
    paceSd: 0.3,
  },
  /** Chances of a wrong answer. */
  wrong: { recalled: 0.06, workedOut: 0.1, notKnown: 0.6 },
  /** Chances of learning at one meeting, and of forgetting on one unseen day, halved by each day on which it was recalled. */
  learning: { toWorkedOut: 0.2, toRecalled: 0.06, forgetPerDay: 0.01 },
  /** Some times say nothing, whatever is known: a child looks up, or asks again. Their share, and the density of any such time. */
  stray: { share: 0.02, density: 0.2 },
  /** What a fact is taken to be before any answer. */
  untold: { notKnown: 0.3, workedOut: 0.4, recalled: 0.3 },
  /** The chance that a tutor who looks marks what is not so. */
  misseen: 0.03,
} as const;
const { wrong, learning, stray, misseen } = recallModel;
/** The chance of recall of a fact that no answer tells anything of. */
export const untoldChance: number = recallModel.untold.recalled;
/** A fit is left at the latest then, or once it hardly gets likelier. */
const mostRounds = 20;
const settled = 1e-3;

interface Belief {
  readonly notKnown: number;
  readonly workedOut: number;
  readonly recalled: number;
}

/**
 * How the child's own times lie, from all answers at hand: two lognormals, recalled and worked out, fitted by expectation and
 * maximisation (Dempster, Laird and Rubin, 1977) with what is taken of any child counted as a few answers more. A child may be slower
 * or quicker in both: the fit is begun at several paces, and the likeliest end is taken. The recall limit, which is twice the child's time on facts that need no thought or was set
 * for the child, says where that pace lies before any answer.
 */
export function childTimes(answers: readonly ChanceAnswer[]): ChildTimes {
  const bins = binned(answers);
  const { paces, limitMs } = recallModel.times;
  const limits = answers.flatMap((one) => one.limitMs ?? []);
  const limit = limits.length === 0 ? limitMs : median(limits);
  const fits = paces.map((pace) => fitFrom(Math.log(pace), Math.log(limit / limitMs), bins));
  return fits.reduce((best, one) => (one.likely > best.likely ? one : best));
}

/** How many times lie in each step of their logarithm: all, and of them those seen to be worked out. */
interface Bins {
  readonly logs: readonly number[];
  readonly free: readonly number[];
  readonly worked: readonly number[];
}

const binWidth = 0.04;

function binned(answers: readonly ChanceAnswer[]): Bins {
  const free = new Map<number, number>();
  const worked = new Map<number, number>();
  for (const one of answers) {
    if (!isTimed(one)) continue;
    const at = Math.round(Math.log(one.correctedMs) / binWidth);
    const counts = isWorkingSeen(one) ? worked : free;
    counts.set(at, (counts.get(at) ?? 0) + 1);
  }
  const all = [...new Set([...free.keys(), ...worked.keys()])];
  return {
    logs: all.map((at) => at * binWidth),
    free: all.map((at) => free.get(at) ?? 0),
    worked: all.map((at) => worked.get(at) ?? 0),
  };
}

/** Weighted sums of a kind's times: how many, their logarithms, and the squares of these. */
interface Moments {
  count: number;
  sum: number;
  squares: number;
}

/** The fit begun at a pace beside the one the limit tells (logarithms), with how likely it is beside others: a logarithm, but for what all have in common. */
function fitFrom(
  beside: number,
  told: number,
  { logs, free, worked }: Bins,
): ChildTimes & { readonly likely: number } {
  const { times } = recallModel;
  const pace = told + beside;
  const around = { recalled: taken(times.recalled, pace), workedOut: taken(times.workedOut, pace) };
  const notKnown = taken(times.notKnown, pace);
  let { recalled, workedOut }: Pick<ChildTimes, 'recalled' | 'workedOut'> = around;
  let shares = { recalled: 0.45, workedOut: 0.45, notKnown: 0.1 };
  let likely = -Infinity;
  for (let round = 0; round < mostRounds; round += 1) {
    const quick: Moments = { count: 0, sum: 0, squares: 0 };
    const slow: Moments = { count: 0, sum: 0, squares: 0 };
    let [all, byTimes, workedFree] = [0, 0, 0];
    for (let at = 0; at < logs.length; at += 1) {
      const log = logs[at] as number;
      const of = free[at] as number;
      const dense = density(log, workedOut);
      const r = shares.recalled * density(log, recalled);
      const w = shares.workedOut * dense;
      const sum = r + w + shares.notKnown * density(log, notKnown) + stray.share * stray.density;
      const seen = worked[at] as number;
      all += of;
      workedFree += (of * w) / sum;
      put(quick, log, (of * r) / sum);
      put(slow, log, seen + (of * w) / sum);
      byTimes += of * Math.log(sum) + (seen === 0 ? 0 : seen * Math.log(dense + Number.MIN_VALUE));
    }
    const before = likely;
    likely =
      byTimes +
      penalty(recalled, around.recalled, times.recalled) +
      penalty(workedOut, around.workedOut, times.workedOut) -
      0.5 * (beside / times.paceSd) ** 2;
    if (Math.abs(likely - before) < settled) break;
    recalled = fitted(quick, around.recalled, times.recalled);
    recalled = { ...recalled, mean: Math.min(recalled.mean, Math.log(times.limitMs) + told) };
    workedOut = fitted(slow, around.workedOut, times.workedOut);
    const unknown = Math.min(times.mostNotKnown, Math.max(0, all - quick.count - workedFree + 1) / (all + 5));
    const others = (1 - unknown) / (quick.count + workedFree + 4);
    shares = {
      recalled: (quick.count + 2) * others,
      workedOut: (workedFree + 2) * others,
      notKnown: unknown,
    };
    const least = recalled.mean + Math.log(times.leastRatio);
    if (workedOut.mean < least) workedOut = { ...workedOut, mean: least };
  }
  return { recalled, workedOut, notKnown, likely };
}

function put(moments: Moments, log: number, weight: number): void {
  moments.count += weight;
  moments.sum += weight * log;
  moments.squares += weight * log * log;
}

type Taken = (typeof recallModel.times)['recalled' | 'workedOut'];

const taken = (
  { medianMs, sd }: { readonly medianMs: number; readonly sd: number },
  pace: number,
): LogTimes => ({ mean: Math.log(medianMs) + pace, sd });

function fitted(
  { count, sum, squares }: Moments,
  around: LogTimes,
  { meanWeighs, sdWeighs }: Taken,
): LogTimes {
  const mean = (sum + meanWeighs * around.mean) / (count + meanWeighs);
  const spread = Math.max(0, squares - 2 * mean * sum + mean * mean * count);
  return { mean, sd: Math.sqrt((spread + sdWeighs * around.sd * around.sd) / (count + sdWeighs)) };
}

/** How much less likely a fit is for lying away from what is taken, as so many answers there would make it: a logarithm. */
function penalty({ mean, sd }: LogTimes, around: LogTimes, { meanWeighs, sdWeighs }: Taken): number {
  return (
    -(meanWeighs * (mean - around.mean) ** 2) / (2 * sd * sd) -
    sdWeighs * (Math.log(sd / around.sd) + (around.sd * around.sd) / (2 * sd * sd) - 0.5)
  );
}

const rootOfTwoPi = Math.sqrt(2 * Math.PI);
const density = (log: number, { mean, sd }: LogTimes) => {
  const off = (log - mean) / sd;
  return Math.exp(-0.5 * off * off) / (sd * rootOfTwoPi);
};

function isTimed(one: ChanceAnswer): one is ChanceAnswer & { readonly correctedMs: number } {
  return (
    typeof one.correctedMs === 'number' &&
    one.correctedMs >= leastCorrectedMs &&
    one.class !== 'missed' &&
    !isAided(one) &&
    !one.seen.some((mark) => doubtMarks.has(mark))
  );
}

/**
 * The chance that a fact is recalled, from its answers: Bayes' rule, answer by answer, over what the child may know of it (not known,
 * worked out, recalled), with the child's own times, learning at each meeting and forgetting between them. The figures of learning
 * are those of simulated children; docs/judgement.md says how often such calls are right on others. `today`: a day number, or null
 * for the day of the last answer. Null without an answer that tells anything.
 */
export function recallChance(
  answers: readonly ChanceAnswer[],
  times: ChildTimes,
  timeZone: string,
  today: number | null = null,
): number | null {
  let belief: Belief = recallModel.untold;
  let lastDay: number | null = null;
  let recalledDays = 0;
  let told = false;
  for (const one of inOrder(answers)) {
    const day = dayNumber(dayOf(one.at, timeZone));
    if (lastDay !== null) belief = forgotten(belief, Math.max(0, day - lastDay - 1), recalledDays);
    const likely = likelihood(one, times);
    if (likely) {
      belief = normalised({
        notKnown: belief.notKnown * likely.notKnown,
        workedOut: belief.workedOut * likely.workedOut,
        recalled: belief.recalled * likely.recalled,
      });
      told = true;
    }
    if (day !== lastDay && belief.recalled > 0.5) recalledDays += 1;
    lastDay = day;
    belief = learnt(belief);
  }
  if (!told || lastDay === null) return null;
  return forgotten(belief, Math.max(0, (today ?? lastDay) - lastDay - 1), recalledDays).recalled;
}

function likelihood(one: ChanceAnswer, times: ChildTimes): Belief | null {
  if (isAided(one) || one.seen.some((mark) => doubtMarks.has(mark))) return null;
  if (one.class === 'missed') return wrong;
  const of = (log: number | null, own: LogTimes, isWrong: number) =>
    (1 - isWrong) * (log === null ? 1 : (1 - stray.share) * density(log, own) + stray.share * stray.density);
  const working = isWorkingSeen(one);
  // What the tutor saw outranks the clock.
  const log = isTimed(one) && !working ? Math.log(one.correctedMs) : null;
  const looked = working || one.seen.includes('noCounting');
  return {
    notKnown: of(log, times.notKnown, wrong.notKnown) * (looked && !working ? misseen : 1),
    workedOut: of(log, times.workedOut, wrong.workedOut) * (looked && !working ? misseen : 1),
    recalled: of(log, times.recalled, wrong.recalled) * (working ? misseen : 1),
  };
}

function learnt({ notKnown, workedOut, recalled }: Belief): Belief {
  const up = notKnown * learning.toWorkedOut;
  const over = workedOut * learning.toRecalled;
  return { notKnown: notKnown - up, workedOut: workedOut + up - over, recalled: recalled + over };
}

function forgotten(belief: Belief, unseenDays: number, recalledDays: number): Belief {
  const kept = (1 - learning.forgetPerDay / 2 ** recalledDays) ** unseenDays;
  const lost = belief.recalled * (1 - kept);
  return { ...belief, recalled: belief.recalled - lost, workedOut: belief.workedOut + lost };
}

function normalised({ notKnown, workedOut, recalled }: Belief): Belief {
  const sum = notKnown + workedOut + recalled;
  return { notKnown: notKnown / sum, workedOut: workedOut / sum, recalled: recalled / sum };
}

/**
 * The chance that at least `least` of some facts are recalled, given the chance of each, as if they were independent of one another:
 * the distribution of their number worked out one by one (Poisson's binomial).
 */
export function chanceOfAtLeast(least: number, chances: readonly number[]): number {
  let count = [1];
  for (const chance of chances) {
    const next = new Array<number>(count.length + 1).fill(0);
    count.forEach((p, at) => {
      next[at] = (next[at] as number) + p * (1 - chance);
      next[at + 1] = (next[at + 1] as number) + p * chance;
    });
    count = next;
  }
  return Math.min(
    1,
    count.slice(Math.max(0, least)).reduce((sum, p) => sum + p, 0),
  );
}
