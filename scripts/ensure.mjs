// What a bare machine lacks, put there or named in one sentence. Plain JavaScript: it runs before any package is installed.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Ends the program with one sentence. */
export function giveUp(sentence) {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

/** The major version of Node this needs. */
export function ensureNode() {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) giveUp(`Veldrift needs Node 20 or newer; this is ${process.versions.node}.`);
}

/** Installs the packages when they are missing or older than the lockfile. */
export function ensurePackages() {
  const lock = join(root, 'package-lock.json');
  const stamp = join(root, 'node_modules', '.package-lock.json');
  if (existsSync(stamp) && existsSync(lock) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  if (existsSync(stamp) && existsSync(lock) && sameVersions(lock, stamp)) return;
  process.stdout.write('Installing packages ...\n');
  const run = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: 'inherit',
  });
  if (run.status !== 0)
    giveUp('The packages could not be installed: run "npm ci" here and see what it says.');
}

function sameVersions(lock, stamp) {
  try {
    const wanted = JSON.parse(readFileSync(lock, 'utf8')).packages;
    const have = JSON.parse(readFileSync(stamp, 'utf8')).packages;
    return Object.entries(wanted).every(
      ([path, one]) =>
        path === '' ||
        one.optional ||
        one.link ||
        !path.startsWith('node_modules') ||
        have[path]?.version === one.version,
    );
  } catch {
    return false;
  }
}

/** Installs Debian packages when `present` says they are not there. Needs root; else says what to install. */
export function ensureDebian(packages, present) {
  if (present()) return;
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version']).status !== 0) {
    giveUp(
      `Veldrift needs ${packages.join(' and ')}: as an administrator run "${command}", then start again.`,
    );
  }
  process.stdout.write(`Installing ${packages.join(', ')} ...\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const install = () =>
    spawnSync('sh', ['-c', `${command} >/dev/null`], { stdio: ['ignore', 'inherit', 'inherit'], env });
  spawnSync('sh', ['-c', 'apt-get update -qq >/dev/null'], { stdio: ['ignore', 'inherit', 'inherit'], env });
  install();
  if (!present())
    giveUp(`${packages.join(' and ')} could not be installed: run "${command}" and see what it says.`);
}

export function hasPostgres() {
  const run = spawnSync('sh', ['-c', 'ls /usr/lib/postgresql/*/bin/initdb'], { encoding: 'utf8' });
  return run.status === 0;
}

export function hasChromium() {
  return existsSync('/usr/bin/chromium');
}
