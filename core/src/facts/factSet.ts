import type { Aid } from './aid.ts';
import { factKey, unorderedKey, type Fact, type FactKey } from './fact.ts';
import { isMember, type MemberRule } from './memberRule.ts';
import type { Operation } from './operation.ts';
import { factsInRange } from './range.ts';

/** A set as it is written down: data only. */
export interface SetPlan {
  readonly slug: string;
  readonly name: string;
  readonly hint: string;
  readonly aids: readonly Aid[];
  /** Slugs of earlier sets that this one builds on. */
  readonly leansOn: readonly string[];
  readonly rule: MemberRule;
  /** Every fact must be recalled before moving on (the sets of +1, +2, −1, −2). */
  readonly everyFact?: boolean;
}

/** A set worked out over its pathway. */
export interface FactSet {
  /** `strategy/mul/8-as-double-4`. Stored; never changes. */
  readonly id: string;
  readonly name: string;
  readonly operation: Operation;
  readonly hint: string;
  readonly aids: readonly Aid[];
  readonly leansOn: readonly string[];
  readonly everyFact: boolean;
  /** Unordered keys that this set is the first of its pathway to hold. Over the pathway they partition the range. */
  readonly introduces: readonly FactKey[];
  /** Ordered keys of all its members, both orders. Checks draw on these and rules judge these. */
  readonly practises: readonly FactKey[];
}

/** Works out the sets of one pathway for one operation, in order. */
export function layOutSets(pathwayId: string, operation: Operation, plans: readonly SetPlan[]): FactSet[] {
  const range = factsInRange(operation);
  const taken = new Set<FactKey>();
  return plans.map((plan) => {
    const introducedEarlier = new Set(taken);
    const members = range.filter((fact: Fact) =>
      isMember(plan.rule, fact, (one) => introducedEarlier.has(unorderedKey(one))),
    );
    const introduces = [...new Set(members.map(unorderedKey))].filter((key) => !taken.has(key));
    introduces.forEach((key) => taken.add(key));
    return {
      id: `${pathwayId}/${operation}/${plan.slug}`,
      name: plan.name,
      operation,
      hint: plan.hint,
      aids: plan.aids,
      leansOn: plan.leansOn.map((slug) => `${pathwayId}/${operation}/${slug}`),
      everyFact: plan.everyFact ?? false,
      introduces,
      practises: members.map(factKey),
    };
  });
}
