import type { Decision, Evidence } from './decision.ts';
import { checkRate, countingChecks, onCheck, standing } from './minuteCheck.ts';
import { theilSen } from './trend.ts';
import { joinText, numberText } from './words.ts';

/**
 * The school *Minute aim*: move on when a one-minute check on the set has right answers at the aim or more and few wrong;
 * four checks running without growth: change one thing. Source: common practice.
 */
export function judgeByMinuteAim(evidence: Evidence): Decision {
  const check = standing(evidence);
  const base = {
    about: 'set',
    strays: [],
    answerIds: [],
    checkIds: check.checkIds,
    missing: check.missing,
  } as const;
  if (!check.latest) {
    return {
      ...base,
      verdict: 'notEnough',
      reasons: check.reasons,
      wouldSettle: 'One weekly minute on this set, to its end.',
    };
  }
  if (check.atAim && check.fewWrong)
    return { ...base, verdict: 'advance', reasons: check.reasons, wouldSettle: '' };
  const reasons = [...check.reasons];
  let { checkIds } = base;
  const lately = countingChecks(evidence.checks.filter((one) => !one.mixed)).slice(
    -evidence.policy.flatChecks,
  );
  if (lately.length === evidence.policy.flatChecks) {
    const rates = lately.map(checkRate);
    const slope = theilSen(rates.map((value, day) => ({ day, value }))).perWeek ?? 0;
    if (slope <= 0) {
      reasons.push(
        onCheck(
          `${rates.length} checks without growth: ${joinText(rates.map(numberText))} right a minute. Change one thing: the step, an aid, or the time of day.`,
        ),
      );
      checkIds = lately.flatMap((one) => (one.id ? [one.id] : []));
    }
  }
  return { ...base, checkIds, verdict: 'stay', reasons, wouldSettle: 'The next weekly minute on this set.' };
}
