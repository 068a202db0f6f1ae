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
/** What failed, by name, and what it said: told again at the end, as the end of a long output is what is read. */
const faults = [];

/** A program that either works or does not: what it said is shown when it is over, as others run beside it. */
const whole = (name, args) =>
  new Promise((done) => {
    const run = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    run.stdout.on('data', (part) => said.push(part));
    run.stderr.on('data', (part) => said.push(part));
    run.on('close', (status) => {
      if (status === 0) passed += 1;
      else {
        failed += 1;
        faults.push({ name, why: String(Buffer.concat(said)) });
      }
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
    found = { passed: 0, failed: 0, faults: [] };
  }
  passed += found.passed;
  faults.push(...found.faults);
  // A runner that ends badly without naming a failed test has failed all the same.
  const unnamed = run.status !== 0 && found.failed === 0;
  failed += unnamed ? 1 : found.failed;
  if (unnamed) faults.push({ name, why: 'It ended badly, and named no test.' });
}

/** The failed tests of a file of Vitest's; a file that could not be read has no test to name. */
const vitestFaults = ({ testResults }) =>
  testResults
    .filter(({ status }) => status === 'failed')
    .flatMap((file) => {
      const tests = file.assertionResults.filter(({ status }) => status === 'failed');
      return tests.length === 0
        ? [{ name: file.name, why: file.message }]
        : tests.map((test) => ({
            name: `${file.name} › ${test.fullName}`,
            why: test.failureMessages.join('\n'),
          }));
    });

/** The failed tests of a suite of Playwright's, and of those within it. */
const playwrightFaults = (suite) => [
  ...(suite.suites ?? []).flatMap(playwrightFaults),
  ...(suite.specs ?? [])
    .filter((spec) => spec.tests.some(({ status }) => status === 'unexpected'))
    .map((spec) => ({
      name: `${spec.file} › ${spec.title}`,
      why: spec.tests
        .flatMap(({ results }) => results.flatMap(({ errors }) => errors.map(({ message }) => message)))
        .join('\n'),
    })),
];

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
    const unit = json('unit.json');
    return { passed: unit.numPassedTests, failed: unit.numFailedTests, faults: vitestFaults(unit) };
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
      const told = json(`${project}.json`);
      return {
        passed: told.stats.expected + told.stats.flaky,
        failed: told.stats.unexpected,
        faults: playwrightFaults(told),
      };
    },
  );

rmSync(dir, { recursive: true, force: true });
const escapes = new RegExp(`${String.fromCharCode(27)}\\[[0-9;]*m`, 'g');
for (const { name, why } of faults)
  process.stdout.write(
    `\nfailed: ${name}\n${why.replace(escapes, '').split('\n').slice(0, 30).join('\n')}\n`,
  );
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
