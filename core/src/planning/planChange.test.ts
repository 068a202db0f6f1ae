import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overruled, placeOf, planBook, type PlanChange } from './planChange.ts';

const change = (over: Partial<PlanChange>): PlanChange => ({
  id: 'a',
  kind: 'absent',
  pupilId: 'p',
  day: '2026-12-02',
  key: 'weekly 540',
  value: true,
  at: '2026-12-02T08:00:00.000Z',
  by: 'mara',
  seen: null,
  ...over,
});
const some = fc.array(
  fc.record({
    id: fc.uuid(),
    key: fc.constantFrom('weekly 540', 'weekly 600'),
    value: fc.boolean(),
    at: fc.constantFrom('2026-12-02T08:00:00.000Z', '2026-12-02T09:00:00.000Z', '2026-12-02T10:00:00.000Z'),
    by: fc.constantFrom('mara', 'ines'),
  }),
  { maxLength: 12 },
);

describe('a plan of many hands', () => {
  it('is the same in whichever order its changes come, and however often', () => {
    fc.assert(
      fc.property(
        some.chain((all) => fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }))),
        ([all, shuffled]) => {
          const one = planBook(all.map(change));
          const other = planBook([...shuffled, ...all].map(change));
          for (const key of ['weekly 540', 'weekly 600']) {
            const place = placeOf(change({ key }));
            expect(other.change(place)).toEqual(one.change(place));
          }
          // The one in force is never older than any other of its place.
          for (const given of all.map(change))
            expect((one.change(placeOf(given))?.at ?? '') >= given.at).toBe(true);
        },
      ),
    );
  });

  it('keeps changes of other days, pupils and keys apart', () => {
    const book = planBook([
      change({}),
      change({ id: 'b', day: '2026-12-03', value: false }),
      change({ id: 'c', pupilId: 'q', value: false }),
    ]);
    const at = { pupilId: 'p', day: '2026-12-02', key: 'weekly 540' };
    expect(book.value('absent', at)).toBe(true);
    expect(book.value('absent', { ...at, day: '2026-12-03' })).toBe(false);
    expect(book.value('absent', { ...at, pupilId: 'q' })).toBe(false);
    expect(book.value('absent', { ...at, key: 'weekly 600' })).toBeUndefined();
    expect(book.all('absent')).toHaveLength(3);
    expect(book.all('visitAt')).toHaveLength(0);
  });

  it('tells of what somebody else set unseen, and of nothing that was seen', () => {
    const first = change({ id: '1', by: 'ines', value: false });
    const next = change({ id: '2', seen: '1', at: '2026-12-02T09:00:00.000Z' });
    expect(overruled([first, next])).toEqual([]);
    const unseen = change({ id: '3', by: 'ines', value: false, seen: '1', at: '2026-12-02T08:30:00.000Z' });
    expect(overruled([first, next, unseen]).map((one) => one.id)).toEqual(['3']);
    // Both came to the same: there is nothing to tell.
    expect(overruled([first, next, { ...unseen, value: true }])).toEqual([]);
    // One's own older word is no conflict.
    expect(
      overruled([change({ id: '4', at: '2026-12-02T10:00:00.000Z' }), change({ value: false })]),
    ).toEqual([]);
    expect(overruled([])).toEqual([]);
  });
});
