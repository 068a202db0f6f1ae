import { leastCorrectedMs } from './answerClass.ts';
import { isAided, isWorkingSeen, type ClassedAnswer } from './factState.ts';
import { doubtMarks } from './mark.ts';
import { median } from './quantile.ts';
import { recallModel } from './recallModel.ts';

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

export interface LogTimes {
  readonly mean: number;
  readonly sd: number;
}

const { stray } = recallModel;
/** A fit is left at the latest then, or once it hardly gets likelier. */
const mostRounds = 20;
const settled = 1e-3;

/**
 * How the child's own times lie, from all answers at hand: two lognormals, recalled and worked out, fitted by expectation and
 * maximisation (Dempster, Laird and Rubin, 1977) with what is taken of any child counted as a few answers more. A child may be slower
 * or quicker in both: the fit is begun at several paces, and the likeliest end is taken. The recall limit, which is twice the child's
 * time on facts that need no thought or was set for the child, says where that pace lies before any answer.
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

/** The fit begun at a pace beside the one the limit tells, and how likely it is beside others; all three logarithms. */
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
/** The density of a time, by its logarithm. */
export const density = (log: number, { mean, sd }: LogTimes) => {
  const off = (log - mean) / sd;
  return Math.exp(-0.5 * off * off) / (sd * rootOfTwoPi);
};

/** Whether an answer has a time that tells what the child may know. */
export function isTimed(one: ChanceAnswer): one is ChanceAnswer & { readonly correctedMs: number } {
  return (
    typeof one.correctedMs === 'number' &&
    one.correctedMs >= leastCorrectedMs &&
    one.class !== 'missed' &&
    !isAided(one) &&
    !one.seen.some((mark) => doubtMarks.has(mark))
  );
}
