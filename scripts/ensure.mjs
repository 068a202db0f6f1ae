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
  const command = installCommand(packages);
  if (!mayInstall()) {
    giveUp(
      `Veldrift needs ${packages.join(' and ')}: as an administrator run "${command}", then start again.`,
    );
  }
  install(packages);
  if (!present())
    giveUp(`${packages.join(' and ')} could not be installed: run "${command}" and see what it says.`);
}

/** Installs Debian packages that make things quicker, and goes on without them where that cannot be. */
export function wishDebian(packages, present) {
  if (!present() && mayInstall()) install(packages);
}

const installCommand = (packages) => `apt-get install -y --no-install-recommends ${packages.join(' ')}`;

function mayInstall() {
  return process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
}

function install(packages) {
  process.stdout.write(`Installing ${packages.join(', ')} ...\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  for (const command of ['apt-get update -qq', installCommand(packages)])
    spawnSync('sh', ['-c', `${command} >/dev/null`], { stdio: ['ignore', 'inherit', 'inherit'], env });
}

export function hasPostgres() {
  const run = spawnSync('sh', ['-c', 'ls /usr/lib/postgresql/*/bin/initdb'], { encoding: 'utf8' });
  return run.status === 0;
}

export function hasChromium() {
  return existsSync('/usr/bin/chromium');
}

/** Chromium without windows: for the browser tests that take no times. */
export function hasChromiumShell() {
  return existsSync('/usr/bin/chromium-headless-shell');
}
