import { factKey, parseFactKey, turnaroundOf, unorderedKey, type Fact, type FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import { factsWithoutThought } from '../facts/range.ts';
import { createRandom, shuffled } from '../random/random.ts';
import type { AnswerClass } from '../recall/answerClass.ts';
import { easyAnswersNeeded } from '../recall/provisionalOverhead.ts';
import { placementOdds, type SetTally } from './placementOdds.ts';
import { advanceSearch, nextSet, placementSampleLong, type PlacementSearch } from './placementSearch.ts';

/** The most prompts a placement asks, the easy one that closes it among them. */
export const mostPlacementPrompts = 36;
/** The sets of one operation on a pathway, in order, and how they are to be asked. */
export interface PlacementPlan {
  readonly sets: readonly Pick<FactSet, 'id' | 'name' | 'introduces'>[];
  /** The set to begin asking with: 0, or the tutor's guess. */
  readonly startAt: number;
  readonly seed: number;
  /** Prompts in all; `mostPlacementPrompts` when left out. */
  readonly most?: number;
  /** False where no clock is wanted: then a right answer without working seen counts as recalled. */
  readonly timed: boolean;
  /** It opens with an easy fact that decides nothing. Placements begun before there was one say nothing. */
  readonly opens?: boolean;
  /** It opens with facts that need no thought, so that the time of a keypad nobody measured is known; they decide nothing. */
  readonly warmsUp?: boolean;
}

/** One answer of a placement, in the order given. */
export interface PlacementAnswer {
  readonly fact: FactKey;
  readonly class: AnswerClass;
}

export interface PlacementPrompt {
  readonly fact: FactKey;
  /** Place of its set on the pathway. */
  readonly set: number;
  /** For the tutor: why this one. */
  readonly why: string;
  /** The easy fact that opens or closes the visit; it decides nothing. */
  readonly opening?: boolean;
  readonly closing: boolean;
}

/** Where a placement stands after some answers. */
export interface PlacementReading {
  /** What to ask next; undefined when it is over. */
  readonly next: PlacementPrompt | undefined;
  /** What was found of each set. */
  readonly tallies: readonly SetTally[];
  /** The chance of each set to be the first that is not instant; one more at the end: all of them are. */
  readonly odds: readonly number[];
  readonly answers: readonly PlacementAnswer[];
  /** How far the search has come. */
  readonly search: PlacementSearch;
  /** Facts asked of each set, those without evidence among them. */
  readonly used: readonly number[];
  /** The order in which the facts of each set are asked. */
  readonly orders: readonly (readonly FactKey[])[];
}

/**
 * Reads a placement: gallops up from the first set (1, 2, 4 … further), then bisects, by the rule 4 of 4 or 5 of 6; with
 * what is left of its prompts it looks at the set that would tell most. Pure: the same answers give the same prompt, so undo,
 * going on another day and replay need nothing more. Throws RangeError without sets or with a start that is none of them.
 */
export function readPlacement(plan: PlacementPlan, answers: readonly PlacementAnswer[]): PlacementReading {
  return answers.reduce((reading, answer) => placeAnswer(plan, reading, answer), beginPlacement(plan));
}

/** A placement before its first answer. Throws as `readPlacement` does. */
export function beginPlacement(plan: PlacementPlan): PlacementReading {
  const count = plan.sets.length;
  if (count === 0) throw new RangeError('A placement needs one set or more.');
  if (!Number.isInteger(plan.startAt) || plan.startAt < 0 || plan.startAt >= count)
    throw new RangeError(`startAt should be a whole number from 0 to ${count - 1}.`);
  const tallies = plan.sets.map((): SetTally => ({ recalled: 0, short: 0 }));
  const opening = plan.opens && !plan.warmsUp ? openingPrompt(plan).fact : undefined;
  return withNext(plan, {
    tallies,
    odds: placementOdds(tallies),
    answers: [],
    search: { below: -1, above: undefined, step: 1, at: plan.startAt },
    used: plan.sets.map(() => 0),
    orders: plan.sets.map((set, at) => {
      const order = askingOrder(set.introduces, plan.seed + at * 7919);
      // What opens is not asked again of its set, where that has enough others.
      const others = order.filter((fact) => fact !== opening);
      return others.length < placementSampleLong ? order : others;
    }),
  });
}

/** The placement after one more answer, to the prompt it asked. */
export function placeAnswer(
  plan: PlacementPlan,
  reading: PlacementReading,
  answer: PlacementAnswer,
): PlacementReading {
  const answers = [...reading.answers, answer];
  const asked = reading.next;
  if (!asked || asked.closing) return { ...reading, answers, next: undefined };
  if (asked.opening) return withNext(plan, { ...reading, answers });
  const used = reading.used.map((one, at) => (at === asked.set ? one + 1 : one));
  const evidence = evidenceOf(answer.class, plan.timed);
  const tallies = reading.tallies.map((one, at) =>
    at !== asked.set || evidence === undefined
      ? one
      : evidence
        ? { ...one, recalled: one.recalled + 1 }
        : { ...one, short: one.short + 1 },
  );
  const search = advanceSearch(reading.search, tallies, reading.orders, used, plan.sets.length);
  return withNext(plan, {
    tallies,
    odds: evidence === undefined ? reading.odds : placementOdds(tallies),
    answers,
    search,
    used,
    orders: reading.orders,
  });
}

function withNext(plan: PlacementPlan, reading: Omit<PlacementReading, 'next'>): PlacementReading {
  const { answers, search, odds, used, orders, tallies } = reading;
  const { asked: warmUps, goesOn } = warmUpsOf(plan, answers);
  if (goesOn) return { ...reading, next: warmUpPrompt(plan, warmUps) };
  if (plan.opens && !plan.warmsUp && answers.length === 0) return { ...reading, next: openingPrompt(plan) };
  const most = (plan.most ?? mostPlacementPrompts) + warmUps;
  const at = answers.length < most - 1 ? nextSet(search, odds, orders, used) : undefined;
  if (at !== undefined) {
    const fact = orders[at]?.[used[at] as number] as FactKey;
    return { ...reading, next: { fact, set: at, closing: false, why: whyOf(search, at, plan, tallies) } };
  }
  return { ...reading, next: answers.length === 0 ? undefined : closingPrompt(plan, answers.slice(warmUps)) };
}

/** The most facts that need no thought that are asked, where some of them gave no time. */
const mostWarmUps = 8;

/** How many answers were to facts that need no thought, and whether more of them are wanted. */
function warmUpsOf(
  plan: PlacementPlan,
  answers: readonly PlacementAnswer[],
): { readonly asked: number; readonly goesOn: boolean } {
  if (!plan.warmsUp) return { asked: 0, goesOn: false };
  let usable = 0;
  let asked = 0;
  for (const { class: name } of answers) {
    if (usable === easyAnswersNeeded || asked === mostWarmUps) return { asked, goesOn: false };
    asked += 1;
    if (name !== 'missed' && name !== 'right') usable += 1;
  }
  return { asked, goesOn: usable < easyAnswersNeeded && asked < mostWarmUps };
}

/** Facts that need no thought, each once: 2 to 9 with 0 or 1. */
function warmUpPrompt(plan: PlacementPlan, nth: number): PlacementPrompt {
  const operation = parseFactKey(plan.sets[0]?.introduces[0] as FactKey).operation;
  const facts = factsWithoutThought(operation).filter((fact) => fact.left >= 2 && fact.left <= 9);
  const fact = shuffled(facts, createRandom(plan.seed))[nth] as Fact;
  return {
    fact: factKey(fact),
    set: 0,
    opening: true,
    closing: false,
    why: 'Needs no thought: it shows how long the keys take. It decides nothing.',
  };
}

/** True: recalled; false: short of it; undefined: no evidence. */
function evidenceOf(name: AnswerClass, timed: boolean): boolean | undefined {
  switch (name) {
    case 'recalled':
      return true;
    case 'workedOut':
    case 'missed':
      return false;
    case 'right':
      return timed ? undefined : true;
    case 'noEvidence':
      return undefined;
  }
}

/** The facts of a set in the order they are asked: each in one order first, then those turned around. */
function askingOrder(introduces: readonly FactKey[], seed: number): FactKey[] {
  const random = createRandom(seed);
  const first = shuffled(introduces, random).map((key) => {
    const turned = turnaroundOf(parseFactKey(key));
    return turned && random.unit() < 0.5 ? factKey(turned) : key;
  });
  const turned = first.flatMap((key) => {
    const other = turnaroundOf(parseFactKey(key));
    return other && factKey(other) !== key ? [factKey(other)] : [];
  });
  return [...first, ...shuffled(turned, random)];
}

function whyOf(
  search: PlacementSearch,
  at: number,
  plan: PlacementPlan,
  tallies: readonly SetTally[],
): string {
  const name = plan.sets[at]?.name ?? '';
  const { recalled, short } = tallies[at] as SetTally;
  const soFar = recalled + short === 0 ? '' : ` ${recalled} of ${recalled + short} recalled so far.`;
  if (search.at === undefined) return `A second look at ${name}, which would tell most.${soFar}`;
  if (search.above === undefined) return `Going up: ${name}.${soFar}`;
  return `Between ${search.below < 0 ? 'the beginning' : plan.sets[search.below]?.name} and ${plan.sets[search.above]?.name}: ${name}.${soFar}`;
}

/** The easiest fact there is: the smallest numbers, none of them 0, which has rules of its own. */
function openingPrompt(plan: PlacementPlan): PlacementPrompt {
  const size = (key: FactKey) => {
    const { left, right } = parseFactKey(key);
    return left + right + (Math.min(left, right) === 0 ? 1000 : 0);
  };
  const all = plan.sets.flatMap(({ introduces }, set) => introduces.map((fact) => ({ fact, set })));
  const [first, ...others] = all as [(typeof all)[0], ...typeof all];
  const easiest = others.reduce((best, one) => (size(one.fact) < size(best.fact) ? one : best), first);
  return { ...easiest, opening: true, closing: false, why: 'An easy one to begin with; it decides nothing.' };
}

/** An easy fact to end on: one recalled, from as early as can be; else the first of the first set. */
function closingPrompt(plan: PlacementPlan, answers: readonly PlacementAnswer[]): PlacementPrompt {
  const setOf = (fact: FactKey) =>
    plan.sets.findIndex((set) => set.introduces.includes(unorderedKey(parseFactKey(fact))));
  const easy = answers
    .filter((one) => evidenceOf(one.class, plan.timed) === true && one !== answers.at(-1))
    .sort((a, b) => setOf(a.fact) - setOf(b.fact))[0];
  const fact = easy?.fact ?? (plan.sets[0]?.introduces[0] as FactKey);
  return { fact, set: Math.max(0, setOf(fact)), closing: true, why: 'An easy one to end on.' };
}
