/** The schools of advancement for sets that ship so far. */
export const schools = ['minuteAim', 'eachFactInstant'] as const;
export type School = (typeof schools)[number];

export const schoolNames: Readonly<Record<School, string>> = {
  minuteAim: 'Minute aim',
  eachFactInstant: 'Each fact instant',
};

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
};

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
