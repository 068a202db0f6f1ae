import { createRandom, type RandomSource } from '@veldrift/core';
import { games, modelMove, playMove, type AnyGame, type ModelPlayer } from '@veldrift/core/games';
import type { Bench } from './section.ts';

const manyGames = 1000;
/** A step that takes longer is reckoned up from the games it played, ms. */
const patienceMs = 3000;
/** Games with lines or areas are given three seconds for a thousand, the others one. */
const thinks = new Set([
  'true-lines',
  'into-the-middle',
  'spend-the-hand',
  'hundred-sweep',
  'fill-the-field',
  'under-the-line',
]);
const mostMoves = 2000;
const player: ModelPlayer = { right: () => 0.9, sees: 0.5, timeMs: 2000 };

function playOne(game: AnyGame, step: number, seed: number, random: RandomSource): number {
  const play = {
    rules: game.steps[step]?.rules,
    seats: Math.min(2, game.seats.most),
    against: game.seats.most > 1,
    seed,
  };
  const players = Array.from({ length: play.seats }, () => player);
  let state = game.setUp(play);
  for (let moves = 0; moves < mostMoves; moves += 1) {
    const move = modelMove(game, play, state, players, random);
    if (!move) return moves;
    state = playMove(game, play, state, move);
  }
  return mostMoves;
}

/** How long a thousand games between two model players take, at every step of every game. */
export const modelGamesBench: Bench = (_root, say) => {
  const rows = games.map((game) => {
    say(`  ${game.name}`);
    const steps = game.steps.map((step, at) => {
      const random = createRandom(at + 1);
      playOne(game, at, 0, random);
      const begun = performance.now();
      let played = 0;
      let moves = 0;
      while (played < manyGames && performance.now() - begun < patienceMs) {
        played += 1;
        moves += playOne(game, at, played, random);
      }
      const tookMs = performance.now() - begun;
      return { name: step.name, secondsEach: tookMs / 1000 / played, movesEach: moves / played };
    });
    const worst = steps.reduce((a, b) => (b.secondsEach > a.secondsEach ? b : a));
    const middle =
      steps.map((one) => one.secondsEach).sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
    const second = (each: number) => `${(each * manyGames).toFixed(each * manyGames < 1 ? 2 : 1)} s`;
    return [
      game.name,
      second(middle),
      second(worst.secondsEach),
      worst.name,
      worst.movesEach.toFixed(0),
      thinks.has(game.id) ? '3 s' : '1 s',
    ];
  });
  return Promise.resolve({
    title: 'Model games',
    says: `A thousand games between two model players (9 of 10 right, the best move seen one time in two), at every step of every game; a step that takes longer than ${patienceMs / 1000} s is reckoned up from what it played. On one core.`,
    columns: ['game', 'step in the middle', 'slowest step', 'which', 'its moves', 'aim'],
    rows,
  });
};
