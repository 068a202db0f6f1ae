// npm test: everything checked, without being asked twice. The last line is "N passed, N failed".
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { circles } from './circles.mjs';
import {
  ensureDebian,
  ensureNode,
  ensurePackages,
  hasChromium,
  hasChromiumShell,
  hasPostgres,
  root,
  wishDebian,
} from './ensure.mjs';

ensureNode();
ensureDebian(['postgresql'], hasPostgres);
ensureDebian(['chromium'], hasChromium);
wishDebian(['chromium-headless-shell'], hasChromiumShell);
ensurePackages();

const dir = mkdtempSync(join(tmpdir(), 'veldrift-results-'));
let passed = 0;
let failed = 0;

/** A program that either works or does not: what it said is shown when it is over, as others run beside it. */
const whole = (name, args) =>
  new Promise((done) => {
    const run = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    run.stdout.on('data', (part) => said.push(part));
    run.stderr.on('data', (part) => said.push(part));
    run.on('close', (status) => {
      if (status === 0) passed += 1;
      else failed += 1;
      process.stdout.write(`\n== ${name}: ${status === 0 ? 'in order' : 'failed'}\n`);
      process.stdout.write(Buffer.concat(said));
      done();
    });
  });

/** A test runner that writes how many of its tests passed and failed. */
function counted(name, args, env, count) {
  process.stdout.write(`\n== ${name}\n`);
  const run = spawnSync(process.execPath, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  let found;
  try {
    found = count();
  } catch {
    found = { passed: 0, failed: 0 };
  }
  passed += found.passed;
  // A runner that ends badly without naming a failed test has failed all the same.
  failed += run.status !== 0 && found.failed === 0 ? 1 : found.failed;
}

const module = (path) => join(root, 'node_modules', path);
const json = (name) => JSON.parse(readFileSync(join(dir, name), 'utf8'));

await Promise.all([
  whole('lint', [module('eslint/bin/eslint.js'), '.', '--max-warnings', '0']),
  whole('types', [module('typescript/bin/tsc'), '-b'])
    .then(() => whole('import circles', circles))
    .then(() =>
      whole('format', [module('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']),
    ),
]);
counted(
  'unit and server tests',
  [
    module('vitest/vitest.mjs'),
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${join(dir, 'unit.json')}`,
  ],
  {},
  () => {
    const { numPassedTests, numFailedTests } = json('unit.json');
    return { passed: numPassedTests, failed: numFailedTests };
  },
);
// Those that look at times run one at a time and alone; the others two at a time.
for (const project of ['timed', 'others'])
  counted(
    `browser tests, ${project}`,
    [module('@playwright/test/cli.js'), 'test', '-c', 'e2e/playwright.config.ts', '--project', project],
    { VELDRIFT_JSON: join(dir, `${project}.json`) },
    () => {
      // Passed at a second try: only where the machine stood still at the first, see e2e/steady.ts.
      const { stats } = json(`${project}.json`);
      return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
    },
  );

rmSync(dir, { recursive: true, force: true });
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
