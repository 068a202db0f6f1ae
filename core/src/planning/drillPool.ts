import type { FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import type { DrillFact } from '../practice/drill.ts';
import { patchyFrom } from '../practice/placementResult.ts';
import { isKnown, type FactState } from '../recall/factState.ts';

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

/** Where what is known of earlier sets has holes, a drill carries along so many of those found. */
export const mostHoles = 8;

/**
 * Whether what is known of earlier sets has holes: of eight facts or more that gave evidence, an eighth or more are not recalled, nor
 * nearly.
 */
export function isPatchy(earlier: readonly FactKey[], tried: Readonly<Record<FactKey, TriedFact>>): boolean {
  const met = [...new Set(earlier)].flatMap((fact) => {
    const found = tried[fact];
    return found && found.evidence > 0 ? [found] : [];
  });
  const short = met.filter(({ state }) => !isKnown(state) && state !== 'nearly').length;
  return met.length >= patchyFrom.answers && short >= patchyFrom.share * met.length;
}

/**
 * The facts a drill on `facts` may deal. Those of earlier sets come along as known ones: the due, then those with least
 * evidence; untried ones of sets already passed are taken as known until they show otherwise. Up to `strays` of those that did show
 * otherwise are carried along to be learnt, the nearest set first; more of them, and the untried before the due, where what is known
 * has holes. `today` is a day number.
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
    const known = found !== undefined && isKnown(found.state);
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
  const patchy = isPatchy(earlier, tried);
  const most = patchy && strays > 0 ? mostHoles : strays;
  const short = before.filter((one) => !one.known && one.evidence > 0).slice(0, most);
  // Where holes are known of, those nobody has asked are looked at before what is due.
  const unasked = (one: DrillFact) => patchy && one.evidence === 0;
  const others = before
    .filter((one) => one.known)
    .sort(
      (a, b) =>
        Number(unasked(b)) - Number(unasked(a)) || Number(b.due) - Number(a.due) || a.evidence - b.evidence,
    )
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
