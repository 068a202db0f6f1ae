import { describe, expect, it } from 'vitest';
import { shelf } from '../../catalogue.ts';
import { needOf, playMove } from '../../playGame.ts';
import { tell } from '../../tell/sentence.ts';
import type { InStepRules } from './inStepOrder.ts';

const game = shelf['in-step'];

/** What is asked from tile to tile, with the one that is right each time. */
function asked(rules: InStepRules): string[] {
  const play = { rules, seats: 1, against: false, seed: 8 };
  let state = game.setUp(play);
  const out: string[] = [];
  while (state.over === null) {
    const move = game.best(play, state)?.move;
    if (!move || move.kind !== 'choose') throw new Error('There is a next one until all are laid.');
    const says = tell(needOf(game, play, state).says, ['Ilse']);
    out.push(`${says} ${Number(move.key) * rules.table}`);
    state = playMove(game, play, state, move);
    state = playMove(game, play, state, { kind: 'said', seat: 0, right: true });
  }
  return out;
}

describe('in step', () => {
  const fives = { table: 5, times: 6, named: false } as const;
  it('asks for the next by the one before it', () => {
    expect(asked({ ...fives, order: 'up' }).slice(0, 3)).toEqual([
      'Ilse: which comes first? 5',
      'Ilse: what comes after 5? 10',
      'Ilse: what comes after 10? 15',
    ]);
  });
  it('asks backwards for what comes before', () => {
    expect(asked({ ...fives, order: 'down' }).slice(0, 2)).toEqual([
      'Ilse: which comes last? 30',
      'Ilse: what comes before 30? 25',
    ]);
  });
  it('from the middle names where it begins, and goes down again from there', () => {
    expect(asked({ ...fives, order: 'middle' })).toEqual([
      'Ilse: which is 4 \u00d7 5? 20',
      'Ilse: what comes after 20? 25',
      'Ilse: what comes after 25? 30',
      'Ilse: what comes before 20? 15',
      'Ilse: what comes before 15? 10',
      'Ilse: what comes before 10? 5',
    ]);
  });
  it('names each fact where that is wished for', () => {
    expect(asked({ ...fives, order: 'up', named: true })[3]).toBe('Ilse: which is 4 \u00d7 5? 20');
  });
});
