import { describe, expect, it } from 'vitest';
import {
  aidFactOf,
  askCards,
  askChange,
  askLarger,
  askReading,
  askSum,
  factAsShown,
  signedText,
} from './askFact.ts';
import { written } from './tell/sentence.ts';

const cards = Array.from({ length: 13 }, (_, nth) => nth + 1);
const minus = '\u2212';

/** What is asked of two or three cards, as it is read on the table. */
const read = (...given: Parameters<typeof askCards>) => {
  const { shown, answer, whole, item } = askCards(...given);
  return { shown: written(shown), answer: written(answer), whole: written(whole), item };
};

describe('what cards ask', () => {
  it('of a division is the whole number and what is over, by counting it off, for every two cards', () => {
    for (const a of cards)
      for (const b of cards) {
        const [left, right] = [Math.max(a, b), Math.min(a, b)];
        let [whole, over] = [0, left];
        while (over >= right) [whole, over] = [whole + 1, over - right];
        const asked = read(0, 'div', [a, b]);
        expect(asked.shown).toBe(`${left} ÷ ${right}`);
        expect(asked.answer).toBe(over === 0 ? String(whole) : `${whole} remainder ${over}`);
        expect(asked.whole).toBe(`${asked.shown} = ${asked.answer}`);
        expect(asked.item).toEqual(
          over === 0 ? { kind: 'fact', key: `${left}:${right}` } : { kind: 'skill', key: 'quot:rem' },
        );
      }
  });
  it('of three is worked out from the left, the largest first where order matters', () => {
    expect(read(1, 'add', [2, 9, 4])).toMatchObject({
      shown: '2 + 9 + 4',
      answer: '15',
      item: { key: 'chain' },
    });
    expect(read(1, 'sub', [2, 9, 4])).toMatchObject({ shown: `9 ${minus} 4 ${minus} 2`, answer: '3' });
    expect(read(1, 'mul', [2, 9, 4])).toMatchObject({ shown: '2 × 9 × 4', answer: '72' });
    expect(read(1, 'sub', [5, 9, 6]).answer).toBe(`${minus}2`);
  });
  it('that have no place on the map is a skill, signs and all', () => {
    expect(read(0, 'add', [3, -5])).toMatchObject({ answer: `${minus}2`, item: { kind: 'skill' } });
    expect(read(0, 'sub', [3, -5])).toMatchObject({ shown: `3 ${minus} ${minus}5`, answer: '8' });
    expect([signedText(0), signedText(-1), signedText(7)]).toEqual(['0', `${minus}1`, '7']);
  });
});

describe('what is asked as a fact of the map', () => {
  it('is shown as one, and as it is asked where it is asked otherwise: a total kept in the head is not told', () => {
    for (const total of cards)
      for (const change of [...cards, ...cards.map((one) => -one)]) {
        const inHead = askChange(0, total, change, false);
        expect(factAsShown(inHead)).toBeNull();
        expect(written(inHead.shown)).not.toMatch(new RegExp(`^${total}\\b`));
        const open = askChange(0, total, change, true);
        expect(factAsShown(open)).toBe(open.item.kind === 'fact' ? open.item.key : null);
      }
    for (const operation of ['add', 'sub', 'mul', 'div'] as const) {
      const asked = askCards(0, operation, [8, 2]);
      expect(factAsShown(asked)).toBe((asked.item as { key: string }).key);
    }
    expect(factAsShown({ item: { kind: 'fact', key: '7-2' as never }, shown: '2 + \u25a1 = 7' })).toBeNull();
    expect(factAsShown(askCards(0, 'add', [2, 9, 4]))).toBeNull();
  });
});

describe('what an aid is laid out for', () => {
  it('is the fact, or a sum too large for the map, for every two numbers and either sign', () => {
    for (const left of [0, 7, 12, 13, 48, 99, 305, 999])
      for (const right of [0, 1, 9, 35, 99, 476]) {
        const whole = askChange(0, left, right, true);
        expect(aidFactOf(whole)).toBe(`${left}+${right}`);
        const less = askChange(0, left, -right, true);
        // Below 0 there are no columns; nothing is taken away in adding nothing.
        if (right > 0) expect(aidFactOf(less)).toBe(left < right ? null : `${left}-${right}`);
      }
  });
  it('is nothing where a number is missing, in the head, or there are more than two', () => {
    expect(aidFactOf({ item: { kind: 'skill', key: 'line:add' }, shown: '20 + \u25a1 = 47' })).toBeNull();
    expect(aidFactOf(askChange(0, 48, 35, false))).toBeNull();
    expect(aidFactOf(askCards(0, 'add', [20, 9, 40]))).toBeNull();
    expect(aidFactOf(askLarger(0, [4, 9], false))).toBeNull();
    expect(aidFactOf({ item: { kind: 'skill', key: 'line:add' }, shown: '1000 + 7' })).toBeNull();
  });
});

describe('what numbers ask', () => {
  it('compared is the largest, the smallest, or that they are alike', () => {
    expect(written(askLarger(0, [4, 9, 7], false).answer)).toBe('9');
    expect(written(askLarger(0, [4, 9, 7], true).answer)).toBe('4');
    expect(written(askLarger(0, [9, 4, 9], false).answer)).not.toBe('9');
    expect(written(askLarger(0, [9, 4, 9], true).answer)).toBe('4');
  });
  it('added to a total is the new total, up and down, with the total in sight or not', () => {
    expect(askSum(0, 17, 8)).toMatchObject({
      shown: '17 + 8',
      answer: '25',
      whole: '17 + 8 = 25',
      untimed: true,
    });
    expect(askSum(0, 7, 8).item).toEqual({ kind: 'fact', key: '7+8' });
    expect(askChange(0, 12, -5, true)).toMatchObject({
      shown: `12 ${minus} 5`,
      answer: '7',
      item: { key: '12-5' },
    });
    expect(askChange(0, 12, -5, false)).toMatchObject({ shown: `${minus} 5`, whole: `12 ${minus} 5 = 7` });
    expect(askChange(0, 3, -5, true)).toMatchObject({
      answer: `${minus}2`,
      item: { kind: 'skill', key: 'line:sub' },
    });
    expect(askChange(0, 3, 5, true)).toMatchObject({ shown: '3 + 5', answer: '8', item: { key: '3+5' } });
  });
  it('read aloud is in words, by how many figures it has', () => {
    const asked = askReading(2, 407);
    expect(asked).toMatchObject({
      seat: 2,
      shown: '407',
      item: { kind: 'skill', key: 'read:3' },
      untimed: true,
    });
    expect(written(asked.answer)).toMatch(/^four hundred.*seven$/);
  });
});
