// npm run docs: writes docs/games.md, the skills that the shelf finds games by, and what each step shows, from the games' own data.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { gamePages, skillsByGame } from './gamePages.ts';
import { showsByGame } from './stepShows.ts';

const file = join(import.meta.dirname, '../docs/games.md');
writeFileSync(file, await format(gamePages(), { ...(await resolveConfig(file)), filepath: file }));

const skills = join(import.meta.dirname, '../core/src/games/skillsShown.json');
writeFileSync(
  skills,
  await format(JSON.stringify(skillsByGame()), { ...(await resolveConfig(skills)), filepath: skills }),
);

const shows = join(import.meta.dirname, '../core/src/planning/stepShows.json');
writeFileSync(
  shows,
  await format(JSON.stringify(showsByGame()), { ...(await resolveConfig(shows)), filepath: shows }),
);
