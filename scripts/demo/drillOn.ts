import {
  beginDrill,
  dealAfter,
  drillPool,
  earlierFacts,
  placeOfSet,
  plainDrill,
  type FactKey,
  type FactSet,
  type JudgedAnswer,
  type TriedFact,
} from '@veldrift/core';
import type { PlayAsk } from './plays.ts';

const drillPrompts = 20;

/** A drill on a set, withdraw and return, dealt by what was answered before. */
export function drillOn(
  set: FactSet,
  sets: readonly FactSet[],
  judged: readonly JudgedAnswer[],
  seed: number,
): Pick<PlayAsk, 'set' | 'purpose' | 'seed' | 'title' | 'deal' | 'next'> {
  const plan = plainDrill({
    facts: drillPool(set.practises, earlierFacts(sets, set.id), triedOf(judged), 0),
    most: drillPrompts,
    seed,
  });
  let reading = beginDrill(plan);
  let read = 0;
  return {
    set,
    purpose: 'drill',
    seed,
    title: `${set.name}, withdraw and return`,
    deal: {
      form: 'set',
      operation: set.operation,
      pathwayId: placeOfSet(set.id)?.pathway.id ?? '',
      sequence: 'withdraw',
      fixed: null,
      ranks: 10,
      chain: false,
      called: false,
      hidden: 'result',
      pack: false,
      timed: true,
    },
    next: (given) => {
      for (const answer of given.slice(read)) reading = dealAfter(plan, reading, answer);
      read = given.length;
      return reading.next?.fact;
    },
  };
}

/** What the drill knows of each fact: the last answer that is evidence stands for its state. */
function triedOf(judged: readonly JudgedAnswer[]): Record<FactKey, TriedFact> {
  const tried: Record<FactKey, TriedFact> = {};
  for (const one of judged)
    if (one.class !== 'noEvidence')
      tried[one.fact] = {
        state: one.class === 'recalled' ? 'recalled' : 'workingOut',
        evidence: (tried[one.fact]?.evidence ?? 0) + 1,
        dueDay: null,
      };
  return tried;
}
