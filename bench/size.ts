import { gzipSync } from 'node:zlib';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from '../scripts/build.ts';
import type { Bench } from './section.ts';

/** What the first screen's script weighs on the wire, and what comes later. */
export const sizeBench: Bench = (root) => {
  ensureBuilt(root);
  const assets = join(root, 'web/dist/assets');
  const page = readFileSync(join(root, 'web/dist/index.html'), 'utf8');
  const kb = (names: readonly string[]) =>
    names.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0) / 1000;
  const scripts = readdirSync(assets).filter((name) => name.endsWith('.js'));
  // The entry and what it fetches before anything is shown: the module preloads of the page, and their static imports.
  const first = new Set<string>();
  const follow = (name: string) => {
    if (first.has(name) || !scripts.includes(name)) return;
    first.add(name);
    const text = readFileSync(join(assets, name), 'utf8');
    for (const match of text.matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g))
      follow(match[1] as string);
  };
  for (const match of page.matchAll(/\/assets\/([\w.-]+\.js)/g)) follow(match[1] as string);
  const late = scripts.filter((name) => !first.has(name));
  const biggest = late
    .map((name) => [name.replace(/-[\w-]{8}\.js$/, ''), kb([name])] as const)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3);
  return Promise.resolve({
    title: 'Script sizes',
    says: 'Gzipped kilobytes (1000 bytes) of the built scripts: those fetched before the first screen shows, and those fetched when needed.',
    columns: ['part', 'kB', 'aim'],
    rows: [
      ['first screen', kb([...first]).toFixed(0), 'under 300'],
      ...biggest.map(([name, size]) => [`${name}, when needed`, size.toFixed(0), '']),
    ],
  });
};
