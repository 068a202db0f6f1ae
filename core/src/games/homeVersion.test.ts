import { describe, expect, it } from 'vitest';
import { findGame, games, type AnyGame } from './catalogue.ts';
import { fitsHome, fitsHomeAt, homeVersion } from './homeVersion.ts';
import { withSetting } from './setting.ts';

const gameOf = (id: string) => findGame(id) as AnyGame;

describe('a game as it goes home', () => {
  it('says of every step of every game what to take, how it goes, how it ends, what to watch for and what not to do', () => {
    for (const game of games)
      for (const [step] of game.steps.entries()) {
        const told = homeVersion(game, step);
        const { pack, dice, others } = game.materials(game.steps[step]?.rules);
        expect(told.take.length > 0, game.id).toBe(pack !== null || dice.length + others.length > 0);
        expect(told.how.length).toBeGreaterThan(0);
        for (const line of [told.aim, ...told.take, ...told.how, told.win, ...told.watch, ...told.care])
          expect(line, game.id).toMatch(/^\S.*[.?!”]$/s);
        // The cautions for a home: no clock, no “wrong”, an end.
        expect(told.care.join(' ')).toMatch(/No hurry.*“wrong”.*Stop/);
      }
  });

  it('tells the rules of a house, and what is otherwise in them', () => {
    const game = gameOf('bond-hunt');
    const changed = game.settings.find(({ kind }) => kind === 'number');
    if (changed?.kind !== 'number') throw new Error('Bond hunt has no number to set.');
    const rules = withSetting(game.steps[0]?.rules, changed.key, changed.least + 1) as object;
    const told = homeVersion(game, 0, { name: 'Owl rules', rules });
    expect(told.name).toBe('Bond hunt: Owl rules');
    expect(told.how.join(' ')).toContain(`${changed.label}: ${changed.least + 1}.`);
    expect(() => homeVersion(game, 99)).toThrow(RangeError);
  });

  it('is offered where a home has what it takes: ordinary dice, a pack, paper', () => {
    expect(fitsHomeAt(gameOf('outweigh'), 0)).toBe(true);
    for (const game of games)
      for (const [step, { rules }] of game.steps.entries())
        if (game.materials(rules).dice.some((sides) => sides > 6)) expect(fitsHomeAt(game, step)).toBe(false);
    // Pips are shown by the screen for so long alone.
    expect(games.filter((game) => !fitsHome(game)).map(({ id }) => id)).toEqual(['pips-at-a-glance']);
    expect(fitsHomeAt(gameOf('outweigh'), 99)).toBe(false);
  });
});
