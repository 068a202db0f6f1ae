import { answerOf, type Fact } from './fact.ts';

/**
 * Which facts belong to a set, as data. For × and + the two parts are the operands; for − they are
 * the subtrahend and the answer, for ÷ the divisor and the quotient, so one rule reads a fact and its inverse.
 */
export type MemberRule =
  | { readonly kind: 'part'; readonly values: readonly number[] } // either part is one of these
  | { readonly kind: 'taken'; readonly values: readonly number[] } // the subtrahend or divisor is one of these
  | { readonly kind: 'answer'; readonly values: readonly number[] } // the answer is one of these
  | { readonly kind: 'equalParts'; readonly from: number; readonly to: number }
  | { readonly kind: 'partsApart'; readonly by: number }
  | { readonly kind: 'whole'; readonly from: number; readonly to: number } // sum, product, minuend or dividend
  | { readonly kind: 'partsWithin'; readonly from: number; readonly to: number } // both parts lie here
  | { readonly kind: 'any'; readonly of: readonly MemberRule[] }
  | { readonly kind: 'all'; readonly of: readonly MemberRule[] }
  | { readonly kind: 'notYet' }; // what no earlier set of the pathway introduced

/** The two parts of a fact's family and their whole. */
export function partsOf(fact: Fact): { readonly parts: readonly [number, number]; readonly whole: number } {
  const answer = answerOf(fact);
  return fact.operation === 'add' || fact.operation === 'mul'
    ? { parts: [fact.left, fact.right], whole: answer }
    : { parts: [fact.right, answer], whole: fact.left };
}

/** Whether a fact is a member. `introducedEarlier` answers the rule `notYet`. */
export function isMember(rule: MemberRule, fact: Fact, introducedEarlier: (fact: Fact) => boolean): boolean {
  const { parts, whole } = partsOf(fact);
  switch (rule.kind) {
    case 'part':
      return parts.some((part) => rule.values.includes(part));
    case 'taken':
      return rule.values.includes(fact.right);
    case 'answer':
      return rule.values.includes(answerOf(fact));
    case 'equalParts':
      return parts[0] === parts[1] && parts[0] >= rule.from && parts[0] <= rule.to;
    case 'partsApart':
      return Math.abs(parts[0] - parts[1]) === rule.by;
    case 'whole':
      return whole >= rule.from && whole <= rule.to;
    case 'partsWithin':
      return parts.every((part) => part >= rule.from && part <= rule.to);
    case 'any':
      return rule.of.some((one) => isMember(one, fact, introducedEarlier));
    case 'all':
      return rule.of.every((one) => isMember(one, fact, introducedEarlier));
    case 'notYet':
      return !introducedEarlier(fact);
  }
}
