import { itemText, type Item } from '../facts/item.ts';
import type { AnswerClass } from '../recall/answerClass.ts';
import type { Mark } from '../recall/mark.ts';
import type { Decision, Reason } from './decision.ts';
import { countText, joinText } from './words.ts';

/** An answer given in a play of a game. */
export interface StepAnswer {
  readonly id?: string;
  readonly item: Item;
  readonly class: AnswerClass;
  /** Whether the fact or skill counted as known when the play began. */
  readonly known: boolean;
  readonly seen: readonly Mark[];
  /** An aid lay there. */
  readonly aided?: boolean;
}

/** One play of a game at a step. */
export interface StepPlay {
  readonly playId: string;
  /** Calendar day, as a day number. */
  readonly day: number;
  readonly step: number;
  /** In the order given. */
  readonly answers: readonly StepAnswer[];
}

export interface StepEvidence {
  readonly game: string;
  /** Names of the game's steps, the easiest first. */
  readonly steps: readonly string[];
  readonly step: number;
  /** Plays of this game by this pupil, oldest first. */
  readonly plays: readonly StepPlay[];
  readonly today: number;
  /** Days on which the set was changed, or a step of any game. */
  readonly changeDays: readonly number[];
  /** False in schools without a clock: right and explained stand for recalled. */
  readonly timed: boolean;
}

/** Numbers of the step rules. */
export const stepRules = {
  plays: 2,
  days: 2,
  answers: 20,
  rightShare: 0.9,
  recalledShare: 0.8,
  backShare: 0.75,
  missesRunning: 3,
} as const;

/**
 * Whether the next step of a game is due: after two plays on two days and twenty answers, 90 in 100 right and 80 in 100 of the
 * known facts recalled. Under 75 in 100 right, or three known facts missed running: a step back, or an aid. Never in the first
 * two plays of a step, and never on a day on which a set or a step was changed.
 */
export function decideStep(evidence: StepEvidence): Decision {
  const { step, steps, timed } = evidence;
  const plays = evidence.plays.filter((one) => one.step === step);
  const answers = plays.flatMap((play) => play.answers).filter((one) => one.class !== 'noEvidence');
  const right = answers.filter((one) => one.class !== 'missed');
  // An answer without a time, or with an aid in sight, says nothing of recall: with a clock it counts as right, and no more.
  const byTime = (one: StepAnswer) => timed && one.item.kind === 'fact';
  const known = answers.filter(
    (one) => one.known && !(timed && one.aided) && !(byTime(one) && one.class === 'right'),
  );
  // A skill has no limit to be recalled within: right is what is asked of it.
  const held = known.filter((one) => (byTime(one) ? one.class === 'recalled' : one.class !== 'missed'));
  const skills = known.filter((one) => one.item.kind === 'skill').length;
  const explained = answers.some((one) => one.seen.includes('explained'));
  const days = new Set(plays.map((play) => play.day)).size;
  const share = (part: readonly unknown[], whole: readonly unknown[]) =>
    whole.length === 0 ? 0 : part.length / whole.length;
  const onFacts = (text: string): Reason => ({ text, restsOn: 'facts' });
  const reasons = [
    onFacts(
      `${countText(plays.length, 'play')} of ${evidence.game} at this step on ${countText(days, 'day')}.`,
    ),
    onFacts(`${right.length} of ${countText(answers.length, 'answer')} right.`),
    ...(known.length > 0
      ? [
          onFacts(
            `${held.length} of ${countText(known.length, 'answer')} to known ${
              skills === 0
                ? `facts ${timed ? 'recalled' : 'right'}`
                : skills === known.length
                  ? 'skills right'
                  : `facts and skills ${timed ? 'recalled, or right' : 'right'}`
            }.`,
          ),
        ]
      : []),
  ];
  const base = {
    about: 'step',
    strays: [],
    answerIds: answers.flatMap((one) => (one.id ? [one.id] : [])),
    checkIds: [],
  } as const;
  const stay = (missing: readonly Reason[], wouldSettle: string): Decision => ({
    ...base,
    verdict: missing.length > 0 ? 'notEnough' : 'stay',
    reasons,
    missing,
    wouldSettle,
  });

  if (plays.length >= stepRules.plays) {
    const run = missedRun(answers);
    if (
      run.length >= stepRules.missesRunning ||
      (answers.length >= stepRules.answers / 2 && share(right, answers) < stepRules.backShare)
    ) {
      const why =
        run.length >= stepRules.missesRunning
          ? [onFacts(`Missed one after another, though known: ${joinText(run.map(itemText))}.`)]
          : [];
      return {
        ...base,
        verdict: 'stepBack',
        reasons: [...reasons, ...why],
        missing: [],
        wouldSettle: step > 0 ? `Back to \u201c${steps[step - 1]}\u201d, or an aid.` : 'An aid.',
      };
    }
  }
  const missing = [
    ...(plays.length < stepRules.plays || days < stepRules.days
      ? [onFacts(`${stepRules.plays} plays on ${stepRules.days} days are asked.`)]
      : []),
    ...(answers.length < stepRules.answers
      ? [onFacts(`${stepRules.answers} answers are asked; there are ${answers.length}.`)]
      : []),
    ...(timed || explained ? [] : [onFacts('Nothing has been explained at this step yet.')]),
    ...(evidence.changeDays.includes(evidence.today)
      ? [onFacts('A set or a step was changed today; one change a day is enough.')]
      : []),
  ];
  if (missing.length > 0) return stay(missing, 'Another play at this step.');
  const good =
    share(right, answers) >= stepRules.rightShare &&
    (known.length === 0 || share(held, known) >= stepRules.recalledShare);
  if (!good) return stay([], 'Another play at this step.');
  const next = steps[step + 1];
  return next === undefined
    ? {
        ...base,
        verdict: 'stay',
        reasons: [...reasons, onFacts('This is the last step.')],
        missing: [],
        wouldSettle: '',
      }
    : { ...base, verdict: 'advance', reasons, missing: [], wouldSettle: `Next: \u201c${next}\u201d.` };
}

/** What is known missed one after another, the latest run of three or more. */
function missedRun(answers: readonly StepAnswer[]): Item[] {
  const known = answers.filter((one) => one.known);
  const run: Item[] = [];
  for (let at = known.length - 1; at >= 0 && known[at]?.class === 'missed'; at -= 1)
    run.unshift((known[at] as StepAnswer).item);
  return run;
}
