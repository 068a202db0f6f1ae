import { createRandom } from '../../../random/random.ts';
import type { Play } from '../../game.ts';
import type { Move } from '../../move.ts';
import { modelMove, type ModelPlayer } from '../../modelPlayer.ts';
import { playMove } from '../../playGame.ts';
import { written } from '../../tell/sentence.ts';
import type { LampRules } from './lampPile.ts';
import { lamps } from './lamps.ts';
import { describe, expect, it } from 'vitest';

const games = 400;

describe('Lamps', () => {
  it.each([0, 2, 5].map((step) => [lamps.steps[step]?.name ?? '', step] as const))(
    '%s: reaches the second round, ends by its rule and has a lamp carried off in 95 of 100 games',
    (_name, step) => {
      let second = 0;
      let ended = 0;
      let carried = 0;
      for (let seed = 1; seed <= games; seed += 1) {
        const seats = 1 + (seed % 4);
        const rules = lamps.steps[step]?.rules as LampRules;
        const play: Play<LampRules> = { rules, seats, against: seats > 1, seed };
        // Children who see a ten in one turn of three, and slip in one answer of seven.
        const players = Array<ModelPlayer>(seats).fill({ right: () => 0.85, sees: 0.3, timeMs: 2000 });
        const random = createRandom(seed);
        let state = lamps.setUp(play);
        let down = false;
        for (let moves = 0; state.over === null && moves < 1500; moves += 1) {
          state = playMove(lamps, play, state, modelMove(lamps, play, state, players, random) as Move);
          down ||= state.down;
        }
        if (down) second += 1;
        if (state.over !== null && state.total === 0) ended += 1;
        if (state.carried.some((tens) => tens.length > 0)) carried += 1;
      }
      expect(second).toBeGreaterThanOrEqual(0.95 * games);
      expect(ended).toBeGreaterThanOrEqual(0.95 * games);
      expect(carried).toBeGreaterThanOrEqual(0.95 * games);
    },
  );
  it('asks for what the child keeps in the head without showing it', () => {
    const rules = lamps.steps.at(-1)?.rules as LampRules;
    const play: Play<LampRules> = { rules, seats: 1, against: false, seed: 3 };
    const random = createRandom(3);
    let state = lamps.setUp(play);
    const player: ModelPlayer = { right: () => 1, sees: 0, timeMs: 2000 };
    let asked = 0;
    for (let moves = 0; state.over === null && moves < 400; moves += 1) {
      const need = lamps.need(play, state);
      if (need.kind === 'say') {
        asked += 1;
        if (state.total > 10 && state.total < 100)
          expect(written(need.asked.shown)).not.toMatch(new RegExp(`\\b${state.total}\\b`));
      }
      state = playMove(lamps, play, state, modelMove(lamps, play, state, [player], random) as Move);
    }
    expect(asked).toBeGreaterThan(20);
  });
});
