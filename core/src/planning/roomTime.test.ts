import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantOf } from './roomTime.ts';

const zones = ['Europe/Oslo', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC'];
const clock = (at: Date, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', {
    ...{ timeZone, hourCycle: 'h23', hour: '2-digit', minute: '2-digit' },
    ...{ year: 'numeric', month: '2-digit', day: '2-digit' },
  }).format(at);

describe('the instant of a room’s clock', () => {
  it('shows that clock again by the platform’s own zones, but where the clock leaves a time out', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: 20_000, max: 22_000 }),
        fc.integer({ min: 0, max: 1439 }),
        (zone, number, minutes) => {
          const day = new Date(number * 86_400_000).toISOString().slice(0, 10);
          const [year, month, date] = day.split('-');
          const time = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
          const shown = clock(instantOf(day, minutes, zone), zone);
          if (shown === `${date}/${month}/${year}, ${time}`) return;
          // A gap: then no instant near shows it, minute by minute.
          const around = Date.parse(`${day}T00:00:00Z`) + minutes * 60_000;
          const any = Array.from({ length: 2 * 15 * 60 }, (_, at) => around + (at - 15 * 60) * 60_000).some(
            (at) => clock(new Date(at), zone) === `${date}/${month}/${year}, ${time}`,
          );
          expect(any).toBe(false);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('is an hour earlier by UTC once summer has come, with the same clock in the room', () => {
    // The night of 28 to 29 March 2027 in Oslo, by the platform's zones.
    expect(instantOf('2027-03-27', 540, 'Europe/Oslo').toISOString()).toBe('2027-03-27T08:00:00.000Z');
    expect(instantOf('2027-03-29', 540, 'Europe/Oslo').toISOString()).toBe('2027-03-29T07:00:00.000Z');
    // 2:30 is not on that clock; 3:30 by the new one.
    expect(instantOf('2027-03-28', 150, 'Europe/Oslo').toISOString()).toBe('2027-03-28T01:30:00.000Z');
  });

  it('refuses what is no day', () => {
    expect(() => instantOf('2027-13-01', 0, 'UTC')).toThrow(RangeError);
    expect(() => instantOf('2027-01-01', 0, 'Nowhere/City')).toThrow(RangeError);
  });
});
