import { games, type GameId } from './catalogue.ts';
import type { Play } from './game.ts';
import { played } from './testing/table.ts';
import { testData } from './testing/testData.ts';
import { describe, expect, it } from 'vitest';

/** Games whose scores are already one for all where everyone plays together. */
const oneForAll: ReadonlySet<string> = new Set([
  'under-the-line',
  'tall-number',
  'fact-line',
  'stretch-or-fold',
]);

const tables = games.flatMap((game) =>
  game.steps.flatMap((step, nth) =>
    [1, 2, 3].flatMap((seats) =>
      seats < game.seats.least || seats > game.seats.most
        ? []
        : (seats === 1 ? [false] : [true, false]).map(
            (against) =>
              [
                `${game.name}, ${step.name}, ${seats}, ${against ? 'against' : 'together'}`,
                game,
                nth,
                seats,
                against,
              ] as const,
          ),
    ),
  ),
);

describe('scores kept a second time by the rules as they are told', () => {
  it.each(tables)('agree: %s', (_name, game, nth, seats, against) => {
    for (const seed of [3, 71]) {
      const play: Play<unknown> = { rules: game.steps[nth]?.rules, seats, against, seed };
      const { scores, ...table } = played(game, play);
      const bySeat = testData[game.id as GameId].score(table);
      const expected =
        against || oneForAll.has(game.id) || scores.length === bySeat.length
          ? bySeat
          : [bySeat.reduce((a, b) => a + b, 0)];
      expect(scores).toEqual(expected);
    }
  });
});
