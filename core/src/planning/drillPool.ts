import type { FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import type { DrillFact } from '../practice/drill.ts';
import { isRecalled, type FactState } from '../recall/factState.ts';

/** What is kept of one fact, in short. */
export interface TriedFact {
  readonly state: FactState;
  /** Answers with evidence. */
  readonly evidence: number;
  /** Calendar day on which it is due for review, as a day number; null: not recalled. */
  readonly dueDay: number | null;
}

/** The most facts from earlier sets that a drill keeps at hand. */
export const mostEarlierFacts = 40;
/** The most facts of earlier sets found not to be recalled that a drill carries along to be learnt. */
export const mostStrays = 4;

/**
 * The facts a drill on `facts` may deal. Those of earlier sets come along as known ones: the due, then those with least
 * evidence; untried ones of sets already passed are taken as known until they show otherwise. Up to `strays` of those that did show
 * otherwise are carried along to be learnt, the nearest set first. `today` is a day number.
 */
export function drillPool(
  facts: readonly FactKey[],
  earlier: readonly FactKey[],
  tried: Readonly<Record<FactKey, TriedFact>>,
  today: number,
  strays = 0,
): DrillFact[] {
  const own = new Set(facts);
  const entry = (fact: FactKey, ofSet: boolean): DrillFact => {
    const found = tried[fact];
    const known = found !== undefined && (isRecalled(found.state) || found.state === 'secure');
    return {
      fact,
      known: known || (!ofSet && (found === undefined || found.state === 'nearly')),
      ofSet,
      evidence: found?.evidence ?? 0,
      asked: found !== undefined,
      due: known && found.dueDay !== null && found.dueDay <= today,
    };
  };
  const before = [...new Set(earlier)].filter((fact) => !own.has(fact)).map((fact) => entry(fact, false));
  const short = before.filter((one) => !one.known && one.evidence > 0).slice(0, strays);
  const others = before
    .filter((one) => one.known)
    .sort((a, b) => Number(b.due) - Number(a.due) || a.evidence - b.evidence)
    .slice(0, mostEarlierFacts);
  return [...[...own].map((fact) => entry(fact, true)), ...short, ...others];
}

/** Every fact the sets before this one practise, the nearest set first. */
export function earlierFacts(
  sets: readonly Pick<FactSet, 'id' | 'practises'>[],
  setId: string,
  last = Infinity,
): FactKey[] {
  const at = sets.findIndex((one) => one.id === setId);
  return sets
    .slice(Math.max(0, at - last), Math.max(0, at))
    .reverse()
    .flatMap((one) => one.practises);
}

/** Whether a fact was ever asked, as far as a drill's plan tells. */
export const wasAsked = ({ asked, evidence }: DrillFact): boolean => asked ?? evidence > 0;

/** How many facts of a drill are due, not yet known, and of these never asked: what is said of it before it begins. */
export function drillOutlook(pool: readonly DrillFact[]): {
  readonly due: number;
  readonly fresh: number;
  readonly unasked: number;
} {
  return {
    due: pool.filter((one) => one.due).length,
    fresh: pool.filter((one) => !one.known).length,
    unasked: pool.filter((one) => !one.known && wasAsked(one) === false).length,
  };
}
