import type { FactKey } from '../facts/fact.ts';
import type { AnswerClass } from './answerClass.ts';
import { workingMarks, type Mark } from './mark.ts';

export const factStates = [
  'untried',
  'missed',
  'workingOut',
  'nearly',
  'recalled',
  'kept',
  'slipped',
  'secure',
] as const;
export type FactState = (typeof factStates)[number];

export const factStateNames: Readonly<Record<FactState, string>> = {
  untried: 'untried',
  missed: 'missed',
  // Worked out, or recalled only once so far: the least that both show.
  workingOut: 'under way',
  nearly: 'nearly',
  recalled: 'recalled',
  kept: 'kept',
  slipped: 'slipped',
  secure: 'secure',
};

/** Days unseen after which a fact recalled again counts as kept. */
export const keptAfterDays = 7;

/** One answer as the state sees it. */
export interface ClassedAnswer {
  readonly fact: FactKey;
  /** ISO 8601. */
  readonly at: string;
  readonly class: AnswerClass;
  readonly seen: readonly Mark[];
  readonly aided?: boolean;
}

/** Whether a state counts as known for the rules of timed schools. */
export function isRecalled(state: FactState): boolean {
  return state === 'recalled' || state === 'kept';
}

/** Whether a fact needs no thought any more: recalled, or secure where no time is kept. */
export const isKnown = (state: FactState): boolean => isRecalled(state) || state === 'secure';

/** Whether an aid or a helper had part in an answer: it stands in no window. */
export function isAided(answer: Pick<ClassedAnswer, 'aided' | 'seen'>): boolean {
  return (answer.aided ?? false) || answer.seen.includes('helped');
}

/** Whether somebody saw the child work it out. */
export function isWorkingSeen(answer: Pick<ClassedAnswer, 'seen'>): boolean {
  return answer.seen.some((mark) => workingMarks.has(mark));
}

/** Folds answers into one fold a fact, each fact's oldest first. */
export function foldsByFact<F>(
  answers: readonly ClassedAnswer[],
  begin: (fact: FactKey) => F,
  add: (fold: F, answer: ClassedAnswer) => void,
): Map<FactKey, F> {
  const folds = new Map<FactKey, F>();
  for (const answer of inOrder(answers)) {
    let fold = folds.get(answer.fact);
    if (fold === undefined) folds.set(answer.fact, (fold = begin(answer.fact)));
    add(fold, answer);
  }
  return folds;
}

/** The latest `most` answers of each fact, oldest first: what sentences and signs look back over. */
export function latestOfEach<T extends ClassedAnswer>(answers: readonly T[], most: number): T[] {
  const counts = new Map<FactKey, number>();
  return [...inOrder(answers)]
    .reverse()
    .filter((one) => {
      const count = (counts.get(one.fact) ?? 0) + 1;
      counts.set(one.fact, count);
      return count <= most;
    })
    .reverse();
}

/** Oldest first. Answers of one instant keep a fixed order of their own, so that the order handed in does not matter. */
export function inOrder<T extends ClassedAnswer>(answers: readonly T[]): readonly T[] {
  if (isInOrder(answers)) return answers;
  return answers
    .map((answer) => ({
      answer,
      time: Date.parse(answer.at),
      tie: `${answer.class}${answer.seen.join()}${answer.aided ?? false}`,
    }))
    .sort((a, b) => a.time - b.time || (a.tie < b.tie ? -1 : a.tie > b.tie ? 1 : 0))
    .map((one) => one.answer);
}

/** Whether they come one after another already, as they do from the record: instants written alike compare as text. */
function isInOrder(answers: readonly ClassedAnswer[]): boolean {
  for (let at = 1; at < answers.length; at += 1) {
    const [before, after] = [(answers[at - 1] as ClassedAnswer).at, (answers[at] as ClassedAnswer).at];
    if (before.length !== after.length || !before.endsWith('Z') || !after.endsWith('Z') || before >= after)
      return false;
  }
  return true;
}
