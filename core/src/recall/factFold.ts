import type { FactKey } from '../facts/fact.ts';
import { dayNumber, dayOf } from './day.ts';
import { isRecalled, type ClassedAnswer, type FactState } from './factState.ts';
import { addToReview, dueDayIn, newReviewFold, type ReviewFold } from './reviewDate.ts';
import { addToTimed, newTimedFold, type TimedFold } from './timedState.ts';
import { addToUntimed, newUntimedFold, untimedStateIn, type UntimedFold } from './untimedState.ts';

/**
 * All that is kept of the answers to one fact, so that the next one costs the same after ten answers as after ten thousand.
 * Plain JSON. Folding answers one by one, oldest first, says what the rules say of all of them at once.
 */
export interface FactFold {
  readonly fact: FactKey;
  readonly timed: TimedFold;
  readonly untimed: UntimedFold;
  readonly review: ReviewFold;
  answers: number;
  /** Those a timed school, and an untimed one, may judge by. */
  timedEvidence: number;
  untimedEvidence: number;
  /** When the latest was given, ISO 8601; null: none yet. */
  lastAt: string | null;
  /** The latest play it was asked in, and its states before that. */
  latestPlay: { readonly id: string; readonly before: StatesOfFact } | null;
  /** The corrected time of the latest right answer that has one, ms; null: none has. */
  lastMs: number | null;
}

/** A state for timed schools, and one for untimed. */
export interface StatesOfFact {
  readonly timed: FactState;
  readonly untimed: FactState;
}

/** One answer as a fold takes it. */
export interface FoldedAnswer extends ClassedAnswer {
  /** The play it was given in, where that is known. */
  readonly playId?: string;
  /** Null: no usable time. */
  readonly correctedMs: number | null;
  readonly right: boolean;
}

/** Of a fact nobody has answered. */
export function newFactFold(fact: FactKey): FactFold {
  return {
    fact,
    timed: newTimedFold(fact),
    untimed: newUntimedFold(),
    review: newReviewFold(),
    answers: 0,
    timedEvidence: 0,
    untimedEvidence: 0,
    lastAt: null,
    latestPlay: null,
    lastMs: null,
  };
}

/** Whether an answer given then comes after all that a fold holds. */
export function isLater(fold: FactFold, at: string): boolean {
  return fold.lastAt === null || Date.parse(at) > Date.parse(fold.lastAt);
}

/** Takes one more answer in. Throws a RangeError unless it is later than all before it: then all are to be folded afresh. */
export function addToFold(fold: FactFold, answer: FoldedAnswer, timeZone: string): void {
  if (!isLater(fold, answer.at))
    throw new RangeError('An answer that is no later than the last cannot be added.');
  foldIn(fold, answer, timeZone);
}

/** The fold of all answers to a fact, given oldest first. */
export function factFoldOf(fact: FactKey, answers: readonly FoldedAnswer[], timeZone: string): FactFold {
  const fold = newFactFold(fact);
  for (const answer of answers) foldIn(fold, answer, timeZone);
  return fold;
}

function foldIn(fold: FactFold, answer: FoldedAnswer, timeZone: string): void {
  const day = dayNumber(dayOf(answer.at, timeZone));
  if (answer.playId !== undefined && fold.latestPlay?.id !== answer.playId)
    fold.latestPlay = { id: answer.playId, before: statesIn(fold) };
  addToTimed(fold.timed, answer, day);
  addToUntimed(fold.untimed, answer, day);
  addToReview(fold.review, answer, day);
  fold.answers += 1;
  if (answer.class !== 'noEvidence') {
    fold.untimedEvidence += 1;
    if (answer.class !== 'right') fold.timedEvidence += 1;
  }
  fold.lastAt = answer.at;
  if (answer.right && answer.correctedMs !== null) fold.lastMs = answer.correctedMs;
}

export function statesIn(fold: FactFold): StatesOfFact {
  return { timed: fold.timed.state, untimed: untimedStateIn(fold.untimed) };
}

/** What a fold says of its fact, for a timed school or an untimed one. */
export interface FoldedState {
  readonly state: FactState;
  readonly evidence: number;
  /** The day number on which a recalled fact is due; null: it is not recalled. */
  readonly dueDay: number | null;
}

export function stateIn(fold: FactFold, untimed: boolean): FoldedState {
  return {
    state: untimed ? untimedStateIn(fold.untimed) : fold.timed.state,
    evidence: untimed ? fold.untimedEvidence : fold.timedEvidence,
    dueDay: isRecalled(fold.timed.state) ? (dueDayIn(fold.review) ?? null) : null,
  };
}
