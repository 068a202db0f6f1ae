import type { FactKey } from '../facts/fact.ts';
import type { AnswerClass } from './answerClass.ts';
import type { Mark } from './mark.ts';

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

/** Whether an aid or a helper had part in an answer: it stands in no window. */
export function isAided(answer: Pick<ClassedAnswer, 'aided' | 'seen'>): boolean {
  return (answer.aided ?? false) || answer.seen.includes('helped');
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
