import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import type { Answer } from '../recall/answer.ts';
import { findGame, type AnyGame } from './catalogue.ts';
import { gameEnd } from './gameEnd.ts';
import type { GameState, Move } from './game.ts';
import { modelMove } from './modelPlayer.ts';
import { needOf, playMove } from './playGame.ts';
import type { KeptMove } from './table/tableSeat.ts';

const answer = (over: Partial<Answer>): Answer => ({
  ...{ id: 'a', fact: '6x7', at: '', judgement: 'right', given: null, latencyMs: 1900, voided: false },
  ...{ overheadMs: 300, spreadMs: 50, calibrated: true, limitMs: 3000, seen: [], aided: false, way: 'tutor' },
  ...over,
});
const kept = (move: Move, answers: readonly (readonly [number, Partial<Answer>])[] = []): KeptMove => ({
  ...{ id: 'm', move, tallies: [] },
  answers: answers.map(([seat, over]) => ({ seat, answer: answer(over), lastKeyMs: null })),
});
const seat = (known: readonly string[] = [], timesMs: Readonly<Record<string, number>> = {}) => ({
  ...{ recorded: true, known, timesMs },
});
const grownUp = { recorded: false, known: [], timesMs: {} };

/** A game played by model players, with its states. */
function played(id: string, step: number, { seats = 2, against = true, seed = 5 } = {}) {
  const game = findGame(id) as AnyGame;
  const play = { rules: game.steps[step]?.rules, seats, against, seed };
  const random = createRandom(seed);
  const players = Array.from({ length: seats }, () => ({ right: () => 0.8, sees: 0.6, timeMs: 1000 }));
  const moves: KeptMove[] = [];
  const told: GameState[] = [];
  let state = game.setUp(play);
  while (state.over === null && moves.length < 400) {
    const move = modelMove(game, play, state, players, random) as Move;
    moves.push(kept(move));
    state = playMove(game, play, state, move);
    told.push(state);
  }
  return { open: { game, play }, moves, told, state, need: needOf(game, play, state) };
}

describe('what a game came to', () => {
  it('is who has most, only where some have less and they play against one another', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const { open, moves, told } = played('first-voice', 0, { seed });
      const { scores, most } = gameEnd(open, [seat(), seat()], moves, told);
      const [one = 0, two = 0] = scores;
      expect(most).toEqual(one === two ? [] : [one > two ? 0 : 1]);
    }
    const together = played('first-voice', 0, { against: false });
    expect(gameEnd(together.open, [seat(), seat()], together.moves, together.told).most).toEqual([]);
    expect(gameEnd(together.open, [seat(), seat()], [], []).scores).toEqual([0]);
  });
  it('says once who has won: not again where the last sentence names that seat', () => {
    for (const id of ['fact-line', 'true-lines', 'two-to-hold'])
      for (const seed of [1, 2, 3]) {
        const { open, moves, told, state } = played(id, 0, { seed });
        const { most, isSaid } = gameEnd(open, [seat(), seat()], moves, told);
        const last = JSON.stringify(state.over);
        expect(isSaid).toBe(most.length === 1 && last.includes(`"seat":${most[0]}`));
      }
    const line = played('fact-line', 0, { seed: 2 });
    expect(gameEnd(line.open, [seat(), seat()], line.moves, line.told)).toMatchObject({ isSaid: true });
  });
  it('is which facts came at once that were not known to: not those missed, worked out, in doubt, void, known, or of a grown-up', () => {
    const { open } = played('first-voice', 0);
    const said: Move = { kind: 'said', seat: 0, right: true };
    const moves = [
      kept(said, [[0, { fact: '6x7' }]]),
      kept(said, [[0, { fact: '6x7', latencyMs: 1800 }]]),
      kept(said, [[0, { fact: '7x8', judgement: 'wrong' }]]),
      kept(said, [[0, { fact: '3x4', judgement: 'workedOut' }]]),
      kept(said, [[0, { fact: '3x9', latencyMs: 3300 }]]),
      kept(said, [[0, { fact: '4x9', voided: true }]]),
      kept(said, [[0, { fact: '2x2' }]]),
      kept(said, [[1, { fact: '8x8' }]]),
      kept(said, [[2, { fact: '9x9' }]]),
    ];
    const seats = [seat(['2x2'], { '6x7': 4100 }), seat([], { '8x8': 2000 }), grownUp];
    expect(gameEnd(open, seats, moves, []).atOnce).toEqual([
      { seat: 0, fact: '6x7', quicker: true },
      { seat: 1, fact: '8x8', quicker: false },
    ]);
    const many = ['2x3', '2x4', '2x5', '2x6'].map((fact) => kept(said, [[0, { fact }]]));
    expect(gameEnd(open, seats, many, []).atOnce.map((one) => one.fact)).toEqual(['2x3', '2x4', '2x5']);
  });
  it('is the longest line that was laid and holds', () => {
    let found = 0;
    for (let seed = 1; seed <= 12; seed += 1) {
      const { open, moves, told } = played('into-the-middle', middleStep, { seed });
      const { longest } = gameEnd(open, [seat(), seat()], moves, told);
      const lines = moves.flatMap(({ move }) => (move.kind === 'line' ? [move] : []));
      const signs = (text: string) => (text.split('=')[0] ?? '').replace(/[\d\s()]/g, '').length;
      const most = Math.max(0, ...lines.map(({ text }) => signs(text)));
      if (longest) {
        found += 1;
        expect(signs(longest.text)).toBeGreaterThanOrEqual(2);
        expect(signs(longest.text)).toBeLessThanOrEqual(most);
        expect(lines).toContainEqual({ kind: 'line', ...longest });
        expect(Number.isFinite(evaluate(longest.text.split('=')[0] as string))).toBe(true);
      }
    }
    expect(found).toBeGreaterThan(0);
  });
});
const middleStep = 2;
