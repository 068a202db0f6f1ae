import { answerOf, parseFactKey, unorderedKey, type FactKey } from '../facts/fact.ts';
import { createRandom, mixSeed } from '../random/random.ts';
import { chainSecond, type DealtPrompt, type DealtRole, type DrillFact, type DrillPlan } from './drill.ts';
import type { BeforeNext, LoopItem } from './drillReading.ts';

/** What a drill deals next; undefined when nothing is left to deal. Pure: the same reading, the same choice. */
export function chooseNext(plan: DrillPlan, reading: BeforeNext): DealtPrompt | undefined {
  const { last } = reading;
  if (last?.chain?.part === 0) {
    return {
      fact: chainSecond(last.fact, last.chain.cards[2]),
      role: 'chain',
      why: `The third card of the chain, ${last.chain.cards[2]}.`,
      chain: { cards: last.chain.cards, part: 1 },
    };
  }
  const back = dueReturn(plan, reading);
  if (back) return dealt(plan, reading, back, 'return', returnWhy(plan, reading, back));
  if (plan.order) {
    const fact = plan.order[reading.orderAt];
    return fact === undefined ? undefined : dealt(plan, reading, fact, 'known', 'Next in the stack.');
  }
  if (plan.sequence === 'oneNew') return chooseOneNew(plan, reading);
  const resting = reading.loop.some((item) => item.since === 0 && item.stage === 0);
  if (resting) {
    const easy = pickKnown(plan, reading, 'easy');
    if (easy) return easy;
  }
  const fresh = pickNew(plan, reading);
  const known = pickKnown(plan, reading, 'known');
  const share = (reading.newPrompts + 1) / (reading.dealt + 1);
  // The first prompt is a known one where there is any; after it new ones as their share allows.
  if (fresh && (!known || (reading.dealt > 0 && share <= plan.rules.newShareMost))) return fresh;
  return known ?? fresh ?? anyOther(plan, reading);
}

/** The return that has waited long enough; of several, the one that has waited longest past its gap. */
function dueReturn(plan: DrillPlan, { loop, last }: BeforeNext): FactKey | undefined {
  const over = (item: LoopItem) => item.since - (plan.rules.gaps[item.stage] as number);
  return [...loop]
    .filter((item) => over(item) >= 0 && !(last && sameFact(item.fact, last.fact)))
    .sort((a, b) => over(b) - over(a))[0]?.fact;
}

function returnWhy({ rules }: DrillPlan, { loop }: BeforeNext, fact: FactKey): string {
  const item = loop.find((one) => one.fact === fact);
  if (!item || (item.run === 0 && item.stage === 0))
    return 'Missed or slow a moment ago; again while it is fresh.';
  return `Comes back: recalled ${item.run} of ${rules.outAfter} times running.`;
}

/** The round of one new among known; none where its fact is no longer dealt: the cards of a stacked pack are used up. */
export const roundUnderWay = (
  { facts }: Pick<DrillPlan, 'facts'>,
  { round }: Pick<BeforeNext, 'round'>,
): BeforeNext['round'] => (round && facts.some((one) => one.fact === round.fact) ? round : undefined);

function chooseOneNew(plan: DrillPlan, reading: BeforeNext): DealtPrompt | undefined {
  const round = roundUnderWay(plan, reading);
  if (round && round.left === 0)
    return dealt(plan, reading, round.fact, 'new', `The new one, now after ${round.between - 1} known.`);
  if (round) return pickKnown(plan, reading, 'known') ?? anyOther(plan, reading);
  return pickNew(plan, reading) ?? pickKnown(plan, reading, 'known') ?? anyOther(plan, reading);
}

/** Least evidence first; of equals by lot, the same lot for the same seed. */
function pickNew(plan: DrillPlan, reading: BeforeNext): DealtPrompt | undefined {
  if (reading.newStopped || reading.loop.length >= plan.rules.loopMost) return undefined;
  const lot = lots(plan);
  const fresh = plan.facts.filter(
    (one) =>
      !reading.met.get(one.fact)?.known && !inTreatment(reading, one.fact) && mayFollow(plan, reading, one),
  );
  const fact = least(fresh, (a, b) => shown(a, reading) - shown(b, reading) || lot(a) - lot(b));
  if (!fact) return undefined;
  const why =
    fact.evidence === 0
      ? fact.asked
        ? 'Asked before, but nothing is known of it yet.'
        : 'New: nothing is known of it yet.'
      : fact.ofSet
        ? `Not yet known: ${fact.evidence} answers so far.`
        : 'Carried along from an earlier set: not recalled of late.';
  return dealt(plan, reading, fact.fact, 'new', why);
}

/** A known fact: those due for review first, then those of the set, then the ones longest unasked; least evidence first. */
function pickKnown(plan: DrillPlan, reading: BeforeNext, role: 'known' | 'easy'): DealtPrompt | undefined {
  const lot = lots(plan);
  const lastAt = (one: DrillFact) => reading.met.get(one.fact)?.lastAt ?? -1;
  const rank = (one: DrillFact) => (one.due && lastAt(one) < 0 ? 0 : one.ofSet ? 1 : 2);
  const known = plan.facts.filter(
    (one) => reading.met.get(one.fact)?.known && !inTreatment(reading, one.fact) && !sameAsLast(reading, one),
  );
  const found = least(known, (a, b) =>
    role === 'easy'
      ? shown(b, reading) - shown(a, reading) || lastAt(a) - lastAt(b) || lot(a) - lot(b)
      : rank(a) - rank(b) ||
        shown(a, reading) - shown(b, reading) ||
        lastAt(a) - lastAt(b) ||
        lot(a) - lot(b),
  );
  if (!found) return undefined;
  if (role === 'easy') return dealt(plan, reading, found.fact, 'easy', 'An easy one in between.');
  if (found.due && lastAt(found) < 0) return dealt(plan, reading, found.fact, 'due', 'Due for review.');
  return dealt(plan, reading, found.fact, 'known', found.ofSet ? 'Known, of this set.' : 'Known, kept warm.');
}

/** Where nothing else is left: whatever was dealt longest ago. */
function anyOther(plan: DrillPlan, reading: BeforeNext): DealtPrompt | undefined {
  const lastAt = (one: DrillFact) => reading.met.get(one.fact)?.lastAt ?? -1;
  const usable = plan.facts.filter(
    (one) => !reading.newStopped || reading.met.get(one.fact)?.known || lastAt(one) >= 0,
  );
  const pool = usable.filter((one) => !sameAsLast(reading, one));
  const found = [...(pool.length > 0 ? pool : usable)].sort((a, b) => lastAt(a) - lastAt(b))[0];
  return found && dealt(plan, reading, found.fact, 'known', 'Nothing else is left to deal.');
}

/** The first by a comparison, in one pass. */
function least<T>(list: readonly T[], compare: (a: T, b: T) => number): T | undefined {
  let best: T | undefined;
  for (const one of list) if (best === undefined || compare(one, best) < 0) best = one;
  return best;
}

const shown = (one: DrillFact, reading: BeforeNext) => one.evidence + (reading.met.get(one.fact)?.times ?? 0);

const inTreatment = ({ loop, waiting, round }: BeforeNext, fact: FactKey) =>
  loop.some((item) => item.fact === fact) || waiting.includes(fact) || round?.fact === fact;

const sameFact = (a: FactKey, b: FactKey) =>
  a === b || unorderedKey(parseFactKey(a)) === unorderedKey(parseFactKey(b));

const sameAsLast = ({ last }: BeforeNext, one: DrillFact) =>
  last !== undefined && sameFact(last.fact, one.fact);

/** Two new facts side by side share no answer and, unless it is fixed, no operand. */
function mayFollow(plan: DrillPlan, { last, met }: BeforeNext, one: DrillFact): boolean {
  if (!last) return true;
  if (sameFact(last.fact, one.fact)) return false;
  if (last.role !== 'new' || met.get(last.fact)?.known) return true;
  const [a, b] = [parseFactKey(last.fact), parseFactKey(one.fact)];
  if (answerOf(a) === answerOf(b)) return false;
  if (plan.fixed !== null) return true;
  return ![a.left, a.right].some((n) => n === b.left || n === b.right);
}

function lots(plan: DrillPlan): (one: DrillFact) => number {
  let known = lotsOf.get(plan);
  if (!known) {
    const random = createRandom(plan.seed);
    known = new Map(plan.facts.map((one) => [one.fact, random.unit()]));
    lotsOf.set(plan, known);
  }
  return (one) => known.get(one.fact) ?? 0;
}

const lotsOf = new WeakMap<DrillPlan, Map<FactKey, number>>();

function dealt(
  plan: DrillPlan,
  reading: BeforeNext,
  fact: FactKey,
  role: DealtRole,
  why: string,
): DealtPrompt {
  return { fact, role, why, chain: chainFrom(plan, reading, fact) };
}

/** Opens a chain of three on a sum or product where a third card keeps it in range. */
function chainFrom(plan: DrillPlan, { met, dealt: at }: BeforeNext, fact: FactKey): DealtPrompt['chain'] {
  if (!plan.chain) return null;
  const first = parseFactKey(fact);
  if (first.operation !== 'add' && first.operation !== 'mul') return null;
  const middle = answerOf(first);
  if (middle > chainRange) return null;
  const random = createRandom(mixSeed(plan.seed, at));
  const cards = Array.from({ length: plan.chain.ranks }, (_, n) => n + 1);
  const times = (card: number) => met.get(chainSecond(fact, card))?.times ?? 0;
  const least = Math.min(...cards.map(times));
  const fit = cards.filter((card) => times(card) === least);
  return { cards: [first.left, first.right, fit[random.int(0, fit.length - 1)] as number], part: 0 };
}

/** A chain goes on only from a middle result that is itself in the range of the facts. */
export const chainRange = 12;
