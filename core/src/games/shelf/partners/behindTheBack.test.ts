import { describe, expect, it } from 'vitest';
import { needOf, playMove } from '../../playGame.ts';
import { tell } from '../../tell/sentence.ts';
import { behindTheBack } from './behindTheBack.ts';
import { showings } from './behindTheBackWords.ts';

const [nine, , , product] = behindTheBack.steps;
const game = behindTheBack;
const playOf = (rules = nine?.rules, seats = 2) => ({
  ...{ rules: rules ?? { operation: 'add' as const, total: 9 }, seats, against: true, seed: 5 },
});
const show = (state: ReturnType<typeof game.setUp>, play: ReturnType<typeof playOf>, fingers: number) =>
  playMove(game, play, state, { kind: 'choose', seat: state.turn, key: String(fingers) });

describe('behind the back', () => {
  it('tells the chance before: 8 of a hundred pairs make nine, 8 of a hundred make twenty-four', () => {
    const pairs = Array.from({ length: 100 }, (_, at) => [1 + (at % 10), 1 + Math.floor(at / 10)] as const);
    const nines = pairs.filter(([a, b]) => a + b === 9).length;
    const products = pairs.filter(([a, b]) => a * b === 24).length;
    const says = (play: ReturnType<typeof playOf>) => tell(needOf(game, play, game.setUp(play)).says);
    expect(says(playOf())).toBe(`On three. By chance ${nines} times in 100 the total is 9.`);
    expect(says(playOf(product?.rules))).toBe(
      `On three. By chance ${products} times in 100 the product is 24.`,
    );
  });

  it('keeps behind the back what the first has set down until the second has', () => {
    const play = playOf();
    const first = show(playMove(game, play, game.setUp(play), { kind: 'go' }), play, 6);
    expect(game.scene(play, first).rows.map(({ cards }) => cards[0]?.worth)).toEqual([null, null]);
    const both = show(first, play, 3);
    expect(game.scene(play, both).rows.map(({ cards }) => cards[0]?.worth)).toEqual([6, 3]);
  });

  it('counts how often it came to the total, whoever could say it', () => {
    const play = playOf();
    let state = game.setUp(play);
    for (let nth = 0; nth < showings; nth += 1) {
      state = show(playMove(game, play, state, { kind: 'go' }), play, 6);
      // Four times in the twelve; nobody can say it the first time.
      state = show(state, play, nth % 3 === 0 ? 3 : 4);
      for (const right of nth === 0 ? [false, false] : [true]) {
        const need = needOf(game, play, state);
        if (need.kind !== 'say') throw new Error(`It waits for ${need.kind}.`);
        state = playMove(game, play, state, { kind: 'said', seat: need.asked.seat, right });
      }
    }
    expect(tell(state.over ?? [])).toBe('It came 4 times in 12; chance alone comes to it 1.0 times.');
    expect(game.scores(play, state).reduce((a, b) => a + b)).toBe(3);
  });

  it('shows with another when one of the two leaves', () => {
    const play = playOf(nine?.rules, 3);
    const shown = show(playMove(game, play, game.setUp(play), { kind: 'go' }), play, 6);
    const left = playMove(game, play, shown, { kind: 'leave', seat: 0 });
    expect(game.scene(play, left).rows.map(({ seat }) => seat)).toEqual([1, 2]);
    expect(needOf(game, play, left)).toMatchObject({ kind: 'choose', seat: 1 });
  });
});
