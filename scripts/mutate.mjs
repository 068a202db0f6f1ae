// npm run mutate -- FILES: plants faults in files or folders and tells which of them no test sees. Not part of npm test.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { root } from './ensure.mjs';

const asked = process.argv.slice(2).map((path) => relative(root, join(process.cwd(), path)));
if (
  asked.length === 0 ||
  asked.some((path) => !/^(core|wire|server|web)\/src/.test(path) || !existsSync(join(root, path)))
) {
  process.stderr.write(
    'Say which files or folders of core/src, wire/src, server/src or web/src: npm run mutate -- core/src/advance\n',
  );
  process.exit(1);
}
const parts = new Set(asked.map((path) => path.split('/')[0]));
if (parts.size > 1) {
  process.stderr.write('Files of one part at a time: its tests are what looks for the faults.\n');
  process.exit(1);
}
const [part] = parts;
// The microphone and the audio thread: tried in Chromium, with a capture device of its own.
const needsBrowser = ['openVoice', 'standIn', 'voiceProcessor'].map(
  (name) => `!web/src/live/voice/${name}.ts`,
);
const isFolder = (path) => statSync(join(root, path)).isDirectory();
const mutate = asked.flatMap((path) =>
  isFolder(path)
    ? // What needs a browser is driven in one: no unit test looks for faults there.
      [`${path}/**/*.ts`, `!${path}/**/*.test.ts`, `!${path}/**/use*.ts`, ...needsBrowser]
    : [path],
);

// A small setting of its own: of the core the tests beside what is mutated, and those that stand on them; of the server all but the
// slowest. VELDRIFT_TESTS (files, with commas between) names others: a reading by fewer tests sees no more than one by all.
const beside = [...new Set(asked.map((path) => (isFolder(path) ? path : dirname(path))))];
const standOn = {
  'core/src/recall': ['core/src/simulation/voiceClips.test.ts'],
  'core/src/facts': ['core/src/recall/**/*.test.ts'],
};
const tests =
  process.env.VELDRIFT_TESTS?.split(',') ??
  (part === 'server'
    ? ['server/src/**/!(fuzz|manyAnswers|overload).test.ts']
    : [...beside.map((one) => `${one}/**/*.test.ts`), ...beside.flatMap((one) => standOn[one] ?? [])]);
const folder = join(root, '.mutate');
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const vitestFile = 'vitest.mutate.config.ts';
writeFileSync(
  join(root, vitestFile),
  `export default { test: { include: ${JSON.stringify(tests)}, testTimeout: 300_000, hookTimeout: 60_000${
    part === 'server' ? ", globalSetup: ['server/src/testing/globalSetup.ts']" : ''
  } } };\n`,
);
const settings = join(folder, 'settings.json');
writeFileSync(
  settings,
  JSON.stringify({
    mutate,
    testRunner: 'vitest',
    vitest: { configFile: vitestFile, related: false },
    tempDirName: '.mutate-work',
    ignorePatterns: [
      ...(part === 'web' ? ['web/dist'] : ['web']),
      'docs',
      'e2e',
      'bench',
      '.mutate',
      '.veldrift*',
      '.tsbuild',
      'test-results',
      '**/dist',
    ],
    coverageAnalysis: 'perTest',
    concurrency: Number(process.env.VELDRIFT_THREADS ?? 2),
    timeoutMS: 20_000,
    // With all games played at every step the first run takes a while.
    dryRunTimeoutMinutes: 30,
    ignoreStatic: true,
    reporters: ['progress-append-only', 'json'],
    jsonReporter: { fileName: '.mutate/report.json' },
    // Words are looked at by people; a wrong sentence is no wrong judgement.
    mutator: { excludedMutations: ['StringLiteral'] },
    allowConsoleColors: false,
  }),
);
const run = spawnSync(
  process.execPath,
  [join(root, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', settings],
  {
    cwd: root,
    stdio: 'inherit',
  },
);
rmSync(join(root, vitestFile), { force: true });
const reportFile = join(folder, 'report.json');
if (!existsSync(reportFile)) process.exit(run.status ?? 1);

const { files } = JSON.parse(readFileSync(reportFile, 'utf8'));
const seen = new Set(['Killed', 'Timeout']);
const counted = new Set(['Killed', 'Timeout', 'Survived', 'NoCoverage']);
let [all, found] = [0, 0];
// What was found of each file, for the table in docs/measurements.md (npm run bench -- mutations).
const keptFile = join(root, 'bench/mutations.json');
const kept = existsSync(keptFile) ? JSON.parse(readFileSync(keptFile, 'utf8')) : {};
for (const [name, { mutants, source }] of Object.entries(files)) {
  const of = mutants.filter((one) => counted.has(one.status));
  const right = of.filter((one) => seen.has(one.status)).length;
  if (of.length > 0) kept[name] = { seen: right, of: of.length, on: new Date().toISOString().slice(0, 10) };
  all += of.length;
  found += right;
  process.stdout.write(
    `\n${name}: ${right} of ${of.length} seen${of.length > 0 ? ` (${Math.round((100 * right) / of.length)} in 100)` : ''}\n`,
  );
  const lines = source.split('\n');
  for (const one of of.filter((mutant) => !seen.has(mutant.status)))
    process.stdout.write(
      `  ${one.location.start.line}: ${one.mutatorName}, ${one.status === 'NoCoverage' ? 'no test comes here' : 'unseen'}: ${lines[one.location.start.line - 1].trim().slice(0, 90)} -> ${String(one.replacement).replace(/\s+/g, ' ').slice(0, 60)}\n`,
    );
}
const there = Object.entries(kept).filter(([name]) => existsSync(join(root, name)));
writeFileSync(
  keptFile,
  `${JSON.stringify(Object.fromEntries(there.sort(([a], [b]) => (a < b ? -1 : 1))), null, 2)}\n`,
);
process.stdout.write(
  `\nIn all ${found} of ${all} seen (${all > 0 ? ((100 * found) / all).toFixed(1) : '-'} in 100).\n`,
);
