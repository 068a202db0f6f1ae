import { answerOf, factKey, factText, type Fact, type FactKey } from '../facts/fact.ts';
import { isOnMap, skillItem, type Item } from '../facts/item.ts';
import { displaySigns, type Operation } from '../facts/operation.ts';
import type { Asked } from './game.ts';

/**
 * What two or three cards ask under an operation. − and ÷ take the larger number first; ÷ asks for the remainder too where
 * there is one, and is then a skill. Three numbers in a row are a skill, and so is a fact that has no place on the map.
 */
export function askCards(seat: number, operation: Operation, cards: readonly number[]): Asked {
  const numbers = operation === 'add' || operation === 'mul' ? [...cards] : [...cards].sort((a, b) => b - a);
  const shown = numbers.map(signedText).join(` ${displaySigns[operation]} `);
  const [left = 0, right = 0] = numbers;
  if (numbers.length === 2) {
    const fact: Fact = { operation, left, right };
    const key = left >= 0 && right >= 0 ? factKey(fact) : '';
    if (isOnMap(key)) return told(seat, { kind: 'fact', key }, factText(fact), String(answerOf(fact)));
    if (operation === 'div' && right > 0) {
      const [whole, over] = [Math.floor(left / right), left % right];
      return told(
        seat,
        skillItem('quot:rem'),
        shown,
        over === 0 ? String(whole) : `${whole} remainder ${over}`,
      );
    }
  }
  const value = numbers.reduce((a, b) =>
    operation === 'add' ? a + b : operation === 'sub' ? a - b : operation === 'mul' ? a * b : a / b,
  );
  const item = skillItem(numbers.length > 2 || operation === 'div' ? 'chain' : `line:${operation}`);
  return told(seat, item, shown, signedText(value));
}

/** Which of some numbers is the largest, or the smallest. */
export function askLarger(seat: number, numbers: readonly number[], smaller: boolean): Asked {
  const most = (smaller ? Math.min : Math.max)(...numbers);
  const alike = numbers.filter((one) => one === most).length > 1;
  return {
    ...told(seat, skillItem('cmp'), numbers.join(' or '), alike ? 'alike' : String(most)),
    whole: alike ? `${most} and ${most} are alike` : `${most} is ${smaller ? 'smaller' : 'larger'}`,
  };
}

const told = (seat: number, item: Item, shown: string, answer: string): Asked => ({
  seat,
  item,
  shown,
  answer,
  whole: `${shown} = ${answer}`,
});

/** A number with a proper minus sign. */
export const signedText = (value: number): string => (value < 0 ? `\u2212${-value}` : String(value));

/** A fact of the map as it is asked of a seat; without a clock where it lay open before it was chosen. */
export const askedFact = (
  seat: number,
  key: FactKey,
  shown: string,
  answer: string,
  untimed: boolean,
): Asked => ({
  seat,
  item: { kind: 'fact', key },
  shown,
  answer,
  whole: `${shown} = ${answer}`,
  ...(untimed ? { untimed } : {}),
});
