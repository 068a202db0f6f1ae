import { answerOf, parseFactKey } from '@veldrift/core';
import { calmMove, findGame, playMove } from '@veldrift/core/games';
import { moveField } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';

const child = (known: readonly string[]) => ({ recorded: true, known });
const grownUp = { recorded: false, known: ['2+3'] };

describe('the move that turns a table calm', () => {
  it('tells what each pupil knows of the game’s operations, and nothing of a grown-up', () => {
    const seats = [child(['2+3', '2x3', '9-4']), grownUp, child([])];
    expect(calmMove(seats, ['add', 'sub'])).toEqual({ kind: 'calm', known: [['2+3', '9-4'], null, []] });
  });
  it('may be sent and kept, however much four pupils know', async () => {
    const all = Array.from({ length: 144 }, (_, nth) => `${(nth % 12) + 1}x${Math.floor(nth / 12) + 1}`);
    const divisions = all.map((fact) => {
      const { right } = parseFactKey(fact);
      return `${answerOf(parseFactKey(fact))}:${right}`;
    });
    const four = Array.from({ length: 4 }, () => child([...all, ...divisions]));
    const move = calmMove(four, ['mul', 'div']);
    await expect(moveField().validate(move)).resolves.toEqual(move);
    const game = findGame('add-then-times');
    if (!game) throw new Error('Add then times is not on the shelf.');
    const play = { rules: game.steps[0]?.rules, seats: 4, against: true, seed: 3 };
    expect(playMove(game, play, game.setUp(play), move).calm?.[3]).toContain('12x12');
  });
});
