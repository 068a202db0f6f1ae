import {
  answerOf,
  displaySigns,
  factKeyText,
  parseFactKey,
  type DealtPrompt,
  type FactKey,
  type HiddenPlace,
} from '@veldrift/core';

/** What is asked, as one line: "7 × 8", "7 + what is 12"; of a chain the two cards that are added now. */
export function askedText(fact: FactKey, hidden: HiddenPlace, chain: DealtPrompt['chain'] = null): string {
  const parsed = parseFactKey(fact);
  const sign = displaySigns[parsed.operation];
  if (chain) {
    const [a, b, c] = chain.cards;
    // What the first two come to is for the child to say.
    return chain.part === 0 ? `${a} ${sign} ${b}` : `and ${sign} ${c}`;
  }
  return hidden === 'right' ? `${parsed.left} ${sign} what is ${answerOf(parsed)}` : factKeyText(fact);
}
