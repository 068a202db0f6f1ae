import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const sources = ['core', 'wire', 'server', 'web', 'scripts', 'package-lock.json'];

/** Builds pages and server when what they are made of has changed since, and says whether. Throws when the build fails. */
export function ensureBuilt(root: string, say: (text: string) => void = () => undefined): boolean {
  const stampFile = join(root, '.veldrift-build');
  const stamp = stampOf(root);
  const built = existsSync(join(root, 'web/dist/index.html')) && existsSync(join(root, 'server/dist/up.js'));
  if (built && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return false;
  say('Building ...');
  for (const part of ['web', 'server']) {
    const run = spawnSync(
      process.execPath,
      [join(root, 'node_modules/vite/bin/vite.js'), 'build', part, '--logLevel', 'error'],
      { cwd: root, encoding: 'utf8' },
    );
    if (run.status !== 0) throw new Error(`The build of ${part} failed:\n${run.stdout}${run.stderr}`);
  }
  writeFileSync(stampFile, stamp);
  return true;
}

function stampOf(root: string): string {
  const hash = createHash('sha256');
  const walk = (path: string) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isFile()) {
      if (!path.endsWith('.test.ts')) hash.update(path).update(readFileSync(full));
      return;
    }
    for (const name of readdirSync(full).sort())
      if (name !== 'dist' && name !== 'node_modules') walk(join(path, name));
  };
  sources.forEach(walk);
  return hash.digest('hex');
}
