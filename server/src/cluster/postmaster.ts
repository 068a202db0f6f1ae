import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createBackoff } from '../backoff.ts';

/** After a database that ended the next is tried so much later, ms: twice as long each time it does not last. */
const restartMs = { first: 50, longest: 1000 } as const;
/** One that lasted so long was up, ms. */
const lastedMs = 5000;

/** Keeps a database up. Gives what stops it for good. */
export function keepUp(
  first: ChildProcess,
  begin: () => ChildProcess,
  onTrouble: (says: string) => void,
): () => Promise<void> {
  let child = first;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stopping = false;
  const backoff = createBackoff(restartMs.first, restartMs.longest);
  const watch = () => {
    const begun = Date.now();
    const ended = () => {
      if (stopping) return;
      const lasted = Date.now() - begun > lastedMs;
      if (lasted || child === first) onTrouble('The database ended by itself; it is started again.');
      if (lasted) backoff.reset();
      timer = setTimeout(() => {
        child = begin();
        watch();
      }, backoff.next());
    };
    child.once('exit', ended);
  };
  watch();
  return async () => {
    stopping = true;
    clearTimeout(timer);
    await stop(child);
  };
}

/** Stops a database whose owner is gone: nobody watches over it, and nobody would stop it. */
export async function stopLeftBehind(data: string): Promise<void> {
  if (runningPort(data) === undefined) return;
  const pid = Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]);
  process.kill(pid, 'SIGINT');
  for (let tries = 0; tries < 200 && runningPort(data) !== undefined; tries += 1)
    await new Promise((done) => setTimeout(done, 50));
}

/** Ends a program in order when the process that started it is gone, however that went: nothing is left behind. */
const withoutOrphans = (program: string, args: readonly string[]): [string, string[]] =>
  existsSync('/usr/bin/setpriv')
    ? ['/usr/bin/setpriv', ['--pdeathsig', 'INT', program, ...args]]
    : [program, [...args]];

/** Starts PostgreSQL on a folder made by initdb, on loopback at `port`; as another user where `identity` is given. */
export function launch(
  bin: string,
  data: string,
  port: number,
  identity: { uid: number; gid: number } | undefined,
): ChildProcess {
  return spawn(
    ...withoutOrphans(join(bin, 'postgres'), [
      '-D',
      data,
      '-p',
      String(port),
      '-c',
      'listen_addresses=127.0.0.1',
      '-c',
      'unix_socket_directories=',
      '-c',
      'log_min_messages=fatal',
      '-c',
      // What was asked when something went wrong is nobody's to read.
      'log_min_error_statement=panic',
    ]),
    // A group of its own, so that Ctrl-C reaches us first and the database is stopped in order.
    { cwd: data, stdio: ['ignore', 'ignore', 'inherit'], detached: true, ...identity },
  );
}

/** The port of a cluster already running in this folder. */
export function runningPort(data: string): number | undefined {
  const file = join(data, 'postmaster.pid');
  if (!existsSync(file)) return undefined;
  const lines = readFileSync(file, 'utf8').split('\n');
  const [pid, port] = [Number(lines[0]), Number(lines[3])];
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return undefined;
  }
  // After a crash the number may belong to another program by now.
  try {
    return readFileSync(`/proc/${pid}/comm`, 'utf8').includes('postgres') ? port : undefined;
  } catch {
    return undefined;
  }
}

/** Stops a postmaster in order: open connections are closed, nothing committed is lost. */
export async function stop(child: ChildProcess | undefined): Promise<void> {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  child.kill('SIGINT');
  await ended;
}
