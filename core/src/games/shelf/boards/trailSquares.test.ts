import { describe, expect, it } from 'vitest';
import { needOf, playMove } from '../../playGame.ts';
import { written } from '../../tell/sentence.ts';
import { numberTrail } from './numberTrail.ts';
import { across, askSquare, laidOut, numberAt, type TrailRules } from './trailSquares.ts';

const trail = (over: Partial<TrailRules> = {}): TrailRules => ({
  ...{ first: 7, step: 7, squares: 30, turning: false },
  ...over,
});
const all = Array.from({ length: 30 }, (_, at) => at + 1);

describe('the squares of a trail', () => {
  it('lie in rows of ten from the left', () => {
    expect(laidOut(trail())).toEqual(all);
  });

  it('turn back in every other row: neighbours on the trail lie beside or below one another', () => {
    const lies = laidOut(trail({ turning: true }));
    expect([...lies].sort((a, b) => a - b)).toEqual(all);
    for (const square of all.slice(1)) {
      const [from, to] = [lies.indexOf(square - 1), lies.indexOf(square)];
      const [down, right] = [
        Math.floor(to / across) - Math.floor(from / across),
        (to % across) - (from % across),
      ];
      expect(Math.abs(down) + Math.abs(right)).toBe(1);
    }
  });

  it('have their numbers by the rule: odd numbers are those that two does not divide', () => {
    const odd = trail({ first: 1, step: 2 });
    expect(all.map((square) => numberAt(odd, square))).toEqual(
      Array.from({ length: 60 }, (_, at) => at + 1).filter((one) => one % 2 === 1),
    );
  });
});

describe('what is asked of a square', () => {
  const asked = (rules: TrailRules, from: number, to: number, written = false) =>
    askSquare(rules, 2, { from, to, written });

  it('is the fact of a table, as far as the map goes; without a clock where it stands there', () => {
    expect(asked(trail(), 3, 6)).toMatchObject({
      ...{ seat: 2, item: { kind: 'fact', key: '6x7' }, shown: '6 \u00d7 7', answer: '42' },
    });
    expect(asked(trail(), 3, 6).untimed).toBeUndefined();
    expect(asked(trail(), 3, 6, true).untimed).toBe(true);
  });

  it('is the sum on a trail of ones', () => {
    expect(asked(trail({ first: 1, step: 1 }), 8, 13)).toMatchObject({
      ...{ item: { kind: 'fact', key: '8+5' }, shown: '8 + 5', answer: '13' },
    });
  });

  it('is counting on where no fact stands for it', () => {
    const far = asked(trail(), 12, 15);
    expect(far).toMatchObject({ item: { kind: 'skill', key: 'count:7' }, answer: '105', untimed: true });
    expect(written(far.shown)).toBe('84 + 3 sevens');
    const odd = asked(trail({ first: 1, step: 2 }), 4, 5);
    expect([written(odd.shown), written(odd.whole)]).toEqual(['7 + 1 two', '7 + 1 two = 9']);
    expect(written(asked(trail({ first: 0, step: 6 }), 1, 4).shown)).toBe('0 + 3 sixes');
    expect(written(asked(trail({ first: 5, step: 20 }), 2, 4).shown)).toBe('25 + 2 twenties');
  });
});

describe('a seat that leaves in the middle of its turn', () => {
  it('leaves the number to be said: it is written on its square, no counter moves, and the next one rolls', () => {
    const play = { rules: trail(), seats: 3, against: true, seed: 8 };
    let state = numberTrail.setUp(play);
    // Away from the first square, so that the three stand apart.
    for (const shown of [[4], [2]]) {
      state = playMove(numberTrail, play, state, { kind: 'roll', shown });
      state = playMove(numberTrail, play, state, { kind: 'said', seat: state.turn, right: true });
    }
    state = playMove(numberTrail, play, state, { kind: 'roll', shown: [6] });
    state = playMove(numberTrail, play, state, { kind: 'leave', seat: 2 });
    expect(needOf(numberTrail, play, state)).toMatchObject({ kind: 'say', asked: { seat: 0, answer: '49' } });
    const said = playMove(numberTrail, play, state, { kind: 'said', seat: 0, right: true });
    expect(said.at).toEqual([5, 3, 1]);
    expect(said.written).toContain(7);
    expect(said.written).not.toContain(11);
    expect(needOf(numberTrail, play, said)).toMatchObject({ kind: 'roll', seat: 0 });
  });
});
