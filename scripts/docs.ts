// npm run docs: writes docs/games.md, and the skills that the shelf finds games by, from the games' own data.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { gamePages, skillsByGame } from './gamePages.ts';

const file = join(import.meta.dirname, '../docs/games.md');
writeFileSync(file, await format(gamePages(), { ...(await resolveConfig(file)), filepath: file }));

const skills = join(import.meta.dirname, '../core/src/games/skillsShown.json');
writeFileSync(
  skills,
  await format(JSON.stringify(skillsByGame()), { ...(await resolveConfig(skills)), filepath: skills }),
);
