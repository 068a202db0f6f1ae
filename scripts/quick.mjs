// npm run quick: what can be known in under two minutes, all at once: lint, circles, types, and the unit tests of core, wire and web.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { circles } from './circles.mjs';
import { ensureNode, ensurePackages, root } from './ensure.mjs';

ensureNode();
ensurePackages();

const begun = performance.now();
const module = (path) => join(root, 'node_modules', path);

/** Runs one program to its end and prints what it said, whole. Gives whether it was content. */
function run(name, args) {
  return new Promise((done) => {
    const child = spawn(process.execPath, args, { cwd: root, env: { ...process.env, FORCE_COLOR: '1' } });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('exit', (code) => {
      const seconds = Math.round((performance.now() - begun) / 1000);
      process.stdout.write(`\n== ${name}: ${code === 0 ? 'good' : 'NOT good'}, after ${seconds} s\n${said}`);
      done(code === 0);
    });
  });
}

const all = await Promise.all([
  run('types, then circles', [module('typescript/bin/tsc'), '-b']).then(
    async (good) => (await run('circles', circles)) && good,
  ),
  run('lint', [module('eslint/bin/eslint.js'), '.', '--max-warnings', '0']),
  run('unit tests', [
    module('vitest/vitest.mjs'),
    'run',
    ...['core', 'wire', 'web'].flatMap((name) => ['--project', name]),
    '--reporter=dot',
  ]),
]);
const good = all.every(Boolean);
process.stdout.write(
  `\n${good ? 'All good' : 'Not all good'}, in ${Math.round((performance.now() - begun) / 1000)} s.\n`,
);
process.exit(good ? 0 : 1);
