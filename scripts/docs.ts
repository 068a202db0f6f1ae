// npm run docs: writes docs/games.md from the games' own data.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { gamePages } from './gamePages.ts';

const file = join(import.meta.dirname, '../docs/games.md');
writeFileSync(file, await format(gamePages(), { ...(await resolveConfig(file)), filepath: file }));
