import fc from 'fast-check';
import { median } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom, normal } from '../random/random.ts';
import { countingRules, countingSign, smallerNumber, type TimedClassed } from './countingSign.ts';
import { parseFactKey } from '../facts/fact.ts';
import { senSlope } from './senSlope.ts';

/** Recalled answers on n + k, whose time is `baseMs` and so much more for each unit of k. */
function answers(
  count: number,
  msPerUnit: number,
  over: Partial<TimedClassed> = {},
  noiseMs = 80,
): TimedClassed[] {
  const random = createRandom(count + msPerUnit);
  return Array.from({ length: count }, (_, at) => {
    const small = 2 + (at % 7);
    return {
      fact: `9+${small}`,
      at: new Date(Date.UTC(2026, 0, 1) + at * 60_000).toISOString(),
      class: 'recalled' as const,
      seen: [],
      correctedMs: 600 + msPerUnit * small + noiseMs * normal(random),
      ...over,
    };
  });
}

describe('a child who probably counts', () => {
  it('is told by times that rise with the smaller number, and by nothing less', () => {
    const found = countingSign(answers(30, 180));
    expect(found?.rise?.slope).toBeGreaterThan(150);
    expect(found?.rise?.slope).toBeLessThan(210);
    expect(found?.watch).toEqual(['9+8', '9+7', '9+6']);
    expect(found?.answers).toBe(30);
    expect(countingSign(answers(30, 0))).toBeNull();
    expect(countingSign(answers(30, 60))).toBeNull();
    expect(countingSign(answers(countingRules.needs - 1, 180))).toBeNull();
    // Rising steeply, but as it may by chance.
    expect(countingSign(answers(20, 180, {}, 3000))).toBeNull();
  });

  it('goes by the latest answers that are right, without an aid and with a time', () => {
    const steady = answers(40, 0).map((one) => ({ ...one, at: one.at.replace('2026', '2027') }));
    expect(countingSign([...answers(40, 180), ...steady])).toBeNull();
    for (const over of [
      { class: 'missed' },
      { class: 'right' },
      { aided: true },
      { seen: ['helped'] },
      { correctedMs: null },
    ] as const)
      expect(countingSign(answers(30, 180, over))).toBeNull();
  });

  it('is told by three facts whose times lie near the limit, each by the middle of its latest five', () => {
    const at = (shares: readonly number[], times = 5) =>
      shares.flatMap((share, nth) =>
        answers(times, 0, { limitMs: 2000, fact: `9+${nth + 2}` }, 0).map((one) => ({
          ...one,
          correctedMs: 2000 * share,
        })),
      );
    const quick = [0.45, 0.5, 0.45, 0.4];
    expect(countingSign(at([...quick, 0.69, 0.69, 0.69]))).toBeNull();
    expect(countingSign(at([...quick, 0.8, 0.75]))).toBeNull();
    expect(countingSign(at([...quick, 0.75, 0.8, 0.71]))).toMatchObject({
      rise: null,
      near: 3,
      watch: ['9+7', '9+6', '9+8'],
    });
    // Two times of a fact are too few to tell.
    expect(countingSign([...at(quick), ...at([0.8, 0.8, 0.8], 2)])).toBeNull();
  });

  it('is told by working that was seen on three of the latest, until they are the latest no more', () => {
    const seenOn = (count: number) =>
      answers(30, 0).map((one, at) => (at < count ? { ...one, seen: ['fingers' as const] } : one));
    expect(countingSign(seenOn(2))).toBeNull();
    expect(countingSign(seenOn(3))).toMatchObject({ rise: null, seen: 3, answers: 30 });
    const later = answers(38, 0).map((one) => ({ ...one, at: one.at.replace('2026', '2027') }));
    expect(countingSign([...seenOn(3), ...later])).toBeNull();
  });

  it('is settled by the tutor\u2019s look: no counting seen on three facts since working was last seen', () => {
    const list = answers(30, 180);
    const looked = (facts: readonly string[], seen: TimedClassed['seen'] = ['noCounting']) =>
      facts.map((fact, at): TimedClassed => ({
        fact,
        at: `2026-01-02T10:0${at}:00Z`,
        class: 'right',
        seen,
      }));
    expect(countingSign([...list, ...looked(['9+8', '9+7'])])?.watch).toEqual(['9+6']);
    // Other facts than those that tell most settle nothing.
    expect(countingSign([...list, ...looked(['9+2', '9+3', '9+4'])])?.watch).toEqual(['9+8', '9+7', '9+6']);
    expect(countingSign([...list, ...looked(['9+8', '9+8', '9+8'])])).not.toBeNull();
    expect(countingSign([...list, ...looked(['9+8', '9+7', '9+6'])])).toBeNull();
    expect(
      countingSign([
        ...list,
        ...looked(['9+8', '9+7', '9+6']),
        ...looked(['9+8'], ['fingers']).map((one) => ({ ...one, at: '2026-01-03T10:00:00Z' })),
      ]),
    ).not.toBeNull();
  });

  it('counts the smaller number of the four operations', () => {
    expect(
      ['9+4', '4+9', '13-4', '13-9', '4x9', '36:9', '36:4'].map((one) => smallerNumber(parseFactKey(one))),
    ).toEqual([4, 4, 4, 4, 4, 4, 4]);
  });
});

describe('Sen\u2019s slope', () => {
  const points = fc.array(
    fc.record({ x: fc.integer({ min: 0, max: 9 }), y: fc.integer({ min: -50, max: 50 }) }),
    {
      minLength: 2,
      maxLength: 25,
    },
  );
  it('is the median of all slopes by mathjs, and lies in its interval', () => {
    fc.assert(
      fc.property(points, (list) => {
        const slopes = list.flatMap((one, at) =>
          list
            .slice(at + 1)
            .flatMap((other) => (other.x === one.x ? [] : [(other.y - one.y) / (other.x - one.x)])),
        );
        const found = senSlope(list);
        if (slopes.length === 0) return void expect(found).toBeUndefined();
        expect(found?.slope).toBeCloseTo(Number(median(slopes)), 9);
        expect((found?.low ?? 0) <= (found?.slope ?? 0) + 1e-9).toBe(true);
        expect((found?.high ?? 0) >= (found?.slope ?? 0) - 1e-9).toBe(true);
      }),
    );
  });
  it('holds the true slope in 95 of 100 of noisy lines', () => {
    const random = createRandom(3);
    const held = Array.from({ length: 1000 }, () => {
      const list = Array.from({ length: 24 }, (_, at) => ({
        x: at % 8,
        y: 5 * (at % 8) + 10 * normal(random),
      }));
      const found = senSlope(list);
      return found !== undefined && found.low <= 5 && found.high >= 5;
    }).filter(Boolean).length;
    // Three standard errors of a share of 1,000.
    expect(held / 1000).toBeGreaterThan(0.93);
    expect(held / 1000).toBeLessThanOrEqual(1);
  });
});
