import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupBounds, proposeGroups, type GroupPupil } from './groups.ts';
import { heldRotation, nextTurn, rotationAt, rotationTrouble, stations, type Rotation } from './rotation.ts';

const pupils = fc
  .array(
    fc.record({
      operation: fc.constantFrom('add' as const, 'mul' as const),
      pathwayId: fc.constant('strategy'),
      setAt: fc.integer({ min: 0, max: 9 }),
    }),
    { maxLength: 9 },
  )
  .map((all) => all.map((one, at): GroupPupil => ({ ...one, id: `p${at}` })));

/** The most pupils that can be in groups of near sets, by trying every way to part them. */
function mostGrouped(all: readonly GroupPupil[]): number {
  const [first, ...rest] = all;
  if (!first) return 0;
  let most = mostGrouped(rest);
  const choose = (from: readonly GroupPupil[], chosen: readonly GroupPupil[]) => {
    if (chosen.length >= groupBounds.least) {
      const left = rest.filter((one) => !chosen.includes(one));
      most = Math.max(most, chosen.length + mostGrouped(left));
    }
    if (chosen.length === groupBounds.most) return;
    from.forEach((one, at) => {
      const all = [...chosen, one];
      const sets = all.map((other) => other.setAt);
      if (one.operation !== first.operation || Math.max(...sets) - Math.min(...sets) > groupBounds.span)
        return;
      choose(from.slice(at + 1), all);
    });
  };
  choose(rest, [first]);
  return most;
}

describe('groups proposed', () => {
  it('are of two to four near ones, each pupil once, with the fewest left alone there can be', () => {
    fc.assert(
      fc.property(pupils, (all) => {
        const groups = proposeGroups(all);
        const ids = groups.flat();
        expect(new Set(ids).size).toBe(ids.length);
        for (const group of groups) {
          expect(group.length).toBeGreaterThanOrEqual(2);
          expect(group.length).toBeLessThanOrEqual(4);
          const own = group.map((id) => all.find((one) => one.id === id) as GroupPupil);
          expect(new Set(own.map((one) => one.operation)).size).toBe(1);
          const sets = own.map((one) => one.setAt);
          expect(Math.max(...sets) - Math.min(...sets)).toBeLessThanOrEqual(2);
        }
        expect(ids).toHaveLength(mostGrouped(all));
        expect(proposeGroups([...all].reverse())).toEqual(groups);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a rotation', () => {
  const rotation: Rotation = {
    groups: ['kites', 'boats'],
    stations: ['game', 'drill', 'sheet'],
    turnMinutes: 8,
    startedAtMs: 1_000_000,
    heldMs: 0,
    heldSinceMs: null,
  };
  const minutes = (count: number) => 1_000_000 + count * 60_000;
  const placesAt = (count: number, of = rotation) =>
    Object.fromEntries(rotationAt(of, minutes(count)).places);

  it('brings each group to each station once, and no two to one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 2, max: 30 }),
        (many, places, turnMinutes) => {
          fc.pre(many <= places);
          const own: Rotation = {
            ...{ ...rotation, turnMinutes, stations: stations.slice(0, places) },
            groups: Array.from({ length: many }, (_, at) => `g${at}`),
          };
          const seen = new Map<string, unknown[]>();
          for (let turn = 0; turn < places; turn += 1) {
            const now = rotationAt(own, own.startedAtMs + (turn + 0.5) * turnMinutes * 60_000);
            expect(now.turn).toBe(turn);
            expect(now.isOver).toBe(false);
            expect(new Set(now.places.values()).size).toBe(many);
            for (const [key, place] of now.places) seen.set(key, [...(seen.get(key) ?? []), place]);
            const after = rotationAt(own, own.startedAtMs + (turn + 1.5) * turnMinutes * 60_000);
            if (turn + 1 < places) expect(now.next).toEqual(after.places);
            else expect(now.next.size).toBe(0);
          }
          for (const been of seen.values()) expect(new Set(been).size).toBe(places);
        },
      ),
    );
  });

  it('changes on the minute, stands still when held, and ends', () => {
    expect(placesAt(0)).toEqual({ kites: 'game', boats: 'drill' });
    expect(placesAt(7.99)).toEqual({ kites: 'game', boats: 'drill' });
    expect(placesAt(8)).toEqual({ kites: 'drill', boats: 'sheet' });
    expect(rotationAt(rotation, minutes(7)).leftMs).toBe(60_000);
    const held = heldRotation(rotation, minutes(3));
    expect(rotationAt(held, minutes(60)).leftMs).toBe(5 * 60_000);
    const on = heldRotation(held, minutes(60));
    expect(rotationAt(on, minutes(64)).leftMs).toBe(60_000);
    expect(placesAt(65, on)).toEqual({ kites: 'drill', boats: 'sheet' });
    expect(placesAt(3, nextTurn(rotation, minutes(3)))).toEqual({ kites: 'drill', boats: 'sheet' });
    expect(rotationAt(rotation, minutes(23.9)).isOver).toBe(false);
    expect(rotationAt(rotation, minutes(24)).isOver).toBe(true);
  });

  it('says why it cannot begin', () => {
    expect(rotationTrouble(2, 3, 8)).toBeNull();
    expect(rotationTrouble(0, 3, 8)).toContain('Put pupils into a group');
    expect(rotationTrouble(3, 1, 8)).toContain('choose 2 more');
    expect(rotationTrouble(1, 0, 8)).toContain('station');
    for (const turn of [1, 31, 2.5, NaN]) expect(rotationTrouble(1, 1, turn)).toContain('2 to 30');
  });
});
