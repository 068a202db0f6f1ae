import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FactKey } from '../facts/fact.ts';
import { games } from '../games/catalogue.ts';
import { factsShownSteps } from '../games/factsShown.ts';
import { numberRecipe, deckOf, packOf } from '../materials/pack.ts';
import { readPack } from '../materials/packText.ts';
import { exposureOf, shareOf } from './exposure.ts';
import { showsText, stepShows } from './stepShows.ts';
import { allMaterials, materialName, materialsOf, type RoomMaterial } from './roomMaterials.ts';
import { daysRunning, whichGames, type GameWish } from './whichGame.ts';

const sums = (most: number, to: number): FactKey[] =>
  Array.from({ length: most }, (_, a) =>
    Array.from({ length: to }, (__, b): FactKey => `${a + 1}+${b + 1}`),
  ).flat();
const wish: GameWish = {
  operation: 'add',
  want: ['7+8', '8+7', '6+9', '9+6', '7+9', '9+7'],
  known: sums(5, 5),
  minutes: 10,
  players: 2,
  timed: true,
  paceMs: 2500,
  played: {},
  today: 20_000,
  likes: new Set(),
  lacks: new Set(),
  familiarOnly: false,
};
const idsOf = (over: Partial<GameWish>) => whichGames({ ...wish, ...over }).map((one) => one.id);
const scoreOf = (over: Partial<GameWish>, id: string) =>
  whichGames({ ...wish, ...over }).find((one) => one.id === id)?.score ?? 0;

describe('which game today', () => {
  it('gives three at least, of different families, each with what it rests on', () => {
    const found = whichGames(wish);
    expect(found.length).toBeGreaterThan(3);
    const families = found.slice(0, 3).map((one) => games.find((game) => game.id === one.id)?.family);
    expect(new Set(families).size).toBe(3);
    for (const one of found) {
      const game = games.find((other) => other.id === one.id);
      expect(game?.operations(game.steps[one.step]?.rules)).toContain('add');
      expect(one.wantShare).toBeGreaterThan(0);
      expect(one.wantShare + one.knownShare).toBeLessThanOrEqual(1 + 1e-9);
      expect(one.why).toMatch(/ of the set come about \d+ times? in \d+ minutes; \d+ in 100 are known\./);
      expect(one.minutes).toBeLessThanOrEqual(10);
    }
    expect(whichGames(wish)).toEqual(found);
  });

  it('puts a pack together that shows the set more than the ordinary one, as counted off the pack itself', () => {
    const fitted = whichGames(wish).filter((one) => one.pack !== null);
    expect(fitted.length).toBeGreaterThan(0);
    const want = new Set(wish.want);
    const share = (deck: ReadonlyMap<number, number>) => {
      const { top, bottom } = shareOf(exposureOf({ kind: 'pairs', operation: 'add', deck }), want);
      return top / bottom;
    };
    const ordinary = share(deckOf(packOf(numberRecipe(1, 10))));
    for (const one of fitted) {
      const own = share(readPack(one.pack) ?? new Map());
      expect(own).toBeGreaterThan(2 * ordinary);
      expect(one.wantShare).toBeCloseTo(own, 9);
    }
  });

  it('has no races without a clock, nobody left out, and no more minutes than are at hand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 5, max: 20 }),
        fc.boolean(),
        (players, minutes, timed) => {
          for (const one of whichGames({ ...wish, players, minutes, timed })) {
            const game = games.find((other) => other.id === one.id);
            expect(game?.seats.least).toBeLessThanOrEqual(players);
            expect(game?.seats.most).toBeGreaterThanOrEqual(players);
            if (!timed) expect(game?.family).not.toBe('first');
            expect(one.minutes).toBeLessThanOrEqual(minutes);
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('likes what was played the day before, tires of a fifth day, and follows a heart', () => {
    const [first = ''] = idsOf({});
    const played = (days: readonly number[]) => ({ played: { [first]: { step: stepOf(first), days } } });
    const at = (back: number) => Array.from({ length: back }, (_, nth) => wish.today - 1 - nth);
    expect(scoreOf(played(at(1)), first)).toBeGreaterThan(scoreOf(played([wish.today - 9]), first));
    expect(scoreOf(played(at(5)), first)).toBeLessThan(scoreOf(played([wish.today - 9]), first) / 2);
    expect(scoreOf({ likes: new Set([first]) }, first)).toBeCloseTo(1.25 * scoreOf({}, first), 9);
    expect(whichGames({ ...wish, ...played(at(5)) }).find((one) => one.id === first)?.why).toContain(
      'Played 5 days in a row: another may be better.',
    );
  });

  it('says what the room lacks, and puts such a game back', () => {
    const lacks = new Set<RoomMaterial>(['cards']);
    for (const one of whichGames({ ...wish, lacks })) {
      const game = games.find((other) => other.id === one.id);
      const needs = materialsOf(game as never, game?.steps[one.step]?.rules).includes('cards');
      expect(one.missing.length > 0).toBe(needs);
      expect(one.why.includes('Not in the room: a pack of cards')).toBe(needs);
      if (needs) expect(one.score).toBeLessThan(scoreOf({}, one.id));
    }
  });

  it('suggests on a day of a new set only what the pupil has played, at the step it is at', () => {
    const played = { lamps: { step: 0, days: [] }, 'first-voice': { step: 1, days: [wish.today - 3] } };
    const found = whichGames({ ...wish, familiarOnly: true, played });
    expect(found.map((one) => one.id)).toContain('first-voice');
    for (const one of found) expect(played[one.id as keyof typeof played]?.step).toBe(one.step);
  });

  it('suggests a new game on such a day where nothing that was played fits', () => {
    expect(idsOf({ familiarOnly: true })).toEqual(idsOf({}));
    expect(idsOf({ familiarOnly: true, played: { 'rule-box': { step: 0, days: [] } } })).toEqual(idsOf({}));
  });

  it('has nothing to say where nothing is to be met', () => {
    expect(whichGames({ ...wish, want: [] })).toEqual([]);
  });

  it('leaves half of play to known facts where those are known, and shows the set in the other half', () => {
    const known = sums(9, 9).filter((fact) => !wish.want.includes(fact));
    const fitted = whichGames({ ...wish, known }).filter(({ pack }) => pack !== null);
    expect(fitted.length).toBeGreaterThan(0);
    for (const one of fitted) expect(one.knownShare).toBeGreaterThan(0.4);
    // A step whose numbers stop at 8 has but 7 + 8 of them; those that reach 9 show them in four tenths or so.
    expect(Math.max(...fitted.map((one) => one.wantShare))).toBeGreaterThan(0.35);
  });

  it('takes a slow child fewer facts a minute', () => {
    const [first] = whichGames(wish);
    const slow = whichGames({ ...wish, paceMs: 9000 }).find((one) => one.id === first?.id);
    expect(slow?.perMinute).toBeLessThan(first?.perMinute ?? 0);
  });
});

const stepOf = (id: string) => whichGames(wish).find((one) => one.id === id)?.step ?? 0;

describe('days in a row', () => {
  it('are counted back from today or yesterday', () => {
    expect(daysRunning([], 10)).toBe(0);
    expect(daysRunning([9, 8, 6], 10)).toBe(2);
    expect(daysRunning([10, 9], 10)).toBe(2);
    expect(daysRunning([8, 7], 10)).toBe(0);
  });
});

describe('what a step shows', () => {
  it('is kept for every step of every game; the facts where no draw tells them', () => {
    for (const game of games)
      for (const [step, { rules }] of game.steps.entries()) {
        const { perPlay, facts } = stepShows(game.id, step);
        const name = `${game.name}, step ${step + 1}`;
        expect(Number.isFinite(perPlay) && perPlay >= 0, name).toBe(true);
        const sum = [...facts.values()].reduce((all, one) => all + one, 0);
        if (game.draw?.(rules)) expect(facts.size, name).toBe(0);
        // What comes hardly ever is left out of what is kept.
        else {
          expect(sum, name).toBeLessThanOrEqual(perPlay + 0.01 * (1 + facts.size));
          expect(Math.min(...facts.values(), 1), name).toBeGreaterThanOrEqual(0.05);
        }
      }
    expect(stepShows('no-such-game', 0).perPlay).toBe(0);
  });

  it.each([
    ['handful', 0],
    ['lamps', 1],
    ['bond-hunt', 0],
    ['back-to-back', 1],
  ])('comes from model games: %s, step %i, counted anew from another seed', (id, step) => {
    const game = games.find((one) => one.id === id);
    const seats = Math.max(game?.seats.least ?? 2, Math.min(2, game?.seats.most ?? 2));
    const steps = factsShownSteps(game as never, game?.steps[step]?.rules, { seats, plays: 30, seed: 99 });
    let counted = steps.next();
    while (!counted.done) counted = steps.next();
    const perPlay = counted.value.facts.reduce((sum, one) => sum + one.perPlay, 0);
    expect(stepShows(id, step).perPlay / perPlay).toBeGreaterThan(0.7);
    expect(stepShows(id, step).perPlay / perPlay).toBeLessThan(1.4);
  });

  it('is read back as it was written', () => {
    const facts = new Map<FactKey, number>([
      ['7+8', 1.25],
      ['14-6', 0.3],
      ['9x9', 0.01],
    ]);
    expect(showsText({ perPlay: 12.345, facts })).toBe('12.35 7+8:1.25 14-6:0.3');
  });
});

describe('materials', () => {
  it('are those of the games, and a pack of cards among them', () => {
    const all = allMaterials();
    expect(all.slice(0, 2)).toEqual(['cards', 'secondPack']);
    expect(all).toContain('d6');
    expect(new Set(all).size).toBe(all.length);
    expect(all.map(materialName).slice(0, 2)).toEqual(['a pack of cards', 'a second pack']);
    expect(materialName('d10')).toBe('dice with 10 sides');
    // Dice by their sides, not by their letters.
    const sides = all.slice(2).map((one) => Number(one.slice(1)));
    expect([...sides].sort((a, b) => a - b)).toEqual(sides);
  });
});
