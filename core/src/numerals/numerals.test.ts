import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numerals, numeralStrokes, numeralWide } from './numeralStrokes.ts';
import { lengthBetween, stepLength, strokeOf, type Place, type Stroke } from './stroke.ts';
import { beginTrace, nextPlace, penDown, penMove, penUp, tolerances, type Tracing } from './tracing.ts';

const lengthOf = (stroke: Stroke) =>
  stroke.slice(1).reduce((sum, place, at) => sum + lengthBetween(stroke[at] as Place, place), 0);

/** The pen comes down at the first place, goes through the others, and is lifted at the last. */
function drawn(tracing: Tracing, [first, ...others]: readonly Place[]): Tracing {
  return penUp(others.reduce(penMove, penDown(tracing, first as Place)));
}
/** All strokes, each once, each place moved by what is given for it. */
const drawnAll = (tracing: Tracing, moved: (place: Place, nth: number) => Place = (place) => place) =>
  tracing.strokes.reduce((now, stroke) => drawn(now, stroke.map(moved)), tracing);
const thinned = (stroke: Stroke, every: number) =>
  stroke.filter((_, at) => at % every === 0 || at === stroke.length - 1);

const aNumeral = fc.constantFrom(...numerals);
const aTolerance = fc.constantFrom(...Object.values(tolerances));

describe('the way of a numeral', () => {
  it.each(numerals)('of %i has no gap and fills its height', (numeral) => {
    const strokes = numeralStrokes(numeral);
    for (const stroke of strokes)
      for (const [at, place] of stroke.slice(1).entries())
        expect(lengthBetween(stroke[at] as Place, place)).toBeLessThanOrEqual(1.05 * stepLength);
    const all = strokes.flat();
    expect(Math.min(...all.map(({ y }) => y))).toBeCloseTo(0, 2);
    expect(Math.max(...all.map(({ y }) => y))).toBeCloseTo(1, 2);
    for (const { x } of all) expect(x >= 0 && x <= numeralWide).toBe(true);
  });

  // Common practice of teaching numerals, from memory; no study.
  it.each([
    [0, 1, 'left'],
    [1, 1, 'down'],
    [2, 1, 'right'],
    [3, 1, 'right'],
    [4, 2, 'down'],
    [5, 2, 'down'],
    [6, 1, 'left'],
    [7, 1, 'right'],
    [8, 1, 'left'],
    [9, 1, 'left'],
  ] as const)('of %i begins at the top, takes %i strokes and goes %s first', (numeral, count, toward) => {
    const strokes = numeralStrokes(numeral);
    expect(strokes).toHaveLength(count);
    const [first] = strokes as [Stroke];
    const begin = first[0] as Place;
    expect(begin.y).toBeLessThanOrEqual(0.25);
    // Where it is a fifth of its own size farther.
    const soon = first.find((place) => lengthBetween(place, begin) > 0.2) as Place;
    const going = {
      left: begin.x - soon.x > 0.1,
      right: soon.x - begin.x > 0.1,
      down: soon.y - begin.y > 0.19,
    };
    expect(going[toward]).toBe(true);
    for (const stroke of strokes.slice(1)) expect((stroke[0] as Place).y).toBeLessThanOrEqual(0.25);
  });

  it('goes round to the left in 0, 6 and 9, and over itself once in 8', () => {
    // Twice the area that a way goes round, by the shoelace; below nothing where it goes round to the left on a screen.
    const round = (stroke: Stroke) =>
      stroke.reduce((sum, { x, y }, at) => {
        const next = stroke[(at + 1) % stroke.length] as Place;
        return sum + x * next.y - next.x * y;
      }, 0);
    for (const numeral of [0, 6, 9] as const)
      expect(round(numeralStrokes(numeral)[0] as Stroke)).toBeLessThan(-0.1);
    const middle = (numeralStrokes(8)[0] as Stroke).filter(
      ({ x, y }) => Math.hypot(x - 0.3, y - 0.5) < stepLength / 2,
    );
    expect(middle.length).toBeGreaterThanOrEqual(2);
  });

  it('is laid of straight and round pieces', () => {
    const straight = strokeOf({ x: 0, y: 0 }, [{ to: { x: 0, y: 1 } }]);
    expect(straight).toHaveLength(101);
    const circle = strokeOf({ x: 1, y: 0 }, [
      { round: { x: 0, y: 0 }, wide: 1, high: 1, from: 0, until: 360 },
    ]);
    expect(lengthOf(circle)).toBeCloseTo(2 * Math.PI, 2);
  });
});

describe('a traced numeral', () => {
  it('is done when its way is followed, quickly or slowly, as exactly as is asked', () => {
    fc.assert(
      fc.property(
        aNumeral,
        aTolerance,
        fc.integer({ min: 1, max: 12 }),
        fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
        (numeral, tolerance, every, noise) => {
          const begun = beginTrace(
            numeralStrokes(numeral).map((stroke) => thinned(stroke, 1)),
            tolerance,
          );
          const off = () => (noise.next().value as number) * tolerance * 0.45;
          const traced = begun.strokes.reduce(
            (now, stroke) =>
              drawn(
                now,
                thinned(stroke, every).map(({ x, y }) => ({ x: x + off(), y: y + off() })),
              ),
            begun,
          );
          expect(traced.says).toBe('done');
          expect(nextPlace(traced)).toBeUndefined();
        },
      ),
    );
  });

  it('says that a stroke is done, and where the next begins', () => {
    for (const numeral of [4, 5] as const) {
      const begun = beginTrace(numeralStrokes(numeral), tolerances.usual);
      expect(nextPlace(begun)).toEqual(begun.strokes[0]?.[0]);
      const one = drawn(begun, begun.strokes[0] as Stroke);
      expect(one.says).toBe('strokeDone');
      expect(nextPlace(one)).toEqual(begun.strokes[1]?.[0]);
    }
  });

  it('from its other end is told so, and so is one that goes round the wrong way', () => {
    for (const numeral of [1, 2, 3, 6, 7] as const) {
      const begun = beginTrace(numeralStrokes(numeral), tolerances.usual);
      const back = drawn(begun, (begun.strokes[0] as Stroke).toReversed());
      expect([numeral, back.says, back.reached]).toEqual([numeral, 'wrongEnd', 0]);
    }
    for (const numeral of [0, 8] as const) {
      const begun = beginTrace(numeralStrokes(numeral), tolerances.usual);
      const back = drawn(begun, (begun.strokes[0] as Stroke).toReversed());
      expect([numeral, back.says, back.reached]).toEqual([numeral, 'wrongWay', 0]);
    }
    const nine = beginTrace(numeralStrokes(9), tolerances.usual);
    expect(drawn(nine, (nine.strokes[0] as Stroke).toReversed()).says).toBe('wrongEnd');
  });

  it('that leaves its way is told where, keeps what was reached, and goes on from there', () => {
    fc.assert(
      fc.property(
        aNumeral,
        aTolerance,
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (numeral, tolerance, share) => {
          const begun = beginTrace(numeralStrokes(numeral), tolerance);
          const way = begun.strokes[0] as Stroke;
          const at = Math.round(share * (way.length - 1));
          const here = way[at] as Place;
          // Out of the numeral altogether, on the nearer side.
          const out = { x: here.x < 0.3 ? -0.6 : 1.2, y: here.y };
          const left = drawn(begun, [...way.slice(0, at + 1), out]);
          if (left.says === 'strokeDone' || left.says === 'done') return;
          expect(left.says).toBe('left');
          // Where it last lay beside the pen's way out.
          const kept = nextPlace(left) as Place;
          expect(Math.abs(kept.y - here.y)).toBeLessThanOrEqual(1.01 * tolerance);
          const between = (kept.x - here.x) / (out.x - here.x);
          expect(Math.abs(between - 0.5) * Math.abs(out.x - here.x)).toBeLessThanOrEqual(
            Math.abs(out.x - here.x) / 2 + 1.01 * tolerance,
          );
          const on = drawn(left, way.slice(left.reached));
          expect(on.stroke).toBe(1);
        },
      ),
    );
  });

  it('from which the pen is lifted half-way says so, and may be gone on with or begun anew', () => {
    for (const numeral of numerals) {
      const begun = beginTrace(numeralStrokes(numeral), tolerances.usual);
      const way = begun.strokes[0] as Stroke;
      const half = Math.floor(way.length / 2);
      const lifted = drawn(begun, way.slice(0, half));
      expect(lifted.says).toBe('lifted');
      expect(drawn(lifted, way.slice(half)).stroke).toBe(1);
      expect(drawn(lifted, way).stroke).toBe(1);
    }
  });

  it('begun where nothing begins changes nothing but what is said, and a lifted pen that moves is not heard', () => {
    const begun = beginTrace(numeralStrokes(0), tolerances.usual);
    const elsewhere = penDown(begun, { x: 0.3, y: 0.5 });
    expect(elsewhere).toEqual({ ...begun, says: 'elsewhere' });
    expect(penMove(elsewhere, { x: 0.3, y: 0 })).toEqual(elsewhere);
    expect(penUp(elsewhere)).toEqual(elsewhere);
    const done = drawnAll(begun);
    expect(penDown(done, { x: 0.3, y: 0 })).toEqual(done);
  });

  it('may be off by no more than the tolerance once the pen is on its way', () => {
    for (const tolerance of Object.values(tolerances)) {
      const begun = beginTrace(numeralStrokes(1), tolerance);
      const beside = (by: number) => drawnAll(begun, ({ x, y }, nth) => ({ x: x + (nth === 0 ? 0 : by), y }));
      expect(beside(0.98 * tolerance).says).toBe('done');
      expect(beside(1.02 * tolerance).says).not.toBe('done');
      // A finger comes down beside it by half as much again, and is on it soon.
      const comes = penDown(begun, { x: 0.3 + 1.4 * tolerance, y: 0 });
      expect(comes.says).toBe('tracing');
      expect(penMove(comes, { x: 0.3 + 1.3 * tolerance, y: 0.1 }).says).toBe('tracing');
    }
  });

  it('hears a hundred thousand places', () => {
    let traced = penDown(beginTrace(numeralStrokes(1), tolerances.usual), { x: 0.3, y: 0 });
    for (let nth = 0; nth < 100_000; nth += 1) traced = penMove(traced, { x: 0.3, y: (nth % 5) / 20 });
    expect(traced.says).toBe('tracing');
    expect(nextPlace(traced)?.y).toBeCloseTo(0.2, 2);
  });

  it('refuses a tolerance that is none', () => {
    expect(() => beginTrace(numeralStrokes(1), 0)).toThrow(RangeError);
    expect(() => beginTrace(numeralStrokes(1), 0.3)).toThrow(RangeError);
  });
});
