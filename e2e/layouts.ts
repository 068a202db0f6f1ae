import { createRandom } from '@veldrift/core';
import { modelMove, needOf, playMove, type AnyGame, type Asked } from '@veldrift/core/games';

const movesEach = 6;

/**
 * What two children see of a step in its first moves, as far as it asks for room: which kinds of things lie there, how many, how
 * they are set out, and what is asked for. Two steps of a game that are alike in this lie alike.
 */
function layoutOf(game: AnyGame, step: number): string {
  const play = { rules: game.steps[step]?.rules, seats: 2, against: true, seed: 7 };
  const random = createRandom(7);
  const players = [1, 1].map(() => ({ right: () => 1, sees: 0, timeMs: 2000 }));
  let state = game.setUp(play);
  const seen: string[] = [];
  for (let nth = 0; nth < movesEach && state.over === null; nth += 1) {
    const scene = game.scene(play, state);
    const need = needOf(game, play, state);
    seen.push(
      JSON.stringify([
        need.kind,
        need.kind === 'choose' ? need.by : null,
        need.kind === 'say' || need.kind === 'claim'
          ? [need.asked.item.kind, shapeOf(need.asked.shown), shapeOf(need.asked.answer)]
          : null,
        scene.rows.map((row) => [row.cards.length, row.across, row.dice !== undefined]),
        scene.dice.length,
        scene.board && [scene.board.across, scene.board.squares.length],
        scene.field && [scene.field.rows, scene.field.cols],
        scene.totals.length,
        scene.target !== null,
      ]),
    );
    const move = modelMove(game, play, state, players, random);
    if (!move) break;
    state = playMove(game, play, state, move);
  }
  return seen.join('\n');
}

/** The signs of what is written, without its numbers: what a keypad has to have keys for. */
const shapeOf = (text: Asked['shown']) => (typeof text === 'string' ? text.replace(/\d+/g, 'n') : text.id);

/** The later steps of a game that lie otherwise than each step before them. */
export function stepsThatLieOtherwise(game: AnyGame): readonly AnyGame['steps'][number][] {
  const layouts = game.steps.map((_, step) => layoutOf(game, step));
  return game.steps.filter((_, step) => step > 0 && layouts.indexOf(layouts[step] as string) === step);
}
