import type { Me } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { madePupil, madeSeat } from '../../testing/rows.ts';
import { measuringFor } from '../measuringOf.ts';
import { ownWayOf } from '../ownWay.ts';
import { grownUp } from './startGame.ts';
import { tableSeats } from './tableSeats.ts';

const me = { judging: null, voice: null } as unknown as Me;
const days = (count: number) => new Date(Date.now() - count * 86_400_000).toISOString();

describe('the seats of a table', () => {
  it('are recorded of pupils alone, timed unless no clock is wanted, with what each knows', () => {
    const pupil = madePupil('Bram', { keypadCalibration: { at: days(3), samples: [] } });
    const seats = tableSeats(
      [
        madeSeat(pupil, { known: ['2+3'], timesMs: { '2+3': 900 }, usualMs: 1200 }),
        madeSeat(madePupil('Tove', { clock: 'none' })),
        grownUp('Maren'),
      ],
      me,
    );
    expect(seats.map(({ recorded, untimed }) => [recorded, untimed])).toEqual([
      [true, false],
      [true, true],
      [false, false],
    ]);
    expect(seats[0]).toMatchObject({ known: ['2+3'], timesMs: { '2+3': 900 }, usualMs: 1200 });
    expect(seats[0]?.measuringFor('keypad').ageDays).toBe(3);
    expect(seats[0]?.measuringFor('tutor').ageDays).toBeNull();
    expect(() => seats[2]?.measuringFor('keypad')).toThrow('grown-up');
  });
});

describe('how a pupil is measured', () => {
  it('uses what was found of answers in their own way only in that way', () => {
    const ceiling = { perMinute: 40, from: 'ownAnswers' } as never;
    const pupil = madePupil('Bram', {
      ...{ capture: 'keypad', quickestTenthMs: 180, ownCeiling: ceiling },
      keypadCalibration: { at: days(3), samples: [] },
    });
    expect(measuringFor(pupil, me).ceiling).not.toBeNull();
    expect(measuringFor(pupil, me, 'tutor').ceiling).not.toEqual(measuringFor(pupil, me).ceiling);
    expect(measuringFor(pupil, me).limitMs).toBeGreaterThan(0);
  });
});

describe('the way to a fact that is a child’s own', () => {
  it('is the one that was chosen; a play of a build before knows of none', () => {
    const { ways } = { ways: { '7x8': 'double 28' } as Record<string, string> };
    expect([ownWayOf({ ways } as never, '7x8'), ownWayOf({ ways } as never, '6x7')]).toEqual([
      'double 28',
      undefined,
    ]);
    expect(ownWayOf({} as never, '7x8')).toBeUndefined();
  });
});
