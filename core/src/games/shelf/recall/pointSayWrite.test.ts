import { describe, expect, it } from 'vitest';
import { evidenceOf } from '../../evidence.ts';
import { needOf, playMove } from '../../playGame.ts';
import { pointSayWrite } from './pointSayWrite.ts';

const game = pointSayWrite;
const [first] = game.steps;
const play = { rules: first?.rules ?? { track: 6, pips: true }, seats: 2, against: true, seed: 3 };
type State = ReturnType<typeof game.setUp>;
const choose = (state: State, key: string) =>
  playMove(game, play, state, { kind: 'choose', seat: state.turn, key });

/** Points to the answer and says it. */
function answered(state: State): State {
  const [left = 0, right = 0] = state.added;
  const pointed = choose(state, String(left + right));
  return playMove(game, play, pointed, { kind: 'said', seat: pointed.turn, right: true });
}

describe('point, say, write', () => {
  it('lets a child set one for the other after four facts, with a total that is on the track', () => {
    let state = game.setUp(play);
    for (let nth = 0; nth < 4; nth += 1) state = answered(state);
    const setter = state.turn;
    expect(needOf(game, play, state)).toMatchObject({ kind: 'choose', seat: setter });
    const offered = (at: State) => {
      const need = needOf(game, play, at);
      return need.kind === 'choose' ? need.choices.map(({ key }) => Number(key)) : [];
    };
    expect(offered(state)).toEqual([1, 2, 3, 4, 5]);
    const half = choose(state, '4');
    expect([half.turn, offered(half)]).toEqual([setter, [1, 2]]);
    const set = choose(half, '2');
    expect(set.turn).toBe(1 - setter);
    expect(needOf(game, play, set)).toMatchObject({ kind: 'choose', shows: '4 + 2' });
  });

  it('puts a wrong place on record with the fact and what was pointed at, and a right one only when it is said', () => {
    const state = game.setUp(play);
    const [left = 0, right = 0] = state.added;
    const wrong = left + right === 6 ? 5 : 6;
    const at = (key: number) => evidenceOf(game, play, state, { kind: 'choose', seat: 0, key: String(key) });
    expect(at(wrong)).toMatchObject([
      { item: { kind: 'fact', key: `${left}+${right}` }, right: false, answer: String(left + right) },
    ]);
    expect(at(left + right)).toEqual([]);
  });
});
