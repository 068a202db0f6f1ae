import type { FactKey } from '../facts/fact.ts';
import { notRecalled, retentionAsks } from '../practice/lookBack.ts';
import type { AnswerClass } from '../recall/answerClass.ts';
import type { Decision } from './decision.ts';
import type { Policy } from './policy.ts';
import { countText, factListText } from './words.ts';

/** A set that was passed, and the looks taken at it since. Days are day numbers. */
export interface PassedSet {
  readonly setId: string;
  readonly passedDay: number;
  readonly lookDays: readonly number[];
}

/** Which look is due today at a set passed: the first, the second, or none. A look counts for what was due when it was taken. */
export function retentionDue(
  passed: PassedSet,
  today: number,
  policy: Pick<Policy, 'retentionFirstDays' | 'retentionSecondDays'>,
): 'first' | 'second' | null {
  const firstDay = passed.passedDay + policy.retentionFirstDays;
  const secondDay = passed.passedDay + policy.retentionSecondDays;
  const taken = passed.lookDays.filter((day) => day >= firstDay);
  if (today >= secondDay) return taken.some((day) => day >= secondDay) ? null : 'second';
  if (today >= firstDay) return taken.length > 0 ? null : 'first';
  return null;
}

/**
 * What a look says: review the set when half or more of all that was asked was not recalled. `available` is how many
 * facts the set has: a small one is asked whole.
 */
export function judgeRetention(
  answers: readonly { readonly id?: string; readonly fact: FactKey; readonly class: AnswerClass }[],
  policy: Pick<Policy, 'retentionFacts' | 'retentionShort'>,
  available = Infinity,
): Decision {
  const short = notRecalled(answers);
  const asks = Math.min(retentionAsks(answers, policy), available);
  const reasons = [
    {
      text: `${countText(answers.length - short.length, 'fact')} of ${answers.length} held since the set was passed${short.length > 0 ? `; not recalled: ${factListText(short.map((one) => one.fact))}` : ''}.`,
      restsOn: 'facts' as const,
    },
  ];
  const base = {
    about: 'set',
    reasons,
    strays: short.map((one) => one.fact),
    answerIds: answers.flatMap((one) => (one.id ? [one.id] : [])),
    checkIds: [],
  } as const;
  if (answers.length < asks) {
    const left = asks - answers.length;
    return {
      ...base,
      verdict: 'notEnough',
      missing: [
        {
          text: `${countText(left, 'fact')} of this look ${left === 1 ? 'is' : 'are'} not asked yet.`,
          restsOn: 'facts',
        },
      ],
      wouldSettle: `${countText(left, 'more fact')} of the set.`,
    };
  }
  if (short.length >= policy.retentionShort && short.length * 2 >= answers.length)
    return { ...base, verdict: 'review', missing: [], wouldSettle: 'A drill on the facts that slipped.' };
  return { ...base, verdict: 'stay', missing: [], wouldSettle: '' };
}
