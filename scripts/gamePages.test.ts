import { games, skillsShownBy } from '@veldrift/core/games';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { describe, expect, it } from 'vitest';
import { gamePages, skillsByGame } from './gamePages.ts';

const file = join(import.meta.dirname, '../docs/games.md');

describe('docs/games.md', () => {
  it('is what the games say of themselves now: npm run docs', async () => {
    const now = await format(gamePages(), { ...(await resolveConfig(file)), filepath: file });
    expect(readFileSync(file, 'utf8')).toBe(now);
  });

  it('tells every step of every game, and for each something that goes on record', () => {
    const pages = gamePages();
    for (const { name, steps } of games) {
      expect(pages).toContain(`\n### ${name}\n`);
      for (const step of steps) expect(pages).toContain(`\n| ${step.name} | `);
    }
    // Fact line begins plain: squares are taken without solving.
    expect(pages.split('\n').filter((line) => line.endsWith('| nothing |'))).toEqual([
      expect.stringContaining('Plain, without solving'),
    ]);
  });
});

describe('what the shelf finds games by', () => {
  it('is what their model games put on record now: npm run docs', () => {
    const now = skillsByGame();
    for (const game of games) expect([game.id, skillsShownBy(game)]).toEqual([game.id, now[game.id]]);
    // Looked up by somebody who knows the games.
    expect(now['power-pair']).toEqual(['pow']);
    expect(now['part-of-whole']).toContain('frac:cmp');
    expect(now['first-voice']).toEqual(['chain']);
  });
});
