import { dayOf } from '../recall/day.ts';
import { rateBands } from '../recall/rateBands.ts';
import type { CheckResult, Decision, Evidence, Reason } from './decision.ts';
import { countingChecks, onCheck } from './minuteCheck.ts';
import { countText, numberText } from './words.ts';

/** Where instruction and mastery begin, digits correct a minute, and whose figures these are. */
export interface RateBounds {
  readonly instructionFrom: number;
  readonly masteryFrom: number;
  readonly source: string;
}

/** The bounds in force: the policy's own numbers, else the published band of the grade; undefined without either. */
export function rateBounds(evidence: Pick<Evidence, 'policy' | 'grade'>): RateBounds | undefined {
  const { masteryDigits, instructionDigits } = evidence.policy;
  const band = evidence.grade == null ? undefined : rateBands[evidence.grade <= 3 ? 0 : 1];
  const masteryFrom = masteryDigits > 0 ? masteryDigits : band?.masteryFrom;
  const instructionFrom =
    instructionDigits > 0
      ? instructionDigits
      : (band?.instructionFrom ?? (masteryFrom === undefined ? undefined : masteryFrom / 2));
  if (masteryFrom === undefined || instructionFrom === undefined) return undefined;
  const own = masteryDigits > 0;
  return {
    instructionFrom,
    masteryFrom,
    source: own || !band ? 'set in the policy' : `grades ${band.grades}, ${band.source}`,
  };
}

/**
 * The school *Published rate*: move on when a check mixed with earlier sets has digits correct a minute at mastery or above
 * and few errors, twice running on different days; below the level of instruction step back or add an aid. Source of the bands: rateBands.
 */
export function judgeByPublishedRate(evidence: Evidence): Decision {
  const { policy } = evidence;
  const bounds = rateBounds(evidence);
  const counting = countingChecks(evidence.checks).filter(
    (one): one is CheckResult & { digitsPerMinute: number } => typeof one.digitsPerMinute === 'number',
  );
  const mixed = counting.filter((one) => one.mixed);
  const latest = mixed.at(-1);
  const reasons: Reason[] = [];
  const missing: Reason[] = [];
  const base = { about: 'set', strays: [], answerIds: [], checkIds: latest?.id ? [latest.id] : [] } as const;
  if (!bounds) {
    missing.push(
      onCheck(
        'The bands go by grade, and this pupil has none: give a grade, or set the digits of mastery in the policy.',
      ),
    );
    return {
      ...base,
      verdict: 'notEnough',
      reasons,
      missing,
      wouldSettle: 'A grade on the pupil\u2019s page, then a mixed minute by keypad.',
    };
  }
  if (!latest) {
    missing.push(
      onCheck(
        counting.length > 0
          ? 'No check mixed with earlier sets yet; minutes on this set alone do not count here.'
          : 'No finished mixed minute by keypad yet: digits can be counted only where they are typed.',
      ),
    );
    return {
      ...base,
      verdict: 'notEnough',
      reasons,
      missing,
      wouldSettle: 'One mixed minute by keypad, to its end.',
    };
  }
  const rate = latest.digitsPerMinute;
  reasons.push(
    onCheck(
      `${numberText(rate)} digits correct a minute in the latest mixed check; mastery begins at ${numberText(bounds.masteryFrom)} (${bounds.source}).`,
    ),
    onCheck(`${countText(latest.wrong, 'wrong answer')}; ${policy.wrongAllowed} or fewer are asked.`),
    onCheck('The bands were found on handwritten sheets: typed digits compare with them only roughly.'),
  );
  const passes = (one: CheckResult & { digitsPerMinute: number }) =>
    one.digitsPerMinute >= bounds.masteryFrom && one.wrong <= policy.wrongAllowed;
  if (passes(latest)) {
    // Passed once is chance, or a good day: the last mixed check of another day is to be passed too.
    const day = dayOf(latest.at, evidence.timeZone);
    const before = mixed.filter((one) => dayOf(one.at, evidence.timeZone) !== day).at(-1);
    const checkIds = [before, latest].flatMap((one) => (one?.id ? [one.id] : []));
    if (before && passes(before)) {
      reasons.push(onCheck('So it was in the mixed check of the day before that.'));
      return { ...base, checkIds, verdict: 'advance', reasons, missing, wouldSettle: '' };
    }
    missing.push(onCheck('Mastery is to be met twice, on different days: this was the first time running.'));
    return {
      ...base,
      checkIds,
      verdict: 'notEnough',
      reasons,
      missing,
      wouldSettle: 'Another mixed minute by keypad, on another day.',
    };
  }
  if (rate < bounds.instructionFrom) {
    reasons.push(
      onCheck(`Instruction begins at ${numberText(bounds.instructionFrom)}: step back a set, or add an aid.`),
    );
    return {
      ...base,
      verdict: 'stepBack',
      reasons,
      missing,
      wouldSettle: 'A mixed minute on the set before, or on this one with an aid.',
    };
  }
  return { ...base, verdict: 'stay', reasons, missing, wouldSettle: 'The next mixed minute by keypad.' };
}
