import { answerOf, factKey, factText, tryParseFactKey, type Fact } from '../facts/fact.ts';
import { displaySigns, type Operation } from '../facts/operation.ts';
import type { Asked } from './game.ts';

/**
 * What two or three cards ask under an operation. − and ÷ take the larger number first; ÷ asks for the remainder too where
 * there is one, and is then no fact. Three numbers are no fact of two, and no evidence of one.
 */
export function askCards(seat: number, operation: Operation, cards: readonly number[]): Asked {
  const numbers = operation === 'add' || operation === 'mul' ? [...cards] : [...cards].sort((a, b) => b - a);
  const shown = numbers.map(signedText).join(` ${displaySigns[operation]} `);
  const [left = 0, right = 0] = numbers;
  if (numbers.length === 2) {
    const fact: Fact = { operation, left, right };
    const key = left >= 0 && right >= 0 ? factKey(fact) : '';
    if (tryParseFactKey(key)) return { ...told(seat, factText(fact), String(answerOf(fact))), fact: key };
    if (operation === 'div' && right > 0) {
      const [whole, over] = [Math.floor(left / right), left % right];
      return told(seat, shown, `${whole} remainder ${over}`);
    }
  }
  const value = numbers.reduce((a, b) =>
    operation === 'add' ? a + b : operation === 'sub' ? a - b : operation === 'mul' ? a * b : a / b,
  );
  return told(seat, shown, signedText(value));
}

const told = (seat: number, shown: string, answer: string): Asked => ({
  seat,
  fact: null,
  shown,
  answer,
  whole: `${shown} = ${answer}`,
});

/** A number with a proper minus sign. */
export const signedText = (value: number): string => (value < 0 ? `\u2212${-value}` : String(value));
