import { dayNumber, dayOf } from './day.ts';
import type { FactKey } from '../facts/fact.ts';
import { foldsByFact, inOrder, isAided, type ClassedAnswer, type FactState } from './factState.ts';
import type { Mark } from './mark.ts';

/** What an untimed state needs to know of the answers so far, to take in the next without reading them again. Plain JSON. */
export interface UntimedFold {
  /** Of the latest answers without an aid, oldest first, at most five: whether they were right. */
  readonly right: boolean[];
  /** The first day since the last wrong one on which one was given, as a day number; null: none. */
  firstDay: number | null;
  /** Whether one was given on another day since. */
  manyDays: boolean;
  /** The fact was explained once. */
  explained: boolean;
  /** Of the latest answer with an aid: whether it was right; null: none yet. */
  aidedRight: boolean | null;
  /** The ways in which it was explained, by what was marked along with that; in the order they came. */
  readonly ways: ExplainedWay[];
}

/** Marks that say in which way a fact was explained; an explanation without one counts as a way of its own. */
const wayMarks = ['fromTen', 'fromDouble', 'countingOn', 'fingers'] as const satisfies readonly Mark[];
export type ExplainedWay = (typeof wayMarks)[number] | 'own';

export function newUntimedFold(): UntimedFold {
  return { right: [], firstDay: null, manyDays: false, explained: false, aidedRight: null, ways: [] };
}

/** The answers looked back over for `secure`, and how many of them are to be right. */
const window = 5;
const rightOfWindow = 4;

/** Takes one more answer into a fold, later than all before it. `day` is its day number. */
export function addToUntimed(fold: UntimedFold, answer: ClassedAnswer, day: number): void {
  const right = answer.class !== 'missed';
  if (answer.seen.includes('explained')) {
    fold.explained = true;
    const way = wayMarks.find((one) => answer.seen.includes(one)) ?? 'own';
    if (right && !fold.ways.includes(way)) fold.ways.push(way);
  }
  if (answer.class === 'noEvidence') return;
  if (isAided(answer)) {
    fold.aidedRight = right;
    return;
  }
  if (fold.right.length === window) fold.right.shift();
  fold.right.push(right);
  if (!right) {
    fold.firstDay = null;
    fold.manyDays = false;
  } else if (fold.firstDay === null) fold.firstDay = day;
  else if (fold.firstDay !== day) fold.manyDays = true;
}

export function untimedStateIn(fold: UntimedFold): FactState {
  const latest = fold.right.at(-1) ?? fold.aidedRight;
  if (latest === null) return 'untried';
  const right = fold.right.filter((one) => one).length;
  if (right >= rightOfWindow && fold.manyDays && fold.explained) return 'secure';
  return latest ? 'workingOut' : 'missed';
}

/**
 * The state of one fact for untimed schools: `secure` when 4 of the last 5 answers were right, on 2 days or more counted over
 * all since the last wrong one, and the fact was explained once; else what was seen last. Answers with an aid stand in no window.
 */
export function untimedStateOf(answers: readonly ClassedAnswer[], timeZone: string): FactState {
  const fold = newUntimedFold();
  for (const answer of inOrder(answers)) addToUntimed(fold, answer, dayNumber(dayOf(answer.at, timeZone)));
  return untimedStateIn(fold);
}

/** The folds of many facts at once, by key. */
export function untimedFoldsOf(
  answers: readonly ClassedAnswer[],
  timeZone: string,
): Map<FactKey, UntimedFold> {
  return foldsByFact(answers, newUntimedFold, (fold, answer) =>
    addToUntimed(fold, answer, dayNumber(dayOf(answer.at, timeZone))),
  );
}
