import { doneShare } from '../advance/chance.ts';
import { lookedBack, type Decision, type JudgedAnswer } from '../advance/decision.ts';
import type { FactKey } from '../facts/fact.ts';
import { latestOfEach } from '../recall/factState.ts';
import { childTimes } from '../recall/childTimes.ts';
import { recallChance } from '../recall/recallChance.ts';

/** Of chances said, in tenths from 0 to 1: how often, and how often it was so. */
export interface Calls {
  readonly fact: Tenths;
  readonly set: Tenths;
}
type Tenths = { said: number; so: number }[];

const newTenths = (): Tenths => Array.from({ length: 10 }, () => ({ said: 0, so: 0 }));
export const newCalls = (): Calls => ({ fact: newTenths(), set: newTenths() });

function put(tenths: Tenths, chance: number, isSo: boolean): void {
  const tenth = tenths[Math.min(9, Math.floor(10 * chance))] as Tenths[number];
  tenth.said += 1;
  if (isSo) tenth.so += 1;
}

/** Notes what is said now of each fact of a set, and of the set, beside what the learner truly recalls. */
export function noteCalls(
  calls: Calls,
  judged: readonly JudgedAnswer[],
  decision: Decision,
  facts: readonly FactKey[],
  isRecalled: (fact: FactKey) => boolean,
): void {
  const latest = latestOfEach(judged, lookedBack);
  const times = childTimes(latest);
  for (const fact of facts) {
    const own = latest.filter((one) => one.fact === fact);
    const chance = recallChance(own, times, 'UTC');
    if (chance !== null) put(calls.fact, chance, isRecalled(fact));
  }
  if (decision.chance)
    put(calls.set, decision.chance.chance, facts.filter(isRecalled).length >= doneShare * facts.length);
}
