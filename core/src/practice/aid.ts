import type { Aid } from '../facts/aid.ts';
import { answerOf, parseFactKey, type FactKey } from '../facts/fact.ts';

/** The aids that can show a fact, those its set asks for first, then the nearest. */
export function aidsFor(key: FactKey, ofSet: readonly Aid[] = []): Aid[] {
  const can = showing(key);
  return [...ofSet.filter((one) => can.includes(one)), ...can.filter((one) => !ofSet.includes(one))];
}

function showing(key: FactKey): Aid[] {
  const fact = parseFactKey(key);
  const { operation, left, right } = fact;
  const answer = answerOf(fact);
  const most = Math.max(left, right, answer);
  const out: Aid[] = [];
  switch (operation) {
    case 'add':
    case 'sub':
      if (most <= 20) out.push('tenFrame');
      if (most <= 100) out.push('numberLine', 'beadFrame', 'hundredSquare');
      if (most >= 10) out.push('placeFrame', 'column');
      return out;
    case 'mul':
      out.push('tableRow');
      if (linkOf(left) !== null || linkOf(right) !== null) out.push('linkedRows');
      out.push('array', 'repeatedAddition');
      if (isNines(left, right)) out.push('nineFingers');
      if (answer <= 100) out.push('hundredSquare');
      return out;
    case 'div':
      out.push('tableRow', 'array');
      if (right >= 2 && right <= 12) out.push('fractionBars');
      return out;
  }
}

/** Fingers show nine times one to ten. */
export const isNines = (left: number, right: number): boolean =>
  (left === 9 && right >= 1 && right <= 10) || (right === 9 && left >= 1 && left <= 10);

/** The table that a table is told from, by doubling or by a neighbour: 4 from 2, 8 from 4, 6 from 3, 9 from 10; null: none. */
export function linkOf(table: number): number | null {
  const links: Readonly<Record<number, number>> = { 4: 2, 8: 4, 6: 3, 12: 6, 9: 10, 7: 5, 11: 10 };
  return links[table] ?? null;
}

/** A step of working in columns: the digits of a place, what is carried into it, and what is written. */
export interface ColumnPlace {
  readonly left: number;
  readonly right: number;
  /** + : carried into this place. − : lent by this place to the one to its right. */
  readonly carried: number;
  readonly borrowed: boolean;
  readonly digit: number;
}

/** Adding or taking away in columns, from the ones, with regrouping. Throws RangeError for other operations, or a result below 0. */
export function columnsOf(operation: 'add' | 'sub', left: number, right: number): ColumnPlace[] {
  if (!Number.isInteger(left) || !Number.isInteger(right) || left < 0 || right < 0)
    throw new RangeError('Columns take whole numbers from 0.');
  if (operation === 'sub' && right > left) throw new RangeError('Columns do not go below 0.');
  const places = Math.max(String(left).length, String(right).length);
  const out: ColumnPlace[] = [];
  let over = 0;
  for (let place = 0; place < places; place += 1) {
    const [a, b] = [digitAt(left, place), digitAt(right, place)];
    if (operation === 'add') {
      const sum = a + b + over;
      out.push({ left: a, right: b, carried: over, borrowed: false, digit: sum % 10 });
      over = Math.floor(sum / 10);
    } else {
      const rest = a - over - b;
      out.push({ left: a, right: b, carried: over, borrowed: rest < 0, digit: (rest + 10) % 10 });
      over = rest < 0 ? 1 : 0;
    }
  }
  if (operation === 'add' && over > 0)
    out.push({ left: 0, right: 0, carried: over, borrowed: false, digit: over });
  return out;
}

export const digitAt = (number: number, place: number): number => Math.floor(number / 10 ** place) % 10;
