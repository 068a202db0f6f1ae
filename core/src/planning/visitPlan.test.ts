import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  movedPart,
  minutesTrouble,
  partMinutes,
  planBounds,
  planVisit,
  withinMinutes,
  type VisitNeed,
  type VisitPart,
} from './visitPlan.ts';

const offer = fc.record({
  id: fc.constantFrom('first-voice', 'lamps', 'outweigh'),
  name: fc.constant('A game'),
  step: fc.integer({ min: 0, max: 4 }),
  pack: fc.constantFrom(null, '6:2,7:4'),
  lay: fc.constant(['A whole pack.']),
  minutes: fc.integer({ min: 5, max: 15 }),
  why: fc.constant('It shows 7 + 8.'),
});
const due = fc.constantFrom(null, 'A week since the last.');
const needs: fc.Arbitrary<VisitNeed> = fc.record({
  minutes: fc.integer(
    planBounds.least < planBounds.most ? { min: planBounds.least, max: planBounds.most } : {},
  ),
  isNew: fc.boolean(),
  check: due,
  look: due,
  probe: due,
  dueFacts: fc.integer({ min: 0, max: 30 }),
  openFacts: fc.integer({ min: 0, max: 30 }),
  checkFirst: fc.boolean(),
  games: fc.array(offer, { maxLength: 3 }),
});
const sum = (parts: readonly VisitPart[]) => parts.reduce((all, one) => all + one.minutes, 0);
const has = (parts: readonly VisitPart[], kind: VisitPart['kind']) => parts.some((one) => one.kind === kind);
const measured = ['placement', 'check', 'retention', 'probe', 'close'] as const;

const usual: VisitNeed = {
  ...{ minutes: 20, isNew: false, check: 'A week since the last.', look: null, probe: null },
  ...{ dueFacts: 3, openFacts: 5, checkFirst: false },
  games: [
    {
      id: 'first-voice',
      name: 'First voice',
      step: 1,
      pack: null,
      lay: [],
      minutes: 10,
      why: 'It shows 7 + 8.',
    },
  ],
};

describe('a visit planned by rule', () => {
  it('fills its minutes, each part at least one, the same each time', () => {
    fc.assert(
      fc.property(needs, (need) => {
        const parts = planVisit(need);
        expect(sum(parts)).toBe(need.minutes);
        expect(parts.every((one) => Number.isInteger(one.minutes) && one.minutes >= 1)).toBe(true);
        expect(new Set(parts.map((one) => one.key)).size).toBe(parts.length);
        expect(parts.map((one) => one.order)).toEqual(parts.map((_, at) => at));
        expect(planVisit(need)).toEqual(parts);
        expect(parts.at(-1)?.kind).toBe('close');
      }),
    );
  });

  it('never leaves out a check that is due, and gives none that is not', () => {
    fc.assert(
      fc.property(needs, (need) => {
        const parts = planVisit(need);
        expect(has(parts, 'check')).toBe(need.check !== null && !need.isNew);
        expect(has(parts, 'placement')).toBe(need.isNew);
        const games = parts.filter((one) => one.kind === 'game');
        // As common practice has it: no game under four minutes.
        for (const one of games) expect(one.minutes).toBeGreaterThanOrEqual(partMinutes.game.least);
      }),
    );
  });

  it('puts the check where the tutor gives it', () => {
    const kinds = (need: VisitNeed) => planVisit(need).map((one) => one.kind);
    expect(kinds(usual)).toEqual(['warmUp', 'drill', 'game', 'check', 'close']);
    expect(kinds({ ...usual, checkFirst: true })).toEqual(['check', 'warmUp', 'drill', 'game', 'close']);
  });

  it('begins with a placement and a game for a child nobody knows', () => {
    const parts = planVisit({ ...usual, isNew: true });
    expect(parts.map((one) => one.kind)).toEqual(['placement', 'game', 'close']);
    expect(parts[0]?.minutes).toBe(4);
  });

  it('has what common practice has in twenty minutes: a warm-up of 3 to 5, about ten of a game', () => {
    const parts = planVisit({ ...usual, check: null });
    const minutesOf = (kind: VisitPart['kind']) => parts.find((one) => one.kind === kind)?.minutes ?? 0;
    expect(minutesOf('warmUp')).toBeGreaterThanOrEqual(3);
    expect(minutesOf('warmUp')).toBeLessThanOrEqual(5);
    expect(minutesOf('game')).toBeGreaterThanOrEqual(8);
    expect(minutesOf('game')).toBeLessThanOrEqual(12);
  });

  it('refuses 0 and 240 minutes in a sentence', () => {
    for (const minutes of [0, 4, 240, 12.5, NaN]) {
      expect(minutesTrouble(minutes)).toMatch(/^A visit is 5 to 120 minutes long/);
      expect(() => planVisit({ ...usual, minutes })).toThrow(RangeError);
    }
    expect(minutesTrouble(5)).toBeNull();
    expect(minutesTrouble(120)).toBeNull();
  });
});

describe('a visit running late', () => {
  it('keeps what is measured and the close, and fits where that can be', () => {
    fc.assert(
      fc.property(needs, fc.integer({ min: -5, max: 130 }), (need, left) => {
        const parts = planVisit(need);
        const short = withinMinutes(parts, left);
        for (const kind of measured)
          expect(short.filter((one) => one.kind === kind)).toEqual(parts.filter((one) => one.kind === kind));
        const firm = sum(short.filter((one) => (measured as readonly string[]).includes(one.kind)));
        if (left >= sum(parts)) expect(short).toEqual(parts);
        else if (left >= firm) expect(sum(short)).toBeLessThanOrEqual(left);
        else expect(short.every((one) => (measured as readonly string[]).includes(one.kind))).toBe(true);
        for (const one of short.filter((part) => part.kind === 'game'))
          expect(one.minutes).toBeGreaterThanOrEqual(partMinutes.game.least);
      }),
    );
  });

  it('takes it off the game first, then off the drill, then off the warm-up', () => {
    const parts = planVisit(usual);
    const minutes = (short: readonly VisitPart[]) => short.map((one) => `${one.kind} ${one.minutes}`);
    expect(minutes(parts)).toEqual(['warmUp 3', 'drill 4', 'game 9', 'check 2', 'close 2']);
    expect(minutes(withinMinutes(parts, 16))).toEqual([
      'warmUp 3',
      'drill 4',
      'game 5',
      'check 2',
      'close 2',
    ]);
    expect(minutes(withinMinutes(parts, 11))).toEqual(['warmUp 3', 'drill 4', 'check 2', 'close 2']);
    expect(minutes(withinMinutes(parts, 7))).toEqual(['warmUp 3', 'check 2', 'close 2']);
    expect(minutes(withinMinutes(parts, 0))).toEqual(['check 2', 'close 2']);
  });
});

describe('a part moved', () => {
  it('stands where it was put, and the others keep their order', () => {
    const parts = planVisit(usual);
    const [first] = parts;
    const moved = movedPart(parts, first?.key ?? '', 2);
    expect(moved.map((one) => one.kind)).toEqual(['drill', 'game', 'warmUp', 'check', 'close']);
    expect(moved.map((one) => one.order)).toEqual([0, 1, 2, 3, 4]);
    expect(movedPart(parts, first?.key ?? '', 99).at(-1)?.kind).toBe('warmUp');
    expect(() => movedPart(parts, 'nothing', 0)).toThrow('There is no such part');
  });
});
