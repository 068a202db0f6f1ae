import { createEmptyCard, fsrs, Rating } from 'ts-fsrs';
import { dayNumber, dayOf } from './day.ts';
import { factStateSteps, isAided, isRecalled, type ClassedAnswer } from './factState.ts';

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
  const steps = factStateSteps(answers, timeZone);
  const last = steps.at(-1);
  if (!last || !isRecalled(last.state)) return undefined;
  const byDay = new Map<number, ClassedAnswer>();
  for (const { answer } of steps)
    if (answer.class !== 'right' && answer.class !== 'noEvidence' && !isAided(answer))
      byDay.set(dayNumber(dayOf(answer.at, timeZone)), answer);
  let card = createEmptyCard(new Date(([...byDay.keys()][0] as number) * dayMs));
  for (const [day, answer] of byDay)
    card = scheduler.next(card, new Date(day * dayMs), ratingOf(answer)).card;
  return {
    dueDay: Math.min(
      Math.floor(card.due.getTime() / dayMs),
      ([...byDay.keys()].at(-1) as number) + longestReviewDays,
    ),
    chance: scheduler.get_retrievability(card, new Date(today * dayMs), false),
  };
}

const ratingOf = (answer: ClassedAnswer): Rating.Good | Rating.Again =>
  answer.class === 'recalled' ? Rating.Good : Rating.Again;
