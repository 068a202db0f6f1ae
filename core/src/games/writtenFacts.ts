import { answerOf, factKey, factText, type FactKey } from '../facts/fact.ts';
import { isOnMap } from '../facts/item.ts';
import { operations, type Operation } from '../facts/operation.ts';

/** Facts as somebody wrote them, or why they cannot be read, in a sentence. */
export type WrittenFacts = { readonly facts: readonly FactKey[] } | { readonly trouble: string };

/** Signs as they are typed and written. */
const signsOf: Readonly<Record<Operation, string>> = {
  add: '+',
  sub: '-\u2212\u2013',
  mul: '*x\u00d7\u00b7',
  div: '/:\u00f7',
};
const operationOf = (sign: string): Operation =>
  operations.find((one) => signsOf[one].includes(sign)) ?? 'add';
const pattern = new RegExp(
  `^(\\d{1,3})\\s*([${Object.values(signsOf).join('').replace('-', '\\-')}])\\s*(\\d{1,3})$`,
);

/**
 * Reads facts written one after another ("7 × 8, 6x9; 12 : 3" or each on a line), each once. What is written with its answer
 * ("7 × 8 = 56") is read too, where the answer is right. One that is no fact of the map is told.
 */
export function readWrittenFacts(text: string): WrittenFacts {
  const facts = new Set<FactKey>();
  for (const part of text.split(/[,;\n]/)) {
    const [line = '', answer, ...more] = part.split('=').map((one) => one.trim());
    if (line === '' && answer === undefined) continue;
    const match = pattern.exec(line.toLowerCase());
    if (!match || more.length > 0)
      return { trouble: `\u201c${part.trim()}\u201d is no fact such as 7 \u00d7 8.` };
    const fact = {
      operation: operationOf(match[2] as string),
      left: Number(match[1]),
      right: Number(match[3]),
    };
    const key = factKey(fact);
    if (!isOnMap(key)) return { trouble: `${factText(fact)} is not on the map of facts.` };
    if (answer !== undefined && answer !== String(answerOf(fact)))
      return { trouble: `${factText(fact)} is not ${answer}: let the child look again.` };
    facts.add(key);
  }
  return { facts: [...facts] };
}
