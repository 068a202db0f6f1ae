import { parseFactKey, unorderedKey, type FactKey } from '../facts/fact.ts';
import { shuffled, type RandomSource } from '../random/random.ts';

/**
 * The prompts of a check, in order: balanced (after every whole round each fact has been shown equally often, and at no
 * time has one been shown two times more than another), no fact twice running, and no turnaround straight after its
 * partner where the set is large enough to avoid it. Same seed, same form.
 * Throws RangeError when fewer than two facts are given or the count is not a whole number above 0.
 */
export function makeCheckForm(facts: readonly FactKey[], count: number, random: RandomSource): FactKey[] {
  const distinct = [...new Set(facts)];
  if (distinct.length < 2) throw new RangeError('A check needs at least two different facts.');
  if (!Number.isInteger(count) || count < 1)
    throw new RangeError('A check needs a whole number of prompts, 1 or more.');
  const form: FactKey[] = [];
  while (form.length < count) form.push(...round(distinct, form.at(-1), random));
  return form.slice(0, count);
}

/** One round: every fact once, in an order that begins differently from how the last one ended. */
function round(facts: readonly FactKey[], before: FactKey | undefined, random: RandomSource): FactKey[] {
  const pool = shuffled(facts, random);
  const out: FactKey[] = [];
  let last = before;
  while (pool.length > 0) {
    const apart = pool.findIndex((one) => last === undefined || unordered(one) !== unordered(last));
    const different = pool.findIndex((one) => one !== last);
    const pick = apart >= 0 ? apart : different >= 0 ? different : 0;
    last = pool.splice(pick, 1)[0] as FactKey;
    out.push(last);
  }
  return out;
}

const unorderedOf = new Map<FactKey, FactKey>();

function unordered(key: FactKey): FactKey {
  let found = unorderedOf.get(key);
  if (found === undefined) {
    found = unorderedKey(parseFactKey(key));
    unorderedOf.set(key, found);
  }
  return found;
}
