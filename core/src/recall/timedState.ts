import { isCountedAsQuickly, parseFactKey, type FactKey } from '../facts/fact.ts';
import { dayNumber, dayOf } from './day.ts';
import {
  foldsByFact,
  inOrder,
  isAided,
  isRecalled,
  isWorkingSeen,
  keptAfterDays,
  type ClassedAnswer,
  type FactState,
} from './factState.ts';

interface Evidence {
  readonly class: 'recalled' | 'workedOut' | 'missed';
  readonly day: number;
}

/** How many were recalled. */
function recalledOf(list: readonly Evidence[]): number {
  let count = 0;
  for (const one of list) if (one.class === 'recalled') count += 1;
  return count;
}

/** Whether those recalled were so on two days or more. */
function onTwoDays(list: readonly Evidence[]): boolean {
  let day: number | undefined;
  for (const one of list) {
    if (one.class !== 'recalled') continue;
    if (day !== undefined && one.day !== day) return true;
    day = one.day;
  }
  return false;
}

/** The answers that any rule of a state looks back over. */
const window = 4;

/** What a timed state needs to know of the answers so far, to take in the next without reading them again. Plain JSON. */
export interface TimedFold {
  state: FactState;
  /** The latest answers that are evidence, oldest first, at most four. */
  readonly latest: Evidence[];
  /** Seen without counting once; true from the start of a fact that needs no such mark. */
  marked: boolean;
  /** The day of the latest answer, as a day number; null: none yet. */
  lastDay: number | null;
  /** When the fact was first recalled, when it was no more, when again, and so on, ms since 1970. */
  readonly turns: number[];
  /** Of answers without an aid: when "no counting seen" was last marked, and working last seen, ms since 1970; null: never. */
  noCountingAt: number | null;
  workedAt: number | null;
}

/** Of a fact nobody has answered. */
export function newTimedFold(fact: FactKey): TimedFold {
  return {
    state: 'untried',
    latest: [],
    marked: !isCountedAsQuickly(parseFactKey(fact)),
    lastDay: null,
    turns: [],
    noCountingAt: null,
    workedAt: null,
  };
}

/** Takes one more answer into a fold, later than all before it. `day` is its day number. */
export function addToTimed(fold: TimedFold, answer: ClassedAnswer, day: number): void {
  const unseenDays = fold.lastDay === null ? 0 : day - fold.lastDay;
  const wasRecalled = isRecalled(fold.state);
  fold.lastDay = day;
  fold.marked ||= answer.seen.includes('noCounting');
  if (!isAided(answer) && answer.seen.length > 0) {
    if (answer.seen.includes('noCounting')) fold.noCountingAt = Date.parse(answer.at);
    if (isWorkingSeen(answer)) fold.workedAt = Date.parse(answer.at);
  }
  if (answer.class === 'right' || answer.class === 'noEvidence') {
    // A mark may arrive on an answer that is itself no evidence; it can complete what was missing.
    if (fold.latest.length > 0 && !isRecalled(fold.state)) fold.state = nextState(fold, 0);
  } else if (isAided(answer)) {
    if (fold.latest.length === 0) fold.state = answer.class === 'missed' ? 'missed' : 'workingOut';
  } else {
    if (fold.latest.length === window) fold.latest.shift();
    fold.latest.push({ class: answer.class, day });
    fold.state = nextState(fold, unseenDays);
  }
  if (isRecalled(fold.state) !== wasRecalled) fold.turns.push(Date.parse(answer.at));
}

/** The folds of many facts at once, by key. */
export function timedFoldsOf(answers: readonly ClassedAnswer[], timeZone: string): Map<FactKey, TimedFold> {
  return foldsByFact(answers, newTimedFold, (fold, answer) =>
    addToTimed(fold, answer, dayNumber(dayOf(answer.at, timeZone))),
  );
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
  const fold = newTimedFold(first.fact);
  return inOrder(answers).map((answer) => {
    addToTimed(fold, answer, dayNumber(dayOf(answer.at, timeZone)));
    return { answer, state: fold.state };
  });
}

/** Whether two of the last three were missed, or not recalled on different days: one slow day is not forgetting. */
function hasSlipped(lastThree: readonly Evidence[]): boolean {
  const short = lastThree.filter((one) => one.class !== 'recalled');
  const missed = short.filter((one) => one.class === 'missed').length;
  return missed >= 2 || new Set(short.map((one) => one.day)).size >= 2;
}

/** `unseenDays`: between the latest answer and the one before it. */
function nextState({ state, latest: evidence, marked }: TimedFold, unseenDays: number): FactState {
  const latest = evidence[evidence.length - 1] as Evidence;
  if (isRecalled(state)) {
    if (hasSlipped(evidence.slice(-3))) return 'slipped';
    return latest.class === 'recalled' && unseenDays >= keptAfterDays ? 'kept' : state;
  }
  const threeOfFour = latest.class === 'recalled' && recalledOf(evidence) >= 3;
  if (state === 'slipped') return threeOfFour ? 'recalled' : 'slipped';
  if (threeOfFour && marked && onTwoDays(evidence)) return 'recalled';
  if (latest.class === 'missed') return 'missed';
  if (latest.class === 'recalled' && evidence.at(-2)?.class === 'recalled') return 'nearly';
  return 'workingOut';
}
