import { answerOf, factText, parseFactKey, type FactKey } from '../facts/fact.ts';

/** "1.8 s" from ms. */
export function secondsText(ms: number): string {
  return `${(ms / 1000).toFixed(1)} s`;
}

/** A number with one decimal only where it has one. */
export function numberText(value: number): string {
  return String(Math.round(value * 10) / 10);
}

/** "7 + 8, 8 + 6 and 9 + 4", at most `most` named. */
export function factListText(facts: readonly FactKey[], most = 6): string {
  const named = facts.slice(0, most).map((key) => factText(parseFactKey(key)));
  const left = facts.length - named.length;
  return joinText(left > 0 ? [...named, `${left} more`] : named);
}

/** "a, b and c". */
export function joinText(parts: readonly string[]): string {
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
}

/** "1 fact", "2 facts". */
export function countText(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** "Seven and eight make fifteen." is spoken; this is its written form, "7 + 8 = 15". */
export function wholeFactText(key: FactKey): string {
  const fact = parseFactKey(key);
  return `${factText(fact)} = ${answerOf(fact)}`;
}
