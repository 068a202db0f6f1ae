import { spawnSync } from 'node:child_process';

/** The user the server is where root starts it. */
export const ownUser = 'veldrift';

/** Makes the server's own user where it is not there yet. Only for root; throws with a sentence where it cannot be made. */
export function ensureOwnUser(): string | undefined {
  if (process.getuid?.() !== 0) return undefined;
  const known = () => spawnSync('id', ['-u', ownUser]).status === 0;
  if (!known())
    spawnSync('useradd', [
      '--system',
      '--no-create-home',
      '--user-group',
      '--shell',
      '/usr/sbin/nologin',
      ownUser,
    ]);
  if (!known())
    throw new Error(
      `The server does not run as root, and its own user could not be made: run "useradd --system ${ownUser}".`,
    );
  return ownUser;
}

/** Whether the own user could read a file, and so begin the program in it anew. */
export function ownUserReads(file: string): boolean {
  const id = (flag: string) => Number(spawnSync('id', [flag, ownUser], { encoding: 'utf8' }).stdout.trim());
  return spawnSync('test', ['-r', file], { cwd: '/', uid: id('-u'), gid: id('-g') }).status === 0;
}

/** Becomes the own user, for good. Does nothing for others than root. */
export function dropRoot(): void {
  if (process.getuid?.() !== 0) return;
  process.setgroups?.([ownUser]);
  process.setgid?.(ownUser);
  process.setuid?.(ownUser);
  if (process.getuid() === 0) throw new Error('The server would go on as root.');
}
