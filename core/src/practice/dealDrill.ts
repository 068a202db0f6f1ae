import { answerOf, factKeyText, parseFactKey, unorderedKey, type FactKey } from '../facts/fact.ts';
import { createRandom } from '../random/random.ts';
import {
  chainSecond,
  drillEvidence,
  type DealtPrompt,
  type DealtRole,
  type DrillAnswer,
  type DrillFact,
  type DrillPlan,
} from './drill.ts';

/** A fact that was missed or slow, on its way back. */
export interface LoopItem {
  readonly fact: FactKey;
  /** Prompts since it was last dealt. */
  readonly since: number;
  /** Which gap it waits for. */
  readonly stage: number;
  /** Recalled so many times running. */
  readonly run: number;
}

/** What a drill knows of one fact by now. */
interface Met {
  readonly times: number;
  readonly lastAt: number;
  /** Known at the start and not lost since, or recalled when last asked. */
  readonly known: boolean;
}

/** Where a drill stands. */
export interface DrillReading {
  readonly next: DealtPrompt | undefined;
  readonly dealt: number;
  readonly loop: readonly LoopItem[];
  /** Missed while the loop was full: they join it as places come free. */
  readonly waiting: readonly FactKey[];
  readonly newErrors: number;
  /** New facts have stopped by rule. */
  readonly newStopped: boolean;
  /** Prompts on facts not known when dealt. */
  readonly newPrompts: number;
  readonly met: ReadonlyMap<FactKey, Met>;
  /** One new among known: the new fact under way, and where in its round it is. */
  readonly round: { readonly fact: FactKey; readonly between: number; readonly left: number } | undefined;
  readonly last: DealtPrompt | undefined;
  /** Place in the order of stacked cards. */
  readonly orderAt: number;
}

/** A drill before its first answer. Throws RangeError without facts. */
export function beginDrill(plan: DrillPlan): DrillReading {
  if (plan.facts.length === 0) throw new RangeError('A drill needs facts.');
  return withNext(plan, {
    dealt: 0,
    loop: [],
    waiting: [],
    newErrors: plan.newErrorsToday,
    newStopped: plan.newErrorsToday >= plan.rules.newErrors,
    newPrompts: 0,
    met: new Map(plan.facts.map((one) => [one.fact, { times: 0, lastAt: -1, known: one.known }])),
    round: undefined,
    last: undefined,
    orderAt: 0,
  });
}

/**
 * The drill after an answer to the prompt it dealt. Withdraw and return: a fact missed or slow is shown, an easy one comes,
 * then it comes back, and again after 2, 4, 8 others; recalled three times running it is out. Pure: same answers, same deal.
 */
export function dealAfter(
  plan: DrillPlan,
  reading: DrillReading,
  answer: DrillAnswer,
  timed = true,
): DrillReading {
  const dealt = reading.next;
  if (!dealt) return reading;
  const recalled = drillEvidence(answer.class, timed);
  const before = reading.met.get(dealt.fact);
  const wasNew = !(before?.known ?? true);
  const met = new Map(reading.met);
  met.set(dealt.fact, {
    times: (before?.times ?? 0) + 1,
    lastAt: reading.dealt,
    known: recalled ?? before?.known ?? true,
  });
  const newErrors = reading.newErrors + (answer.class === 'missed' && isNewFact(plan, dealt) ? 1 : 0);
  const loop = nextLoop(plan, reading, dealt, recalled);
  return withNext(plan, {
    dealt: reading.dealt + 1,
    ...loop,
    newErrors,
    newStopped: newErrors >= plan.rules.newErrors,
    newPrompts: reading.newPrompts + (wasNew ? 1 : 0),
    met,
    round: nextRound(plan, reading, dealt),
    last: dealt,
    orderAt: reading.orderAt + (plan.order && dealt.role !== 'return' && dealt.role !== 'chain' ? 1 : 0),
  });
}

/** What comes next and why, as far as can be foreseen: as if each of the coming answers were recalled. */
export function comingPrompts(plan: DrillPlan, reading: DrillReading, most: number): DealtPrompt[] {
  const coming: DealtPrompt[] = [];
  let ahead = reading;
  while (coming.length < most && ahead.next) {
    coming.push(ahead.next);
    ahead = dealAfter(plan, ahead, { fact: ahead.next.fact, class: 'recalled' });
  }
  return coming;
}

/** How many cards from now a fact missed now will come back: where a real card is slid into the pack. */
export function comesBackAfter(plan: DrillPlan, reading: DrillReading, fact: FactKey): number | undefined {
  const at = comingPrompts(plan, reading, 12).findIndex((one) => one.fact === fact);
  return at < 0 ? undefined : at;
}

const isNewFact = (plan: DrillPlan, dealt: DealtPrompt) =>
  plan.facts.some((one) => one.fact === dealt.fact && !one.known);

function nextLoop(
  plan: DrillPlan,
  reading: DrillReading,
  dealt: DealtPrompt,
  recalled: boolean | undefined,
): Pick<DrillReading, 'loop' | 'waiting'> {
  const { rules } = plan;
  let waiting = reading.waiting;
  let loop = reading.loop.flatMap((item): LoopItem[] => {
    if (item.fact !== dealt.fact) return [{ ...item, since: item.since + 1 }];
    if (recalled === undefined) return [{ ...item, since: 0 }];
    if (!recalled) return [{ ...item, since: 0, stage: 0, run: 0 }];
    const run = item.run + 1;
    return run >= rules.outAfter
      ? []
      : [{ ...item, since: 0, run, stage: Math.min(rules.gaps.length - 1, item.stage + 1) }];
  });
  const inLoop = reading.loop.some((item) => item.fact === dealt.fact);
  // One new among known brings its fact back by itself.
  const own = plan.sequence === 'oneNew' && reading.round?.fact === dealt.fact;
  if (recalled === false && !inLoop && !own && !waiting.includes(dealt.fact))
    waiting = [...waiting, dealt.fact];
  while (loop.length < rules.loopMost && waiting.length > 0) {
    const fact = waiting[0] as FactKey;
    loop = [...loop, { fact, since: fact === dealt.fact ? 0 : (rules.gaps[0] as number), stage: 0, run: 0 }];
    waiting = waiting.slice(1);
  }
  return { loop, waiting };
}

function nextRound(plan: DrillPlan, reading: DrillReading, dealt: DealtPrompt): DrillReading['round'] {
  if (plan.sequence !== 'oneNew') return undefined;
  const { round } = reading;
  if (!round) return dealt.role === 'new' ? { fact: dealt.fact, between: 1, left: 1 } : undefined;
  if (dealt.fact === round.fact) return { ...round, left: round.between };
  const left = round.left - 1;
  if (left > 0) return { ...round, left };
  return round.between >= plan.rules.knownPerNew
    ? undefined
    : { ...round, between: round.between + 1, left: 0 };
}

function withNext(plan: DrillPlan, reading: Omit<DrillReading, 'next'>): DrillReading {
  return { ...reading, next: reading.dealt >= plan.most ? undefined : choose(plan, reading) };
}

function choose(plan: DrillPlan, reading: Omit<DrillReading, 'next'>): DealtPrompt | undefined {
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
  if (back) return dealt(plan, reading, back, 'return', returnWhy(reading, back));
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
function dueReturn(plan: DrillPlan, { loop, last }: Omit<DrillReading, 'next'>): FactKey | undefined {
  const over = (item: LoopItem) => item.since - (plan.rules.gaps[item.stage] as number);
  return [...loop]
    .filter((item) => over(item) >= 0 && !(last && sameFact(item.fact, last.fact)))
    .sort((a, b) => over(b) - over(a))[0]?.fact;
}

function returnWhy({ loop }: Omit<DrillReading, 'next'>, fact: FactKey): string {
  const item = loop.find((one) => one.fact === fact);
  if (!item || (item.run === 0 && item.stage === 0))
    return 'Missed or slow a moment ago; again while it is fresh.';
  return `Comes back: recalled ${item.run} of 3 times running.`;
}

function chooseOneNew(plan: DrillPlan, reading: Omit<DrillReading, 'next'>): DealtPrompt | undefined {
  const { round } = reading;
  if (round && round.left === 0)
    return dealt(plan, reading, round.fact, 'new', `The new one, now after ${round.between - 1} known.`);
  if (round) return pickKnown(plan, reading, 'known') ?? anyOther(plan, reading);
  return pickNew(plan, reading) ?? pickKnown(plan, reading, 'known') ?? anyOther(plan, reading);
}

/** Least evidence first; of equals by lot, the same lot for the same seed. */
function pickNew(plan: DrillPlan, reading: Omit<DrillReading, 'next'>): DealtPrompt | undefined {
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
      ? 'New: nothing is known of it yet.'
      : `Not yet known: ${fact.evidence} answers so far.`;
  return dealt(plan, reading, fact.fact, 'new', why);
}

/** A known fact: those due for review first, then those of the set, then the ones longest unasked; least evidence first. */
function pickKnown(
  plan: DrillPlan,
  reading: Omit<DrillReading, 'next'>,
  role: 'known' | 'easy',
): DealtPrompt | undefined {
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
function anyOther(plan: DrillPlan, reading: Omit<DrillReading, 'next'>): DealtPrompt | undefined {
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

const shown = (one: DrillFact, reading: Omit<DrillReading, 'next'>) =>
  one.evidence + (reading.met.get(one.fact)?.times ?? 0);

const inTreatment = ({ loop, waiting, round }: Omit<DrillReading, 'next'>, fact: FactKey) =>
  loop.some((item) => item.fact === fact) || waiting.includes(fact) || round?.fact === fact;

const sameFact = (a: FactKey, b: FactKey) =>
  a === b || unorderedKey(parseFactKey(a)) === unorderedKey(parseFactKey(b));

const sameAsLast = ({ last }: Omit<DrillReading, 'next'>, one: DrillFact) =>
  last !== undefined && sameFact(last.fact, one.fact);

/** Two new facts side by side share no answer and, unless it is fixed, no operand. */
function mayFollow(plan: DrillPlan, { last, met }: Omit<DrillReading, 'next'>, one: DrillFact): boolean {
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
  reading: Omit<DrillReading, 'next'>,
  fact: FactKey,
  role: DealtRole,
  why: string,
): DealtPrompt {
  return { fact, role, why, chain: chainFrom(plan, reading, fact) };
}

/** Opens a chain of three on a sum or product where a third card keeps it in range. */
function chainFrom(
  plan: DrillPlan,
  { met, dealt: at }: Omit<DrillReading, 'next'>,
  fact: FactKey,
): DealtPrompt['chain'] {
  if (!plan.chain) return null;
  const first = parseFactKey(fact);
  if (first.operation !== 'add' && first.operation !== 'mul') return null;
  const middle = answerOf(first);
  if (middle > chainRange) return null;
  const random = createRandom(plan.seed + at * 104_729);
  const cards = Array.from({ length: plan.chain.ranks }, (_, n) => n + 1);
  const times = (card: number) => met.get(chainSecond(fact, card))?.times ?? 0;
  const least = Math.min(...cards.map(times));
  const fit = cards.filter((card) => times(card) === least);
  return { cards: [first.left, first.right, fit[random.int(0, fit.length - 1)] as number], part: 0 };
}

/** A chain goes on only from a middle result that is itself in the range of the facts. */
export const chainRange = 12;

/** A line for the tutor on a fact dealt: "7 × 8, new". */
export function dealtText(prompt: DealtPrompt): string {
  return `${factKeyText(prompt.fact)}, ${prompt.role === 'return' ? 'coming back' : prompt.role}`;
}
