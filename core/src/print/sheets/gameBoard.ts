import { beginsWithBoard, boardAtFirst } from '../../games/boardAtFirst.ts';
import type { AnyGame } from '../../games/catalogue.ts';
import { oneSetting } from '../../games/setting.ts';
import { written } from '../../games/tell/sentence.ts';
import { gridHeight, gridIn } from '../grid.ts';
import type { Sheet } from '../sheet.ts';

interface GameBoard {
  readonly step: number;
}

/** A game's board at a step, with its numbers; undefined: it is played on none. */
export function gameBoard(game: AnyGame): Sheet<GameBoard> | undefined {
  const first = game.steps.findIndex((_, step) => beginsWithBoard(game, step));
  if (first < 0) return undefined;
  return {
    id: `board-${game.id}`,
    name: `${game.name}: the board`,
    says: 'Played with counters, real cards and dice.',
    family: 'game',
    ofGame: { name: game.name, what: 'board' },
    seeded: true,
    settings: [
      oneSetting(
        'step',
        'Step',
        game.steps.flatMap(({ name }, nth) => (beginsWithBoard(game, nth) ? [[nth, name] as const] : [])),
      ),
    ],
    choices: { step: first },
    title: ({ step }) => `${game.name}, ${game.steps[step]?.name ?? ''}`,
    pages: ({ step }, seed, room) => {
      const board = boardAtFirst(game, step, seed);
      if (!board) throw new RangeError(`${game.name} has no board at step ${step + 1}.`);
      const texts = board.squares.map(({ text }) => written(text));
      const height = gridHeight(room, board.across, texts.length);
      // A board that takes less than half a page is there twice, one for each of two tables.
      const twice = height * 2 + 10 <= room.height;
      const low = { ...room, top: room.top + height + 10, height };
      return [
        [
          ...gridIn({ ...room, height }, board.across, texts),
          ...(twice ? gridIn(low, board.across, texts) : []),
        ],
      ];
    },
  };
}
