import {
  answerOf,
  factKey,
  factKeyText,
  factText,
  tryParseFactKey,
  type Fact,
  type FactKey,
} from '../facts/fact.ts';
import { factOr, isOnMap, skillItem, type Item } from '../facts/item.ts';
import { displaySigns, type Operation } from '../facts/operation.ts';
import type { Asked } from './need.ts';
import { say, type Text } from './tell/sentence.ts';

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
      const answer = over === 0 ? String(whole) : say('remainder', { whole, over });
      return told(seat, skillItem('quot:rem'), shown, answer);
    }
  }
  const value = numbers.reduce((a, b) =>
    operation === 'add' ? a + b : operation === 'sub' ? a - b : operation === 'mul' ? a * b : a / b,
  );
  const item = skillItem(numbers.length > 2 || operation === 'div' ? 'chain' : `line:${operation}`);
  return told(seat, item, shown, signedText(value));
}

const raised = '\u2070\u00b9\u00b2\u00b3\u2074\u2075\u2076\u2077\u2078\u2079';

/** A power as it is written: "4\u00b3". */
export const powerText = (base: number, exponent: number): string =>
  `${base}${[...String(exponent)].map((digit) => raised[Number(digit)]).join('')}`;

/** A power, base and exponent at least 1; a square shows its fact of the map on the way. */
export function askPower(seat: number, base: number, exponent: number): Asked {
  const shown = powerText(base, exponent);
  const answer = String(base ** exponent);
  const square = factKey({ operation: 'mul', left: base, right: base });
  const worked = exponent > 1 ? ` = ${Array.from({ length: exponent }, () => base).join(' \u00d7 ')}` : '';
  return {
    seat,
    item: skillItem('pow'),
    ...(exponent === 2 && isOnMap(square) ? { steps: [square] } : {}),
    shown,
    answer,
    whole: `${shown}${worked} = ${answer}`,
  };
}

/** Which of some numbers is the largest, or the smallest. */
export function askLarger(seat: number, numbers: readonly number[], smaller: boolean): Asked {
  const most = (smaller ? Math.min : Math.max)(...numbers);
  const alike = numbers.filter((one) => one === most).length > 1;
  return {
    seat,
    item: skillItem('cmp'),
    shown: say('largerOf', { numbers }),
    answer: alike ? say('alikeAnswer') : String(most),
    whole: alike ? say('areAlike', { number: most }) : say('isMost', { number: most, smaller }),
  };
}

const told = (seat: number, item: Item, shown: string, answer: Text): Asked => ({
  seat,
  item,
  shown,
  answer,
  whole: typeof answer === 'string' ? `${shown} = ${answer}` : say('isEqual', { shown, answer }),
});

/**
 * The fact that is asked as it stands on the map; null where it is asked otherwise: a total kept in the head ("\u2212 8" of 10 \u2212 8),
 * a number missing ("2 + \u25a1 = 7" of 7 \u2212 2), a skill. Only what is asked may be shown: the rest would tell.
 */
export function factAsShown({ item, shown }: Pick<Asked, 'item' | 'shown'>): FactKey | null {
  return item.kind === 'fact' && shown === factKeyText(item.key) ? item.key : null;
}

const sumShown = /^(\d+) ([+\u2212]) (\d+)$/;

/**
 * What an aid can be laid out for: the fact that is asked, or adding and taking away as it stands with numbers too large for the
 * map ("47 + 38"), which can be worked in columns; null: nothing of the kind.
 */
export function aidFactOf({ item, shown }: Pick<Asked, 'item' | 'shown'>): FactKey | null {
  if (item.kind === 'fact') return item.key;
  const [, left, sign, right] = (typeof shown === 'string' && sumShown.exec(shown)) || [];
  const key = `${left}${sign === '+' ? '+' : '-'}${right}`;
  return tryParseFactKey(key) ? (key as FactKey) : null;
}

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

/** A number added to a total: the new total, which nobody reads off the table. */
export const askSum = (seat: number, total: number, add: number): Asked => ({
  seat,
  item: factOr(factKey({ operation: 'add', left: total, right: add }), 'line:add'),
  shown: `${total} + ${add}`,
  answer: String(total + add),
  whole: `${total} + ${add} = ${total + add}`,
  untimed: true,
});

/** A number to be read aloud; its cards lay there before. */
export const askReading = (seat: number, number: number): Asked => ({
  seat,
  item: skillItem(`read:${String(number).length}`),
  shown: String(number),
  answer: say('inWords', { number }),
  whole: say('readAs', { number }),
  untimed: true,
});

/** A number added to a total, or (below 0) taken from it; out of sight the total is kept by the child. */
export function askChange(seat: number, total: number, change: number, inSight: boolean): Asked {
  const operation = change < 0 ? ('sub' as const) : ('add' as const);
  const right = Math.abs(change);
  const step = `${displaySigns[operation]} ${right}`;
  const whole = `${signedText(total)} ${step}`;
  const answer = signedText(total + change);
  const key = total >= 0 && total + change >= 0 ? factKey({ operation, left: total, right }) : '';
  return {
    seat,
    item: factOr(key, `line:${operation}`),
    shown: inSight ? whole : step,
    answer,
    whole: `${whole} = ${answer}`,
    untimed: true,
  };
}
