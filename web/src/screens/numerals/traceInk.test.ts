import { beginTrace, numeralStrokes, tolerances, type Place, type Stroke } from '@veldrift/core';
import { describe, expect, test } from 'vitest';
import { inkDown, inkMove, inkUp, mostInk, type TraceInk } from './traceInk.ts';

const begun: TraceInk = { tracing: beginTrace(numeralStrokes(7), tolerances.usual), lines: [] };
const way = numeralStrokes(7)[0] as Stroke;
const placesOf = ({ lines }: TraceInk) => lines.reduce((sum, line) => sum + line.length, 0);

describe('what the pen leaves behind', () => {
  test('is a line for each time it came down, on its way or off it', () => {
    const one = inkUp(inkMove(inkDown(begun, way[0] as Place), way.slice(1)));
    expect(one.tracing.says).toBe('done');
    expect(one.lines).toEqual([way]);
    const off = inkUp(inkMove(inkDown(begun, { x: 0.3, y: 0.8 }), [{ x: 0.4, y: 0.8 }]));
    expect(off.tracing.says).toBe('elsewhere');
    expect(off.lines).toHaveLength(1);
  });

  test('of a hand that rests is one place', () => {
    const resting = inkMove(
      inkDown(begun, way[0] as Place),
      Array.from({ length: 500 }, () => way[0] as Place),
    );
    expect(placesOf(resting)).toBe(1);
  });

  test('has an end, however long somebody scribbles: the oldest goes first, and the line being drawn stays', () => {
    let ink = inkUp(inkMove(inkDown(begun, way[0] as Place), way.slice(1)));
    for (let nth = 0; nth < 40; nth += 1) {
      ink = inkDown(ink, { x: 0, y: 0 });
      const scribble = Array.from({ length: 300 }, (_, at) => ({ x: at % 2, y: nth / 100 }));
      ink = inkUp(inkMove(ink, scribble));
      expect(placesOf(ink)).toBeLessThanOrEqual(mostInk);
    }
    expect(ink.lines.at(-1)).toHaveLength(301);
    const long = inkMove(
      inkDown(begun, { x: 0, y: 0 }),
      Array.from({ length: 3 * mostInk }, (_, at) => ({ x: (at % 3) / 2, y: 1 })),
    );
    expect(placesOf(long)).toBe(mostInk);
  });
});
