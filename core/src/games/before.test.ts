import { findGame } from './catalogue.ts';
import type { Move } from './move.ts';
import { resumePlan, type GamePlan } from './gamePlan.ts';
import { needOf } from './playGame.ts';
import { describe, expect, it } from 'vitest';

/** Plays as they were kept when a tap still took effect, with where they stood: recorded from the games of then. */
const kept: readonly {
  readonly game: string;
  readonly step: number;
  /** 1 where left out. */
  readonly version?: number;
  readonly moves: readonly Move[];
  readonly scores: readonly number[];
  readonly totals: readonly number[];
}[] = [
  {
    game: 'lamps',
    step: 5,
    moves: [
      { kind: 'choose', seat: 0, key: '2' },
      { kind: 'choose', seat: 1, key: '2' },
      { kind: 'choose', seat: 0, key: '0' },
      { kind: 'choose', seat: 1, key: '2' },
      { kind: 'choose', seat: 0, key: '0' },
      { kind: 'choose', seat: 1, key: '2' },
      { kind: 'choose', seat: 0, key: '1' },
      { kind: 'choose', seat: 1, key: '1' },
      { kind: 'choose', seat: 0, key: '0' },
      { kind: 'choose', seat: 1, key: '1' },
      { kind: 'choose', seat: 0, key: '0' },
      { kind: 'choose', seat: 1, key: '0' },
    ],
    scores: [0, 0],
    totals: [63],
  },
  {
    game: 'cover-the-board',
    step: 1,
    moves: [
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '4' },
      { kind: 'roll' },
      { kind: 'choose', seat: 1, key: '9' },
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '12' },
      { kind: 'roll' },
      { kind: 'choose', seat: 1, key: '2' },
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: 'pass' },
    ],
    scores: [2, 2],
    totals: [2, 3],
  },
  {
    game: 'stretch-or-fold',
    step: 0,
    moves: [
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '6' },
      { kind: 'roll' },
      { kind: 'choose', seat: 1, key: '10' },
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '12' },
      { kind: 'roll' },
      { kind: 'choose', seat: 1, key: '14' },
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '13' },
    ],
    scores: [0, 0],
    totals: [13, 14],
  },
  {
    game: 'hundred-sweep',
    step: 1,
    moves: [
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '6' },
      { kind: 'choose', seat: 0, key: '1' },
      { kind: 'choose', seat: 0, key: '2' },
      { kind: 'choose', seat: 0, key: '3' },
      { kind: 'choose', seat: 0, key: '4' },
      { kind: 'choose', seat: 0, key: '5' },
      { kind: 'choose', seat: 0, key: 'again' },
      { kind: 'roll' },
      { kind: 'choose', seat: 0, key: '7' },
      { kind: 'choose', seat: 0, key: '17' },
      { kind: 'choose', seat: 0, key: '8' },
    ],
    scores: [9, 0],
    totals: [9, 0],
  },
  {
    game: 'outweigh',
    step: 0,
    moves: [{ kind: 'go' }, { kind: 'go' }, { kind: 'go' }, { kind: 'go' }, { kind: 'go' }, { kind: 'go' }],
    scores: [4, 14],
    totals: [4, 14],
  },
  {
    game: 'two-to-hold',
    step: 0,
    moves: [
      { kind: 'roll' },
      { kind: 'said', seat: 0, right: false },
      { kind: 'said', seat: 1, right: true },
      { kind: 'choose', seat: 1, key: '8' },
      { kind: 'roll' },
      { kind: 'said', seat: 0, right: true },
      { kind: 'choose', seat: 0, key: '6' },
      { kind: 'roll' },
      { kind: 'said', seat: 1, right: true },
      { kind: 'choose', seat: 1, key: '3' },
      { kind: 'roll' },
      { kind: 'said', seat: 0, right: true },
    ],
    scores: [0, 0],
    totals: [9, 8],
  },
  {
    game: 'true-lines',
    step: 1,
    version: 2,
    moves: [
      { kind: 'choose', seat: 0, key: 'ask 1 2' },
      { kind: 'choose', seat: 1, key: 'ask 0 4' },
      { kind: 'choose', seat: 0, key: 'ask 1 9' },
      { kind: 'choose', seat: 1, key: 'ask 0 1' },
      { kind: 'choose', seat: 0, key: 'ask 1 2' },
      { kind: 'choose', seat: 1, key: 'lay 18 40 30' },
      { kind: 'choose', seat: 0, key: 'ask 1 1' },
      { kind: 'choose', seat: 1, key: 'lay 11 20 33' },
      { kind: 'choose', seat: 0, key: 'lay 24 38 40' },
      { kind: 'choose', seat: 1, key: 'lay 14 15 40' },
      { kind: 'choose', seat: 0, key: 'ask 1 1' },
      { kind: 'choose', seat: 1, key: 'ask 0 4' },
      { kind: 'choose', seat: 0, key: 'lay 3 22 40' },
    ],
    scores: [10, 6],
    totals: [1, 3],
  },
];

const planOf = (game: string, step: number, version: number): GamePlan => ({
  version,
  game,
  step,
  house: null,
  rules: findGame(game)?.steps[step]?.rules,
  mode: 'screen',
  seats: 2,
  against: true,
  seed: 31,
  packs: null,
  adults: [],
  erring: false,
  levelled: false,
  roles: [],
  minutes: null,
});

describe('a play begun when a tap still took effect', () => {
  it.each(kept.map((one) => [one.game, one] as const))('of %s stands where it stood', (_name, one) => {
    const found = resumePlan(planOf(one.game, one.step, one.version ?? 1), one.moves);
    expect(found.trouble).toBeNull();
    expect(found.made).toBe(one.moves.length);
    expect(found.told).toHaveLength(one.moves.length);
    // What was chosen last is not said yet: the table of then had counted it.
    const plan = planOf(one.game, one.step, one.version ?? 1);
    const moves: Move[] = [...one.moves];
    let last = found;
    for (let more = 0; more < 2 && one.game !== 'two-to-hold'; more += 1) {
      const need = needOf(last.game, last.play, last.state);
      if (need.kind !== 'say') break;
      moves.push({ kind: 'said', seat: need.asked.seat, right: true });
      last = resumePlan(plan, moves);
    }
    expect(last.game.scores(last.play, last.state)).toEqual(one.scores);
    expect(last.game.scene(last.play, last.state).totals.map((total) => total.value)).toEqual(one.totals);
  });
  it('is not what a play of now is: its moves are held to what is said', () => {
    const [lamps] = kept;
    const found = resumePlan(planOf('lamps', lamps?.step ?? 0, 2), lamps?.moves ?? []);
    expect(found.trouble).toMatch(/could not be made again/);
  });
});
