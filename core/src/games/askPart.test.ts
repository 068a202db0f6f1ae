import fc from 'fast-check';
import { compare, fraction, lcm } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { askLargerPart, askPartName, commonBottom, partsDrawn } from './askPart.ts';
import { findGame, type AnyGame } from './catalogue.ts';
import type { Move } from './move.ts';
import { needOf, playMove } from './playGame.ts';
import { written } from './tell/sentence.ts';

const part = fc.record({ top: fc.integer({ min: 1, max: 13 }), bottom: fc.integer({ min: 1, max: 13 }) });
const text = ({ top, bottom }: { top: number; bottom: number }) => `${top}/${bottom}`;

describe('a part of a whole', () => {
  it.each([
    [3, 4, 'three quarters, proper'],
    [1, 2, 'one half, proper'],
    [5, 2, 'five halves, improper'],
    [8, 8, 'eight eighths, improper'],
    [1, 3, 'one third, proper'],
    [2, 5, 'two fifths, proper'],
    [7, 12, 'seven twelfths, proper'],
    [11, 9, 'eleven ninths, improper'],
    [4, 1, 'four wholes, improper'],
    [1, 13, 'one thirteenth, proper'],
  ])('%i over %i is named', (top, bottom, named) => {
    const asked = askPartName(1, { top, bottom });
    expect(asked).toMatchObject({ seat: 1, shown: `${top}/${bottom}`, item: { key: 'frac:name' } });
    expect(written(asked.answer)).toBe(named);
    expect(written(asked.whole)).toBe(`${top}/${bottom}: ${named}`);
  });
});

describe('which part is larger', () => {
  it('is what mathjs says, over the least bottom that all of them go into', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 2, maxLength: 4 }), fc.boolean(), (parts, smaller) => {
        const asked = askLargerPart(0, parts, smaller);
        const values = parts.map(({ top, bottom }) => fraction(top, bottom));
        const best = values.reduce((a, b) => (Number(compare(a, b)) * (smaller ? -1 : 1) >= 0 ? a : b));
        const those = parts.filter((_, nth) => Number(compare(values[nth] as never, best)) === 0);
        const answer = written(asked.answer);
        if (those.length > 1) expect(answer).toBe('alike');
        else expect(answer).toBe(text(those[0] as (typeof parts)[number]));
        const bottom = parts.map((one) => one.bottom).reduce((a, b) => lcm(a, b));
        expect(commonBottom(parts)).toBe(bottom);
        const whole = written(asked.whole);
        for (const one of parts.filter((each) => each.bottom !== bottom))
          expect(whole).toContain(`${text(one)} = ${(one.top * bottom) / one.bottom}/${bottom}`);
        const drawn = partsDrawn(parts);
        expect(drawn.bottom).toBe(bottom);
        parts.forEach((one, nth) => {
          const shaded = drawn.shaded[nth] as number;
          expect(Number(compare(fraction(shaded, bottom), fraction(one.top, one.bottom)))).toBe(0);
          expect(shaded).toBeLessThanOrEqual(drawn.wholes * bottom);
        });
        expect(Math.max(...drawn.shaded)).toBeGreaterThan((drawn.wholes - 1) * bottom);
      }),
    );
  });
  it('says it in words', () => {
    const parts = [
      { top: 3, bottom: 4 },
      { top: 2, bottom: 3 },
    ];
    expect(written(askLargerPart(0, parts, false).shown)).toBe('More: 3/4 or 2/3?');
    expect(written(askLargerPart(0, parts, false).whole)).toBe('3/4 = 9/12, 2/3 = 8/12: 3/4 is more');
    expect(written(askLargerPart(0, parts, true).whole)).toBe('3/4 = 9/12, 2/3 = 8/12: 2/3 is less');
    const alike = [
      { top: 1, bottom: 2 },
      { top: 3, bottom: 6 },
    ];
    expect(written(askLargerPart(0, alike, false).whole)).toBe('1/2 = 3/6: alike');
    const eighths = [
      { top: 5, bottom: 8 },
      { top: 11, bottom: 8 },
    ];
    expect(written(askLargerPart(0, eighths, false).whole)).toBe('11/8 is more');
    expect(() => askLargerPart(0, [], false)).toThrow('nothing to compare');
  });
});

it('a seat that leaves while the largest is asked is asked about no more; the bars keep the seats of the others', () => {
  const game = findGame('part-of-whole') as AnyGame;
  const play = { rules: game.steps[0]?.rules, seats: 3, against: true, seed: 4 };
  let state = game.setUp(play);
  const move = (one: Move) => (state = playMove(game, play, state, one));
  const answer = () => {
    const need = needOf(game, play, state);
    if (need.kind !== 'say') throw new Error('Nothing is asked.');
    return move({ kind: 'said', seat: need.asked.seat, right: true });
  };
  move({ kind: 'go' });
  for (let seat = 0; seat < 3; seat += 1) answer();
  const asked = () => {
    const need = needOf(game, play, state);
    return need.kind === 'say' ? numbersIn(written(need.asked.shown)) : [];
  };
  expect(asked()).toHaveLength(6);
  move({ kind: 'leave', seat: 0 });
  expect(asked()).toHaveLength(4);
  answer();
  expect(game.scene(play, state).parts?.map(({ seat }) => seat)).toEqual([1, 2]);
});

const numbersIn = (text: string) => text.match(/\d+/g) ?? [];
