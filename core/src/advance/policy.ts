/** The schools of advancement for sets. */
export const schools = ['minuteAim', 'eachFactInstant', 'publishedRate', 'accurateExplained'] as const;
export type School = (typeof schools)[number];

export const schoolNames: Readonly<Record<School, string>> = {
  minuteAim: 'Minute aim',
  eachFactInstant: 'Each fact instant',
  publishedRate: 'Published rate',
  accurateExplained: 'Accurate and explained',
};

/** What is to be known before a school is chosen; the figures behind it are in docs/judgement.md. */
export const schoolWarnings: Readonly<Partial<Record<School, string>>> = {
  publishedRate:
    'Published rate moves nearly every simulated child on while a fifth or more of the set is not recalled: its bands were found on sheets of a whole grade, not on one set.',
};

/** Whether a school judges without any clock. */
export function isUntimed(school: School): boolean {
  return school === 'accurateExplained';
}

/** The numbers a school judges by. Every one can be changed for a pupil. */
export interface Policy {
  /** Right answers a minute that are asked, where the child's ceiling allows. */
  readonly aimPerMinute: number;
  /** Wrong answers allowed in a check. */
  readonly wrongAllowed: number;
  /** Length of a check, ms. */
  readonly minuteMs: number;
  /** Share of the facts practised that must be recalled. */
  readonly shareRecalled: number;
  /** Facts that may still be short when moving on; they are carried along. */
  readonly shortAllowed: number;
  /** Sets of up to this many facts need all of them. */
  readonly allUpTo: number;
  /** Checks without growth after which one thing should change. */
  readonly flatChecks: number;
  /** Digits correct a minute at which mastery begins; 0: by the published band of the pupil's grade. */
  readonly masteryDigits: number;
  /** Digits correct a minute at which instruction begins; 0: by the published band of the pupil's grade. */
  readonly instructionDigits: number;
  /** Different ways in which facts of the set must have been explained. */
  readonly waysExplained: number;
  /** Days after passing a set on which it is looked at again, first and second. */
  readonly retentionFirstDays: number;
  readonly retentionSecondDays: number;
  /** Facts asked at such a look; asked again as many when `retentionShort` were not recalled. */
  readonly retentionFacts: number;
  readonly retentionShort: number;
  /** Checks running under the aim line after which one thing should change, and above it after which to raise it. */
  readonly lineRun: number;
  /** Errors on new facts after which no new one is dealt that day. */
  readonly newErrors: number;
  /** Known facts between two showings of a new one, at the last. */
  readonly knownPerNew: number;
}

/** Source: common practice for the aim, the errors and the minute; the rest are Veldrift's own defaults. */
export const defaultPolicy: Policy = {
  aimPerMinute: 30,
  wrongAllowed: 2,
  minuteMs: 60_000,
  shareRecalled: 0.85,
  shortAllowed: 2,
  allUpTo: 6,
  flatChecks: 4,
  masteryDigits: 0,
  instructionDigits: 0,
  waysExplained: 2,
  retentionFirstDays: 7,
  retentionSecondDays: 28,
  retentionFacts: 6,
  retentionShort: 3,
  lineRun: 4,
  newErrors: 3,
  knownPerNew: 4,
};

/** The least and most each number may be. */
export const policyBounds: Readonly<
  Record<keyof Policy, { readonly least: number; readonly most: number; readonly whole: boolean }>
> = {
  aimPerMinute: { least: 1, most: 100, whole: false },
  wrongAllowed: { least: 0, most: 20, whole: true },
  minuteMs: { least: 5000, most: 300_000, whole: true },
  shareRecalled: { least: 0.5, most: 1, whole: false },
  shortAllowed: { least: 0, most: 20, whole: true },
  allUpTo: { least: 0, most: 200, whole: true },
  flatChecks: { least: 2, most: 20, whole: true },
  masteryDigits: { least: 0, most: 200, whole: false },
  instructionDigits: { least: 0, most: 200, whole: false },
  waysExplained: { least: 0, most: 5, whole: true },
  retentionFirstDays: { least: 1, most: 60, whole: true },
  retentionSecondDays: { least: 2, most: 365, whole: true },
  retentionFacts: { least: 2, most: 24, whole: true },
  retentionShort: { least: 1, most: 24, whole: true },
  lineRun: { least: 2, most: 12, whole: true },
  newErrors: { least: 1, most: 20, whole: true },
  knownPerNew: { least: 1, most: 12, whole: true },
};

/**
 * What no pupil could ever meet in a policy, as sentences; empty when it can be met. `ceiling`: the pupil's, where measured.
 */
export function policyTroubles(policy: Policy, school: School): string[] {
  const troubles: string[] = [];
  if (policy.retentionSecondDays <= policy.retentionFirstDays)
    troubles.push(
      `The second look at ${policy.retentionSecondDays} days comes no later than the first at ${policy.retentionFirstDays}: make it later.`,
    );
  if (policy.retentionShort > policy.retentionFacts)
    troubles.push(
      `${policy.retentionShort} facts can never be short of ${policy.retentionFacts} asked, so a set would never come up for review: ask more, or let fewer be short.`,
    );
  if (
    school === 'publishedRate' &&
    policy.masteryDigits > 0 &&
    policy.instructionDigits >= policy.masteryDigits
  )
    troubles.push(
      'Instruction begins no lower than mastery: every pupil below mastery would be stepped back.',
    );
  if ((school === 'minuteAim' || school === 'eachFactInstant') && policy.minuteMs < 15_000)
    troubles.push(
      'A minute this short holds too few answers for its count to mean anything: make it 15 s or more.',
    );
  return troubles;
}

/** The policy in force: the preset with a pupil's own numbers over it. Throws RangeError naming the field that is out of bounds. */
export function policyInForce(own: Partial<Policy> = {}): Policy {
  const policy = { ...defaultPolicy, ...own };
  for (const [name, bounds] of Object.entries(policyBounds)) {
    const value = policy[name as keyof Policy];
    if (!(value >= bounds.least && value <= bounds.most) || (bounds.whole && !Number.isInteger(value))) {
      throw new RangeError(
        `policy.${name} should be ${bounds.whole ? 'a whole number' : 'a number'} from ${bounds.least} to ${bounds.most}.`,
      );
    }
  }
  return policy;
}
