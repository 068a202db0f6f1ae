import { describe, expect, it } from 'vitest';
import { answerOf } from '../../../facts/fact.ts';
import { needOf, playMove } from '../../playGame.ts';
import { settingTrouble } from '../../setting.ts';
import { oddLine } from './oddLine.ts';

const game = oddLine;
const playOf = (step: number) => {
  const rules = game.steps[step]?.rules;
  if (!rules) throw new Error(`There is no step ${step}.`);
  return { rules, seats: 2, against: true, seed: 4 };
};

describe('odd line', () => {
  it('asks who is left alone for their own kind, whenever the other leaves', () => {
    for (const step of [0, 3])
      for (let seed = 0; seed < 30; seed += 1) {
        const play = { ...playOf(step), seed };
        let state = playMove(game, play, game.setUp(play), { kind: 'leave', seat: 0 });
        for (let nth = 0; nth < 3; nth += 1) {
          const isOwn = step === 0 ? answerOf(state.fact) % 2 === 0 : state.fact.right === play.rules.second;
          expect(isOwn).toBe(true);
          const free = state.numbers.indexOf(null);
          state = playMove(game, play, state, { kind: 'choose', seat: 1, key: String(free) });
          state = playMove(game, play, state, { kind: 'said', seat: 1, right: true });
          expect(state.marks[free]).toBe(1);
          if (state.over !== null) break;
        }
      }
  });

  it('may be set to any tables that it has facts of, and to no others', () => {
    const tables = game.settings.find(({ key }) => key === 'second');
    if (!tables) throw new Error('There is no such setting.');
    for (let second = 2; second <= 12; second += 1) {
      const play = { ...playOf(2) };
      const rules = { ...play.rules, second };
      if (settingTrouble(tables, rules, String(second)) !== null) continue;
      const alone = playMove(game, { ...play, rules }, game.setUp({ ...play, rules }), {
        kind: 'leave',
        seat: 0,
      });
      expect(needOf(game, { ...play, rules }, alone)).toMatchObject({ kind: 'choose', seat: 1 });
      expect(alone.fact.right).toBe(second);
    }
  });
});
