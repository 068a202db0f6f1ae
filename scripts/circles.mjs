// The search for import circles, as npm run lint, npm run quick and npm test make it.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './ensure.mjs';

/** What Node runs to search. */
export const circles = [
  join(root, 'node_modules', 'dependency-cruiser/bin/dependency-cruise.mjs'),
  '--config',
  '.dependency-cruiser.cjs',
  ...['core/src', 'wire/src', 'server/src', 'web/src', 'scripts', 'bench', 'e2e'],
];

if (import.meta.url === pathToFileURL(process.argv[1]).href)
  process.exit(spawnSync(process.execPath, circles, { cwd: root, stdio: 'inherit' }).status ?? 1);
