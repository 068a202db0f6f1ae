import {
  defaultDrillRules,
  drillPool,
  earlierFacts,
  mostStrays,
  fixedNumberFacts,
  operationNames,
  pairFacts,
  parseFactKey,
  publishedKnownPerNew,
  type DrillPlan,
  type DrillSequence,
  type FactKey,
  type FactSet,
} from '@veldrift/core';
import { findPathway } from '../../app/book.ts';
import { takesNoTime, policyOf, type Deal, type Pupil } from '@veldrift/wire';

/** What a tutor chooses of a drill. */
export interface DrillChoice {
  readonly form: 'set' | 'oneNumber' | 'pairs';
  readonly sequence: DrillSequence;
  readonly most: number;
  readonly fixed: number;
  readonly mixed: boolean;
  readonly called: boolean;
  readonly hidden: 'result' | 'right';
  readonly ranks: number;
  readonly chain: boolean;
  readonly pack: boolean;
  /** A fact before each move of a game that the app knows nothing of. */
  readonly toll: boolean;
}

/** A drill as it is dealt. */
export interface MadeDrill {
  readonly plan: DrillPlan;
  readonly title: string;
  readonly deal: Deal;
}

/** The drill offered first: the set, withdrawn and returned, forty prompts. */
export function firstDrill(set: FactSet): DrillChoice {
  return {
    form: 'set',
    sequence: 'withdraw',
    most: 40,
    fixed: likelyNumber(set),
    mixed: false,
    called: false,
    hidden: 'result',
    ranks: 10,
    chain: false,
    pack: false,
    toll: false,
  };
}

/** The number that most facts of the set share. */
function likelyNumber(set: FactSet): number {
  const counts = new Map<number, number>();
  for (const key of set.practises) {
    const { left, right, operation } = parseFactKey(key);
    const numbers = operation === 'add' || operation === 'mul' ? new Set([left, right]) : new Set([right]);
    for (const n of numbers) if (n <= 12) counts.set(n, (counts.get(n) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 2;
}

/** The plan of a drill for a pupil as they stand. `today` is a day number. */
export function drillPlanFor(
  pupil: Pupil,
  set: FactSet,
  choice: DrillChoice,
  seed: number,
  today: number,
): MadeDrill {
  const policy = policyOf(pupil);
  const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
  const oneNumber = choice.form === 'oneNumber';
  const facts = factsOf(pupil, set, choice);
  const earlier =
    choice.form === 'set'
      ? earlierFacts(sets, set.id)
      : oneNumber && choice.mixed
        ? [...set.practises, ...earlierFacts(sets, set.id, 1)]
        : [];
  const called = oneNumber && choice.called;
  const plan: DrillPlan = {
    sequence: choice.sequence,
    facts: drillPool(facts, earlier, pupil.tried, today, choice.form === 'set' ? mostStrays : 0),
    rules: {
      ...defaultDrillRules,
      newErrors: policy.newErrors,
      knownPerNew: Math.min(policy.knownPerNew, publishedKnownPerNew + 3),
    },
    most: choice.most,
    seed,
    newErrorsToday: 0,
    chain: choice.form === 'pairs' && choice.chain ? { ranks: choice.ranks } : null,
    fixed: oneNumber ? choice.fixed : null,
    order: called ? inTurn(facts, choice.most) : null,
    hidden: oneNumber ? choice.hidden : 'result',
  };
  return { plan, title: titleOf(pupil, set, choice), deal: dealOf(pupil, choice, plan) };
}

/** The fewest facts a warm-up is made of; of fewer known ones the drill of the set is dealt. */
const fewestKnown = 4;
const warmUpPrompts = 20;

/** A drill of known facts alone, the due first: to begin a visit with. */
export function warmUpFor(pupil: Pupil, set: FactSet, seed: number, today: number): MadeDrill {
  const made = drillPlanFor(pupil, set, { ...firstDrill(set), most: warmUpPrompts }, seed, today);
  const known = made.plan.facts.filter((one) => one.known);
  return known.length < fewestKnown
    ? made
    : { ...made, title: `Warm-up before ${set.name}`, plan: { ...made.plan, facts: known } };
}

function factsOf(pupil: Pupil, set: FactSet, choice: DrillChoice): FactKey[] {
  switch (choice.form) {
    case 'set':
      return [...set.practises];
    case 'oneNumber':
      return fixedNumberFacts(pupil.operation, choice.fixed);
    case 'pairs':
      return pairFacts(pupil.operation, choice.ranks);
  }
}

/** The wild card called 1, 2, 3 … and round again. */
function inTurn(facts: readonly FactKey[], most: number): FactKey[] {
  const called = facts.slice(1);
  return Array.from({ length: most }, (_, at) => called[at % called.length] as FactKey);
}

function titleOf(pupil: Pupil, set: FactSet, choice: DrillChoice): string {
  return `${choice.toll ? 'Toll: ' : ''}${formTitle(pupil, set, choice)}`;
}

function formTitle(pupil: Pupil, set: FactSet, { form, fixed, ranks, chain, sequence }: DrillChoice): string {
  const order = sequence === 'withdraw' ? 'withdraw and return' : 'one new among known';
  switch (form) {
    case 'set':
      return `${set.name}, ${order}`;
    case 'oneNumber':
      return `Minute on one number: ${fixed}, ${order}`;
    case 'pairs':
      return `Quick pairs to ${ranks}${chain ? ', three in a chain' : ''}, ${operationNames[pupil.operation].toLowerCase()}`;
  }
}

function dealOf(pupil: Pupil, choice: DrillChoice, plan: DrillPlan): Deal {
  return {
    form: choice.form,
    operation: pupil.operation,
    pathwayId: pupil.pathwayId,
    sequence: choice.sequence,
    fixed: plan.fixed,
    ranks: choice.ranks,
    chain: plan.chain !== null,
    called: plan.order !== null,
    hidden: plan.hidden,
    pack: choice.pack,
    toll: choice.toll,
    timed: !takesNoTime(pupil),
  };
}
