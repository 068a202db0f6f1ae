import { describe, expect, it } from 'vitest';
import { answerOf, factKey } from '../../facts/fact.ts';
import { operations } from '../../facts/operation.ts';
import { factsInRange } from '../../facts/range.ts';
import { marksIn, pictureWords, type Picture } from './picture.ts';
import { pictureOf } from './pictureOf.ts';
import { sayNowWays } from './sayNow.ts';

/** Every way to every fact to 13, with its picture. */
const all = operations.flatMap((operation) =>
  factsInRange(operation, 13).flatMap((fact) =>
    sayNowWays(fact).map((way) => ({
      fact,
      way,
      picture: pictureOf(fact, way.id),
      key: `${factKey(fact)} ${way.id}`,
    })),
  ),
);
const of = (operation: string) => all.filter(({ fact }) => fact.operation === operation);
const solid = (picture: Exclude<Picture, { kind: 'hops' }>) => {
  const { first, second, third } = marksIn(picture);
  return first + second + third;
};
const counted = (picture: Picture) => {
  if (picture.kind === 'hops') throw new Error('Hops are not counted so.');
  return { solid: solid(picture), ...marksIn(picture) };
};

describe('the picture of a fact', () => {
  it('of a sum shows both numbers, each as many as it says, and together the sum', () => {
    for (const { fact, way, picture, key } of of('add')) {
      const { solid: shown, ...tones } = counted(picture);
      expect(shown, key).toBe(fact.left + fact.right);
      expect(tones.gone, key).toBe(0);
      const [large, small] = [Math.max(fact.left, fact.right), Math.min(fact.left, fact.right)];
      // Where nothing is moved the two numbers are told apart by their tones.
      if (way.id === 'tenApart') expect([tones.second, tones.third], key).toEqual([small, large - 10]);
      else if (way.id === 'double')
        expect([tones.first, tones.second], key).toEqual([2 * small, large - small]);
      else if (way.id === 'level')
        expect([tones.first, tones.second, tones.lent], key).toEqual([large + small - 1, 1, 1]);
      else expect([tones.first, tones.second], key).toEqual([large, small]);
    }
  });

  it('of a difference shows what is left and what is taken, or hops from the smaller to the larger', () => {
    for (const { fact, picture, key } of of('sub')) {
      if (picture.kind === 'hops') {
        expect(picture.stops[0], key).toBe(fact.right);
        expect(picture.stops.at(-1), key).toBe(fact.left);
        for (const [nth, stop] of picture.stops.slice(1).entries())
          expect(stop, key).toBeGreaterThan(picture.stops[nth] as number);
      } else {
        expect(solid(picture), key).toBe(answerOf(fact));
        expect(marksIn(picture).gone, key).toBe(fact.right);
      }
    }
  });

  it('of a product is an array of its two numbers, split as it is said', () => {
    for (const { fact, way, picture, key } of of('mul')) {
      if (picture.kind !== 'array') throw new Error(`${key} is no array.`);
      expect(solid(picture), key).toBe(answerOf(fact));
      const rows = picture.bands
        .filter(({ tone }) => tone !== 'lent')
        .reduce((sum, one) => sum + one.rows, 0);
      if (answerOf(fact) > 0)
        expect([rows, picture.across].sort(), key).toEqual([fact.left, fact.right].sort());
      // The first number that is said stands there as a band, or as bands together with what is lent.
      const sums = picture.bands.map((_, nth) =>
        picture.bands.slice(0, nth + 1).reduce((sum, one) => sum + one.rows * picture.across, 0),
      );
      const [step] = way.steps;
      if (step && answerOf(fact) > 0) expect(sums, key).toContain(step.value);
    }
  });

  it('of a quotient is an array of as many as there are, in groups of what they are shared by', () => {
    for (const { fact, picture, key } of of('div')) {
      if (picture.kind !== 'array') throw new Error(`${key} is no array.`);
      expect(solid(picture), key).toBe(fact.left);
      if (fact.left > 0 && fact.right > 1)
        expect([fact.right, answerOf(fact)], key).toContain(picture.across);
    }
  });

  it('is told in words by what is to be seen', () => {
    const told = (operation: 'add' | 'sub' | 'mul', left: number, right: number, way?: string) =>
      pictureWords(pictureOf({ operation, left, right }, way));
    expect(told('mul', 8, 7)).toBe('2 rows of 7, 2 rows of 7, 4 rows of 7.');
    expect(told('mul', 9, 6, 'by9')).toBe('9 rows of 6, 1 row of 6 not there.');
    expect(told('mul', 0, 6)).toBe('An empty place.');
    expect(told('add', 8, 5, 'overTen')).toBe('Frames of ten: 8, 5.');
    expect(told('sub', 13, 6, 'overTen')).toBe('Frames of ten: 7, 6 taken away.');
    expect(told('add', 7, 8, 'double')).toBe('Two rows: 7; 7, 1.');
    expect(told('sub', 12, 8, 'up')).toBe('Hops from 8 to 10 to 12.');
  });

  it('puts what goes over the ten into the next frame', () => {
    const over = pictureOf({ operation: 'add', left: 8, right: 5 }, 'overTen');
    if (over.kind !== 'frames') throw new Error('no frames');
    expect(over.places.slice(0, 10)).toEqual([...Array<string>(8).fill('first'), 'second', 'second']);
    expect(over.places.slice(10)).toEqual([...Array<string>(3).fill('second'), ...Array<null>(7).fill(null)]);
    const back = pictureOf({ operation: 'sub', left: 13, right: 6 }, 'overTen');
    if (back.kind !== 'frames') throw new Error('no frames');
    expect(
      back.places
        .slice(0, 13)
        .map((one) => (one === 'gone' ? 'x' : 'o'))
        .join(''),
    ).toBe('oooooooxxxxxx');
    expect(pictureOf({ operation: 'sub', left: 12, right: 8 }, 'up')).toEqual({
      kind: 'hops',
      stops: [8, 10, 12],
    });
  });

  it('is of the most usual way where the way asked for is none to this fact', () => {
    const fact = { operation: 'mul', left: 8, right: 7 } as const;
    expect(pictureOf(fact, 'something else')).toEqual(pictureOf(fact, sayNowWays(fact)[0]?.id));
    expect(pictureOf(fact)).toEqual({
      kind: 'array',
      across: 7,
      bands: [
        { rows: 2, tone: 'first' },
        { rows: 2, tone: 'second' },
        { rows: 4, tone: 'third' },
      ],
    });
  });
});
