import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import type { Answer } from '../recall/answer.ts';
import { findGame, type AnyGame } from './catalogue.ts';
import { gameEnd } from './gameEnd.ts';
import type { GameState } from './game.ts';
import type { Move } from './move.ts';
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

const signsTyped = (text: string) =>
  text.replaceAll('\u2212', '-').replaceAll('\u00d7', '*').replaceAll('\u00f7', '/');

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
  it('says no more of who has won where the last sentence says it; that a seat is named there is not enough', () => {
    const saidBy = (id: string) =>
      [1, 2, 3, 4, 5, 6].map((seed) => {
        const { open, moves, told, state } = played(id, 0, { seed });
        const over = state.over as { readonly id: string };
        return [over.id, gameEnd(open, [seat(), seat()], moves, told).isSaid] as const;
      });
    const all = ['fact-line', 'true-lines', 'two-to-hold', 'stretch-or-fold'].flatMap(saidBy);
    const won = ['lineFor', 'isOut', 'exactly'];
    for (const [id, isSaid] of all) expect([id, isSaid]).toEqual([id, won.includes(id)]);
    for (const id of [...won, 'countersOut']) expect(all.map(([one]) => one)).toContain(id);
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
  it('is the first of the longest lines that were laid and hold, of three numbers at least', () => {
    let long = 0;
    for (let seed = 1; seed <= 12; seed += 1) {
      const { open, moves, told } = played('into-the-middle', 2, { seed });
      const before = (nth: number) =>
        needOf(open.game, open.play, told[nth - 1] ?? open.game.setUp(open.play));
      // Which line holds is worked out by other arithmetic than the game's.
      const held = moves.flatMap(({ move }, nth) => {
        const need = before(nth);
        if (move.kind !== 'line' || need.kind !== 'line') return [];
        const line = signsTyped(move.text.split('=')[0] as string);
        const numbers = line.match(/\d+/g)?.length ?? 0;
        return evaluate(line) === need.ask.target && numbers >= 3 ? [{ seat: move.seat, line, numbers }] : [];
      });
      const most = Math.max(...held.map(({ numbers }) => numbers));
      const first = held.find(({ numbers }) => numbers === most);
      const { longest } = gameEnd(open, [seat(), seat()], moves, told);
      const plain = (text: string) => text.replaceAll(' ', '');
      expect(longest && { seat: longest.seat, line: plain(signsTyped(longest.shown)) }).toEqual(
        first ? { seat: first.seat, line: plain(first.line) } : null,
      );
      if (first) long += 1;
    }
    expect(long).toBeGreaterThan(0);
    const none = played('first-voice', 0);
    expect(gameEnd(none.open, [seat(), seat()], none.moves, none.told).longest).toBeNull();
  });
});
