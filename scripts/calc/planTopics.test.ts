import { describe, expect, it } from 'vitest';
import { calc, one } from './testing/calc.ts';

const wish = {
  operation: 'mul',
  want: ['7x8', '8x6'],
  times: 4,
  known: ['6x6', '6x7', '7x7', '8x8', '2x6', '2x7', '2x8', '2x2'],
  knownShare: 0.5,
  deals: 40,
  ranks: [2, 6, 7, 8],
  copies: 4,
  mostCards: 16,
};

describe('calc of what is planned', () => {
  it('fits a pack within its limits that shows what is wished, exactly told', async () => {
    const found = (await one('fit', wish)) as {
      deck: Record<string, number>;
      expected: Record<string, string>;
      knownShare: string;
      why: null;
    };
    expect(found.why).toBeNull();
    const cards = Object.values(found.deck).reduce((a, b) => a + b, 0);
    expect(cards).toBeLessThanOrEqual(16);
    for (const [rank, count] of Object.entries(found.deck)) {
      expect([2, 6, 7, 8]).toContain(Number(rank));
      expect(count).toBeGreaterThan(0);
      expect(count).toBeLessThanOrEqual(4);
    }
    // The smaller number first, and as the exposure of the same pack says.
    expect(Object.keys(found.expected).sort()).toEqual(['6x8', '7x8']);
    const shown = await one('exposure', { deck: found.deck, deals: 1 });
    for (const [fact, times] of Object.entries(found.expected)) {
      const [top, bottom] = (shown[fact.replace('x', ',')] as string).split('/').map(Number);
      const [a, b] = times.split('/').map(Number);
      expect((a as number) * (bottom as number)).toBe(40 * (top as number) * (b as number));
      expect((a as number) / (b as number)).toBeGreaterThanOrEqual(4);
    }
    const [p, q] = found.knownShare.split('/').map(Number) as [number, number];
    expect(p / q).toBeGreaterThanOrEqual(0.5);
  });
  it('says why no pack meets a wish, and which part to relax', async () => {
    expect(await one('fit', { ...wish, times: 30 })).toEqual({
      deck: null,
      expected: {},
      knownShare: null,
      why: expect.stringMatching(/rarest wanted fact comes .* not 30: wish for fewer facts/) as string,
    });
    expect((await one('fit', { ...wish, ranks: [2, 3] })).why).toMatch(/^No two of these numbers/);
  });
  it('tells who takes a round, and what makes it fair', async () => {
    const seats = [
      { medianMs: 1500, sigma: 0.4, right: 0.95 },
      { medianMs: 2600, sigma: 0.5, right: 0.9 },
    ];
    const { takes } = (await one('race', { seats, headStartMs: [0, 0] })) as { takes: number[] };
    expect(takes[0]).toBeGreaterThan(0.7);
    const fair = (await one('fair', { seats })) as { headStartMs: number[]; takes: number[] };
    expect(fair.headStartMs[0]).toBe(0);
    expect(fair.takes[0]).toBeCloseTo(fair.takes[1] as number, 6);
    expect(await one('race', { seats, headStartMs: fair.headStartMs })).toEqual({ takes: fair.takes });
    const never = { seats: [seats[0], { ...seats[1], right: 0.2 }] };
    expect(await one('fair', never)).toMatchObject({ headStartMs: null });
  });
  it.each([
    ['fit', { ...wish, want: ['7+8'] }, 'want should be facts of the operation.'],
    ['fit', { ...wish, want: ['seven'] }, 'want[0] should be a fact such as 7+6, 13-6, 7x6, 42:6.'],
    ['fit', { ...wish, copies: 40 }, 'copies should be 1 to 8.'],
    ['fit', { ...wish, mostCards: 1 }, 'mostCards should be 2 to 108.'],
    ['fit', { ...wish, knownShare: 80 }, 'knownShare should be from 0 to 1.'],
    [
      'race',
      { seats: [{ medianMs: 0, sigma: 1, right: 1 }], headStartMs: [0] },
      'seats[0].medianMs should be a number of ms above 0.',
    ],
    [
      'race',
      { seats: [{ medianMs: 9, sigma: 1, right: 1 }], headStartMs: [] },
      'headStartMs should be a list of 1, one for each seat.',
    ],
    ['fair', { seats: [{ medianMs: 9, sigma: 1, right: 1 }] }, 'seats should be a list of 2 seats.'],
  ])('names a field of %s that cannot be read', async (topic, input, sentence) => {
    const { code, err } = await calc([topic], JSON.stringify(input));
    expect(err).toBe(`calc: ${sentence}\n`);
    expect(code).toBe(2);
  });
});
