import { isCountedAsQuickly, parseFactKey, type FactKey } from '../facts/fact.ts';
import type { AnswerClass } from './answerClass.ts';
import { dayNumber, dayOf } from './day.ts';
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

interface Evidence {
  readonly class: 'recalled' | 'workedOut' | 'missed';
  readonly day: number;
}

/** How many of the last `most` were recalled. */
function recalledOfLast(list: readonly Evidence[], most: number): number {
  let count = 0;
  for (let at = Math.max(0, list.length - most); at < list.length; at += 1)
    if ((list[at] as Evidence).class === 'recalled') count += 1;
  return count;
}

/** Whether those recalled among the last `most` were so on two days or more. */
function onTwoDays(list: readonly Evidence[], most: number): boolean {
  let day: number | undefined;
  for (let at = Math.max(0, list.length - most); at < list.length; at += 1) {
    const one = list[at] as Evidence;
    if (one.class !== 'recalled') continue;
    if (day !== undefined && one.day !== day) return true;
    day = one.day;
  }
  return false;
}

/** Whether an aid or a helper had part in an answer: it stands in no window. */
export function isAided(answer: Pick<ClassedAnswer, 'aided' | 'seen'>): boolean {
  return (answer.aided ?? false) || answer.seen.includes('helped');
}

/**
 * The state of one fact from its answers, for timed schools. Derived only: the same answers always give the same state,
 * in whatever order they are handed in. Days are calendar days in `timeZone`.
 *
 * Two choices where the rule's table is silent: a single recalled answer that is not the second running is `workingOut`
 * (never more than one answer shows); and a fact answered with an aid alone shows what was seen, no more than under way.
 */
export function factStateOf(answers: readonly ClassedAnswer[], timeZone: string): FactState {
  const steps = factStateSteps(answers, timeZone);
  return steps.length === 0 ? 'untried' : (steps[steps.length - 1] as FactStateStep).state;
}

export interface FactStateStep {
  readonly answer: ClassedAnswer;
  readonly state: FactState;
}

/** Every state a fact went through, one after each of its answers, oldest first. */
export function factStateSteps(answers: readonly ClassedAnswer[], timeZone: string): FactStateStep[] {
  const first = answers[0];
  if (!first) return [];
  const needsMark = isCountedAsQuickly(parseFactKey(first.fact));
  const evidence: Evidence[] = [];
  let state: FactState = 'untried';
  let marked = false;
  let everRecalled = false;
  let lastDay: number | undefined;
  return inOrder(answers).map((answer) => {
    const day = dayNumber(dayOf(answer.at, timeZone));
    const unseenDays = lastDay === undefined ? 0 : day - lastDay;
    lastDay = day;
    marked ||= answer.seen.includes('noCounting');
    const counts = answer.class !== 'right' && answer.class !== 'noEvidence';
    if (counts && isAided(answer)) {
      if (evidence.length === 0) state = answer.class === 'missed' ? 'missed' : 'workingOut';
    } else if (counts) {
      evidence.push({ class: answer.class, day });
      state = nextState(state, evidence, { unseenDays, marked: marked || !needsMark, everRecalled });
    } else if (!counts && evidence.length > 0 && !isRecalled(state)) {
      // A mark may arrive on an answer that is itself no evidence; it can complete what was missing.
      state = nextState(state, evidence, { unseenDays: 0, marked: marked || !needsMark, everRecalled });
    }
    everRecalled ||= isRecalled(state);
    return { answer, state };
  });
}

/** Whether two of the last three were missed, or not recalled on different days: one slow day is not forgetting. */
function hasSlipped(lastThree: readonly Evidence[]): boolean {
  const short = lastThree.filter((one) => one.class !== 'recalled');
  const missed = short.filter((one) => one.class === 'missed').length;
  return missed >= 2 || new Set(short.map((one) => one.day)).size >= 2;
}

function nextState(
  state: FactState,
  evidence: readonly Evidence[],
  given: { readonly unseenDays: number; readonly marked: boolean; readonly everRecalled: boolean },
): FactState {
  const latest = evidence[evidence.length - 1] as Evidence;
  if (isRecalled(state)) {
    if (hasSlipped(evidence.slice(-3))) return 'slipped';
    return latest.class === 'recalled' && given.unseenDays >= keptAfterDays ? 'kept' : state;
  }
  const threeOfFour = latest.class === 'recalled' && recalledOfLast(evidence, 4) >= 3;
  if (state === 'slipped') return threeOfFour ? 'recalled' : 'slipped';
  if (threeOfFour && given.marked && onTwoDays(evidence, 4)) return 'recalled';
  if (latest.class === 'missed') return 'missed';
  if (latest.class === 'recalled' && evidence.at(-2)?.class === 'recalled') return 'nearly';
  return 'workingOut';
}

/**
 * The state of one fact for untimed schools: `secure` when 4 of the last 5 answers were right, on 2 days or more counted over
 * all since the last wrong one, and the fact was explained once; else what was seen last. Answers with an aid stand in no window.
 */
export function untimedStateOf(answers: readonly ClassedAnswer[], timeZone: string): FactState {
  const judged = inOrder(answers).filter((one) => one.class !== 'noEvidence');
  const own = judged.filter((one) => !isAided(one));
  const latest = own.at(-1) ?? judged.at(-1);
  if (!latest) return 'untried';
  const right = own.slice(-5).filter((one) => one.class !== 'missed').length;
  const sinceWrong = own.slice(own.findLastIndex((one) => one.class === 'missed') + 1);
  const days = new Set(sinceWrong.map((one) => dayOf(one.at, timeZone))).size;
  const explained = answers.some((one) => one.seen.includes('explained'));
  if (right >= 4 && days >= 2 && explained) return 'secure';
  return latest.class === 'missed' ? 'missed' : 'workingOut';
}

/** States of many facts at once, by key. */
export function factStatesOf(
  answers: readonly ClassedAnswer[],
  timeZone: string,
  stateOf: (answers: readonly ClassedAnswer[], timeZone: string) => FactState = factStateOf,
): Map<FactKey, FactState> {
  const byFact = new Map<FactKey, ClassedAnswer[]>();
  for (const answer of answers) {
    const list = byFact.get(answer.fact);
    if (list) list.push(answer);
    else byFact.set(answer.fact, [answer]);
  }
  return new Map([...byFact].map(([fact, list]) => [fact, stateOf(list, timeZone)]));
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
