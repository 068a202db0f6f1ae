import { aimPerMinute, perMinute } from '../recall/rate.ts';
import type { CheckResult, Evidence, Reason } from './decision.ts';
import { countText, numberText } from './words.ts';

/** How a set's latest check that counts stands against the aim. */
export interface CheckStanding {
  readonly latest: CheckResult | undefined;
  readonly ratePerMinute: number;
  readonly aim: number;
  readonly atAim: boolean;
  readonly fewWrong: boolean;
  /** Sentences on the check and on the aim. */
  readonly reasons: readonly Reason[];
  /** What is lacking, as sentences. */
  readonly missing: readonly Reason[];
  /** The id of the check judged, where it has one. */
  readonly checkIds: readonly string[];
}

/** Oldest first, those that count. */
export function countingChecks(checks: readonly CheckResult[]): CheckResult[] {
  return checks.filter((one) => one.counts !== false).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

export function checkRate(check: CheckResult): number {
  return perMinute(check.right, check.usedMs ?? 60_000);
}

/** Judges the latest check on the set. `share`: of the aim, where facts that may be short take part in the minute. */
export function standing(evidence: Evidence, share = 1): CheckStanding {
  const { policy, ceiling } = evidence;
  // A check mixed with earlier sets is another measure.
  const onSet = evidence.checks.filter((one) => !one.mixed);
  const counting = countingChecks(onSet);
  const latest = counting.at(-1);
  const whole = aimPerMinute(ceiling, policy.aimPerMinute);
  const aim = share * whole.perMinute;
  const reasons: Reason[] = [];
  const missing: Reason[] = [];
  let rate = 0;
  let fewWrong = false;
  if (latest) {
    rate = checkRate(latest);
    fewWrong = latest.wrong <= policy.wrongAllowed;
    reasons.push(
      onCheck(`${numberText(rate)} right a minute in the latest check; the aim is ${numberText(aim)}.`),
      onCheck(`${countText(latest.wrong, 'wrong answer')}; ${policy.wrongAllowed} or fewer are asked.`),
    );
  } else {
    missing.push(onCheck('No finished minute on this set yet.'));
  }
  const setAside = onSet.length - counting.length;
  if (setAside > 0) {
    missing.push(
      onCheck(
        `${countText(setAside, 'check was', 'checks were')} cut short, closed or turned calm, so nothing hangs on ${setAside === 1 ? 'it' : 'them'}.`,
      ),
    );
  }
  if (whole.binds && ceiling !== null) {
    reasons.push(
      onCeiling(
        ceiling.held
          ? `On facts that are recalled the child gives fewer than naming numbers allows: the ceiling is held at ${numberText(ceiling.perMinute)} a minute, naming over 1.4, and the aim is 0.9 of that.`
          : ceiling.from === 'ownAnswers'
            ? `On facts that are recalled the child gives ${numberText(ceiling.perMinute)} a minute (the middle of ${ceiling.answers} answers), so the aim is 0.9 of that.`
            : `The child's own ceiling is ${numberText(ceiling.perMinute)} a minute when only reading numbers and giving them, so the aim is 0.9 of that until there are enough answers on recalled facts. Another way of capture may allow more.`,
      ),
    );
  }
  if (ceiling === null)
    missing.push(
      onCeiling(
        'The ceiling has not been measured for this way of capture, so the aim is taken as it stands.',
      ),
    );
  return {
    latest,
    ratePerMinute: rate,
    aim,
    atAim: latest !== undefined && rate >= aim,
    fewWrong,
    reasons,
    missing,
    checkIds: latest?.id ? [latest.id] : [],
  };
}

export const onCheck = (text: string): Reason => ({ text, restsOn: 'checks' });
const onCeiling = (text: string): Reason => ({ text, restsOn: 'ceiling' });
