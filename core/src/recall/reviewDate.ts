import { createEmptyCard, fsrs, Rating } from 'ts-fsrs';
import { dayNumber, dayOf } from './day.ts';
import { factStateSteps, isRecalled, type ClassedAnswer } from './factState.ts';

const dayMs = 86_400_000;
/** No chance and no steps within a day: the same answers always give the same date. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false, request_retention: 0.9 });

/** When a recalled fact is worth asking again, and how likely it is to be recalled now. */
export interface ReviewDate {
  /** First calendar day in the room's time zone on which it is due, as a day number. */
  readonly dueDay: number;
  /** The chance that it would be recalled on the day asked about, 0 to 1. */
  readonly chance: number;
}

/**
 * The review date of one fact, from all its answers with evidence, one review a day (the day's last answer): recalled is a
 * success, worked out a hard one, missed a lapse. Undefined unless the fact is recalled or kept. `today` is a day number.
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
    if (answer.class !== 'right' && answer.class !== 'noEvidence')
      byDay.set(dayNumber(dayOf(answer.at, timeZone)), answer);
  let card = createEmptyCard(new Date(([...byDay.keys()][0] as number) * dayMs));
  for (const [day, answer] of byDay)
    card = scheduler.next(card, new Date(day * dayMs), ratingOf(answer)).card;
  return {
    dueDay: Math.floor(card.due.getTime() / dayMs),
    chance: scheduler.get_retrievability(card, new Date(today * dayMs), false),
  };
}

function ratingOf(answer: ClassedAnswer): Rating.Good | Rating.Hard | Rating.Again {
  if (answer.class === 'recalled') return Rating.Good;
  return answer.class === 'workedOut' ? Rating.Hard : Rating.Again;
}
