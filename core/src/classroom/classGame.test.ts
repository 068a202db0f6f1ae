import { describe, expect, it } from 'vitest';
import { games } from '../games/catalogue.ts';
import { legalMoves, needOf } from '../games/playGame.ts';
import { createRandom } from '../random/random.ts';
import { classMove, classPlan, classUndo, isForClass, nextInCircle, openClassGame } from './classGame.ts';

const ofClass = games.filter(isForClass);

describe('a game before a whole class', () => {
  it('is each warm-up of the shelf, at every step, from its first move to its end, with no name in it', () => {
    expect(ofClass.map(({ id }) => id)).toEqual([
      ...['what-slipped', 'rule-box', 'onto-ten', 'bigger-smaller', 'pips-at-a-glance', 'signs-and-words'],
      'round-the-circle',
    ]);
    for (const { id, steps } of ofClass)
      for (const step of steps.keys()) {
        const random = createRandom(11);
        let own = openClassGame(classPlan(id, step, 5));
        expect(own.plan).toMatchObject({ seats: 1, adults: [0], app: null, mode: 'screen' });
        for (let nth = 0; nth < 1500 && own.state.over === null; nth += 1) {
          const moves = legalMoves(own.game, own.play, own.state).filter(({ kind }) => kind !== 'leave');
          const next = classMove(own, moves[random.int(0, moves.length - 1)] as never);
          if (typeof next === 'string') throw new Error(`${id}: ${next}`);
          own = next;
        }
        expect([id, step, own.state.over === null]).toEqual([id, step, false]);
        // What is kept of it makes it again.
        expect(openClassGame(own.plan, own.moves).state).toEqual(own.state);
      }
  });

  it('says why a move cannot be made, and goes a move back', () => {
    const begun = openClassGame(classPlan('round-the-circle', 0, 3));
    expect(classMove(begun, { kind: 'roll' })).toEqual(expect.any(String));
    const said = classMove(begun, { kind: 'said', seat: 0, right: true });
    if (typeof said === 'string') throw new Error(said);
    expect(said.moves).toHaveLength(1);
    expect(classUndo(said).state).toEqual(begun.state);
    expect(needOf(said.game, said.play, said.state).kind).toBe('say');
    expect(() => classPlan('outweigh', 0, 1)).toThrow(RangeError);
    expect(() => classPlan('rule-box', 99, 1)).toThrow(RangeError);
    expect(() => classPlan('nothing', 0, 1)).toThrow(RangeError);
  });

  it('leaves out what was kept by other rules, with all after it', () => {
    const begun = openClassGame(classPlan('round-the-circle', 0, 3));
    const kept = openClassGame(begun.plan, [
      { kind: 'said', seat: 0, right: true },
      { kind: 'roll' },
      { kind: 'said', seat: 0, right: true },
    ]);
    expect(kept.moves).toHaveLength(1);
  });
});

describe('who is next in a circle', () => {
  it('goes round and round from whoever began', () => {
    expect([0, 1, 2, 3, 4, 5, 6].map((said) => nextInCircle(said, 3))).toEqual([1, 2, 3, 1, 2, 3, 1]);
    expect(nextInCircle(9, 1)).toBe(1);
    expect(() => nextInCircle(3, 0)).toThrow(RangeError);
  });
});
