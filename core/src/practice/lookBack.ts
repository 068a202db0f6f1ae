import type { FactKey } from '../facts/fact.ts';
import { createRandom, shuffled } from '../random/random.ts';
import type { AnswerClass } from '../recall/answerClass.ts';

/** How many facts a look back asks: so many, and as many again when so many of the first were not recalled. */
export interface LookRules {
  readonly retentionFacts: number;
  readonly retentionShort: number;
}

/** A look back at a set passed: which facts, in the order asked. */
export interface LookPlan extends LookRules {
  readonly facts: readonly FactKey[];
  readonly timed: boolean;
}

/** The facts of a look: a draw from the set without repeats; the same seed gives the same facts in the same order. */
export function retentionFacts(practises: readonly FactKey[], seed: number, most: number): FactKey[] {
  return shuffled([...new Set(practises)], createRandom(seed)).slice(0, most);
}

/** How many facts a look asks, from its answers so far: more when too many of the first were not recalled. */
export function retentionAsks(answers: readonly { readonly class: AnswerClass }[], rules: LookRules): number {
  const first = answers.slice(0, rules.retentionFacts);
  return notRecalled(first).length >= rules.retentionShort ? 2 * rules.retentionFacts : rules.retentionFacts;
}

export const notRecalled = <A extends { readonly class: AnswerClass }>(answers: readonly A[]): A[] =>
  answers.filter((one) => one.class === 'workedOut' || one.class === 'missed');

/** What a look asks after some answers; undefined when it is over. */
export function nextOfLook(
  plan: LookPlan,
  answers: readonly { readonly class: AnswerClass }[],
): { readonly fact: FactKey; readonly why: string } | undefined {
  const fact = answers.length < retentionAsks(answers, plan) ? plan.facts[answers.length] : undefined;
  if (fact === undefined) return undefined;
  const more = answers.length >= plan.retentionFacts;
  return {
    fact,
    why: more
      ? 'Too many of the first were not recalled: as many again.'
      : 'One of a few facts of a set passed.',
  };
}
