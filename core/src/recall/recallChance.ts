import { density, isTimed, type ChanceAnswer, type ChildTimes, type LogTimes } from './childTimes.ts';
import { dayNumber, dayOf } from './day.ts';
import { inOrder, isAided, isWorkingSeen } from './factState.ts';
import { doubtMarks } from './mark.ts';
import { recallModel } from './recallModel.ts';

const { wrong, learning, stray, misseen } = recallModel;
/** The chance of recall of a fact that no answer tells anything of. */
export const untoldChance: number = recallModel.untold.recalled;

interface Belief {
  readonly notKnown: number;
  readonly workedOut: number;
  readonly recalled: number;
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
