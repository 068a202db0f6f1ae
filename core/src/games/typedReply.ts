import type { Need } from './need.ts';
import { valuesOf, type Text } from './tell/sentence.ts';

/** Keys that a keypad has beside the digits. */
export interface PadKeys {
  readonly minus: boolean;
  /** "1 remainder 1" is typed 1, r, 1. */
  readonly remainder: boolean;
}

/** The answer as it is typed, or null where it is not a number: that is said and judged. */
function typedForm(answer: Text): string | null {
  if (typeof answer === 'string') return /^\u2212?\d{1,6}$/.test(answer) ? answer : null;
  const left = valuesOf(answer, 'remainder');
  return left ? `${left.whole}r${left.over}` : null;
}

/**
 * The keys for what is asked; null: it is not typed. Those for a sign or a remainder lie there wherever one might be wanted, so
 * that they tell nothing of the answer: with every quotient that may leave something over, and with every line of numbers.
 */
export function padKeys(need: Need): PadKeys | null {
  if (need.kind !== 'say' || typedForm(need.asked.answer) === null) return null;
  const { item } = need.asked;
  const skill = item.kind === 'skill' ? item.key : '';
  return { minus: skill.startsWith('line:') || skill === 'chain', remainder: skill === 'quot:rem' };
}

/** Whether what was typed is the answer; a quotient that comes out even may be typed with or without its remainder 0. */
export function isTypedAnswer(answer: Text, typed: string): boolean {
  const form = typedForm(answer);
  return form !== null && typed.replace(/r0*$/, '') === form;
}

/** What was typed, as it goes on record: "1 remainder 1". */
export const typedWords = (typed: string): string => typed.replace('r', ' remainder ').trim();
