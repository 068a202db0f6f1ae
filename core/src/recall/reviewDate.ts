import { createEmptyCard, fsrs, Rating, type Card, type CardInput } from 'ts-fsrs';
import { dayNumber, dayOf } from './day.ts';
import { inOrder, isAided, isRecalled, type ClassedAnswer } from './factState.ts';
import { factStateOf } from './timedState.ts';

const dayMs = 86_400_000;
/** No chance and no steps within a day: the same answers always give the same date. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false, request_retention: 0.9 });

/** No review is put off for longer than this, in days: in a school year much is forgotten that a model takes for kept. */
export const longestReviewDays = 90;

/** When a recalled fact is worth asking again, and how likely it is to be recalled now. */
export interface ReviewDate {
  /** First calendar day in the room's time zone on which it is due, as a day number. */
  readonly dueDay: number;
  /** The chance that it would be recalled on the day asked about, 0 to 1. */
  readonly chance: number;
}

/** A card of the scheduler: stability and difficulty, its state, the day of its last review, days scheduled, reviews and lapses. */
type KeptCard = readonly [
  stability: number,
  difficulty: number,
  state: number,
  lastDay: number,
  scheduledDays: number,
  reps: number,
  lapses: number,
];

const keptOf = (card: Card, day: number): KeptCard => [
  card.stability,
  card.difficulty,
  card.state,
  day,
  card.scheduled_days,
  card.reps,
  card.lapses,
];

const cardOf = ([stability, difficulty, state, lastDay, days, reps, lapses]: KeptCard): CardInput => ({
  due: new Date((lastDay + days) * dayMs),
  stability,
  difficulty,
  state,
  last_review: new Date(lastDay * dayMs),
  elapsed_days: 0,
  scheduled_days: days,
  learning_steps: 0,
  reps,
  lapses,
});

/** What a review date needs to know of the answers so far, to take in the next without reading them again. Plain JSON. */
export interface ReviewFold {
  /** As of the reviews of the days before the latest; null: there were none. */
  card: KeptCard | null;
  /** The latest day with a review, as a day number; null: none yet. */
  day: number | null;
  /** Whether the last answer of that day was recalled. */
  recalled: boolean;
}

export function newReviewFold(): ReviewFold {
  return { card: null, day: null, recalled: false };
}

/** Takes one more answer into a fold, later than all before it. `day` is its day number. */
export function addToReview(fold: ReviewFold, answer: ClassedAnswer, day: number): void {
  if (answer.class === 'right' || answer.class === 'noEvidence' || isAided(answer)) return;
  if (fold.day !== null && fold.day !== day) fold.card = keptOf(cardAfter(fold), fold.day);
  fold.day = day;
  fold.recalled = answer.class === 'recalled';
}

/** The card with the latest day's review in it. */
function cardAfter({ card, day, recalled }: ReviewFold): Card {
  const on = new Date((day as number) * dayMs);
  return scheduler.next(card ? cardOf(card) : createEmptyCard(on), on, recalled ? Rating.Good : Rating.Again)
    .card;
}

/** The day a fact that is recalled is due, as a day number; undefined where there was no review. */
export function dueDayIn(fold: ReviewFold): number | undefined {
  if (fold.day === null) return undefined;
  return Math.min(Math.floor(cardAfter(fold).due.getTime() / dayMs), fold.day + longestReviewDays);
}

/**
 * The review date of one fact, from all its answers with evidence and without an aid, one review a day (the day's last answer):
 * recalled is a success; worked out is a retrieval that failed, as missed is. At most 90 days after the last review. Undefined unless the fact is recalled or kept. `today` is a day number.
 * Source: the free spaced repetition scheduler, by the package ts-fsrs with its published default weights.
 */
export function reviewDateOf(
  answers: readonly ClassedAnswer[],
  timeZone: string,
  today: number,
): ReviewDate | undefined {
  if (!isRecalled(factStateOf(answers, timeZone))) return undefined;
  const fold = newReviewFold();
  for (const answer of inOrder(answers)) addToReview(fold, answer, dayNumber(dayOf(answer.at, timeZone)));
  const dueDay = dueDayIn(fold);
  return dueDay === undefined
    ? undefined
    : {
        dueDay,
        chance: scheduler.get_retrievability(cardAfter(fold), new Date(today * dayMs), false),
      };
}
