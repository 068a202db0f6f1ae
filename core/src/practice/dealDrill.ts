import { factKeyText, type FactKey } from '../facts/fact.ts';
import { chooseNext, roundUnderWay } from './chooseNext.ts';
import { drillEvidence, type DealtPrompt, type DrillAnswer, type DrillPlan } from './drill.ts';
import type { BeforeNext, DrillReading, LoopItem } from './drillReading.ts';

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
  const round = roundUnderWay(plan, reading);
  if (!round) return dealt.role === 'new' ? { fact: dealt.fact, between: 1, left: 1 } : undefined;
  if (dealt.fact === round.fact) return { ...round, left: round.between };
  const left = round.left - 1;
  if (left > 0) return { ...round, left };
  return round.between >= plan.rules.knownPerNew
    ? undefined
    : { ...round, between: round.between + 1, left: 0 };
}

function withNext(plan: DrillPlan, reading: BeforeNext): DrillReading {
  return { ...reading, next: reading.dealt >= plan.most ? undefined : chooseNext(plan, reading) };
}

/** A line for the tutor on a fact dealt: "7 × 8, new". */
export function dealtText(prompt: DealtPrompt): string {
  return `${factKeyText(prompt.fact)}, ${prompt.role === 'return' ? 'coming back' : prompt.role}`;
}
