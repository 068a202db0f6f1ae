import { defaultPolicy, type Policy, type School } from './policy.ts';
import { countText, numberText } from './words.ts';

/** How one number of a policy is shown and said. */
export interface PolicyNumber {
  readonly label: string;
  /** What one unit shown is worth in the policy: 1000 for seconds kept in ms, 0.01 for hundredths. */
  readonly worth: number;
  readonly unit: string;
  /** What the number means, in a sentence that holds it. */
  readonly says: (policy: Policy) => string;
  /** The schools that judge by it; empty: all of them. */
  readonly schools: readonly School[];
}

const minuteSchools = ['minuteAim', 'eachFactInstant'] as const;
const timedSchools = ['minuteAim', 'eachFactInstant', 'publishedRate'] as const;

export const policyNumbers: Readonly<Record<keyof Policy, PolicyNumber>> = {
  aimPerMinute: {
    label: 'Aim of a minute',
    worth: 1,
    unit: 'right a minute',
    says: (p) =>
      `A minute asks ${numberText(p.aimPerMinute)} right answers, or nine tenths of the child\u2019s own ceiling where that is less.`,
    schools: minuteSchools,
  },
  wrongAllowed: {
    label: 'Wrong answers',
    worth: 1,
    unit: 'at most',
    says: (p) =>
      `A check with more than ${countText(p.wrongAllowed, 'wrong answer')} does not count as passed.`,
    schools: timedSchools,
  },
  minuteMs: {
    label: 'Length of a minute',
    worth: 1000,
    unit: 's',
    says: (p) => `A check runs for ${numberText(p.minuteMs / 1000)} s; its count is scaled to a minute.`,
    schools: timedSchools,
  },
  shareRecalled: {
    label: 'Facts recalled',
    worth: 0.01,
    unit: 'in 100',
    says: (p) =>
      `${Math.round(100 * p.shareRecalled)} in 100 of the facts of a set must be recalled before moving on.`,
    schools: ['eachFactInstant'],
  },
  shortAllowed: {
    label: 'Facts short',
    worth: 1,
    unit: 'at most',
    says: (p) =>
      `No more than ${countText(p.shortAllowed, 'fact')} may still be short; they are carried along.`,
    schools: ['eachFactInstant'],
  },
  allUpTo: {
    label: 'Small sets',
    worth: 1,
    unit: 'facts',
    says: (p) => `Sets of up to ${countText(p.allUpTo, 'fact')} need all of them.`,
    schools: ['eachFactInstant'],
  },
  flatChecks: {
    label: 'Checks without growth',
    worth: 1,
    unit: 'checks',
    says: (p) => `After ${countText(p.flatChecks, 'check')} without growth one thing should change.`,
    schools: ['minuteAim'],
  },
  masteryDigits: {
    label: 'Mastery',
    worth: 1,
    unit: 'digits a minute',
    says: (p) =>
      p.masteryDigits === 0
        ? 'Mastery begins where the published band of the pupil\u2019s grade says.'
        : `Mastery begins at ${numberText(p.masteryDigits)} digits correct a minute, whatever the grade.`,
    schools: ['publishedRate'],
  },
  instructionDigits: {
    label: 'Instruction',
    worth: 1,
    unit: 'digits a minute',
    says: (p) =>
      p.instructionDigits === 0
        ? 'Below the published band of instruction a pupil steps back.'
        : `Below ${numberText(p.instructionDigits)} digits correct a minute a pupil steps back.`,
    schools: ['publishedRate'],
  },
  waysExplained: {
    label: 'Ways explained',
    worth: 1,
    unit: 'ways',
    says: (p) => `${countText(p.waysExplained, 'way')} of finding a fact must have been explained.`,
    schools: ['accurateExplained'],
  },
  retentionFirstDays: {
    label: 'First look back',
    worth: 1,
    unit: 'days',
    says: (p) => `${countText(p.retentionFirstDays, 'day')} after a set is passed it is looked at again.`,
    schools: [],
  },
  retentionSecondDays: {
    label: 'Second look back',
    worth: 1,
    unit: 'days',
    says: (p) => `And once more ${countText(p.retentionSecondDays, 'day')} after it was passed.`,
    schools: [],
  },
  retentionFacts: {
    label: 'Facts of a look back',
    worth: 1,
    unit: 'facts',
    says: (p) => `A look back asks ${countText(p.retentionFacts, 'fact')}.`,
    schools: [],
  },
  retentionShort: {
    label: 'Short at a look back',
    worth: 1,
    unit: 'facts',
    says: (p) =>
      `Where ${p.retentionShort} of them are not recalled, as many again are asked; half or more in all means review.`,
    schools: [],
  },
  lineRun: {
    label: 'Beside the aim line',
    worth: 1,
    unit: 'checks',
    says: (p) =>
      `${p.lineRun} checks running below the aim line mean: change one thing; as many above: raise it or move on.`,
    schools: [],
  },
  newErrors: {
    label: 'Errors on new facts',
    worth: 1,
    unit: 'a day',
    says: (p) => `After ${countText(p.newErrors, 'error')} on new facts a drill deals no new one that day.`,
    schools: [],
  },
  knownPerNew: {
    label: 'Known between new',
    worth: 1,
    unit: 'facts',
    says: (p) =>
      `One new among known: up to ${countText(p.knownPerNew, 'known fact')} between two showings of a new one.`,
    schools: [],
  },
};

/** The names of a policy's numbers, in the order shown. */
export const policyNames = Object.keys(defaultPolicy) as (keyof Policy)[];

/** Whether a school judges by a number. */
export function judgesBy(school: School, name: keyof Policy): boolean {
  const { schools } = policyNumbers[name];
  return schools.length === 0 || schools.includes(school);
}
