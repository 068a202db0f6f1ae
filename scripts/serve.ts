import { createBackoff, ensureOwnUser } from '@veldrift/server';
import { fork, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';

export interface Serving {
  readonly port: number;
  readonly process: ChildProcess;
  readonly stop: () => Promise<void>;
}

/** Starts the built server as a process of its own and waits until it listens. */
export async function serve(
  root: string,
  options: {
    readonly db: string;
    readonly port: number;
    readonly host: string;
    readonly log?: string;
    readonly workers?: number;
  },
): Promise<Serving> {
  ensureOwnUser();
  const child = fork(join(root, 'server/dist/main.js'), [], {
    cwd: root,
    // The built server needs nothing that this process was started with.
    execArgv: [],
    // A group of its own: Ctrl-C is ours to pass on, in order.
    detached: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      VELDRIFT_DB: options.db,
      VELDRIFT_PORT: String(options.port),
      VELDRIFT_HOST: options.host,
      VELDRIFT_PAGES: join(root, 'web/dist'),
      ...(options.log ? { VELDRIFT_LOG: options.log } : {}),
      ...(options.workers === undefined ? {} : { VELDRIFT_WORKERS: String(options.workers) }),
    },
  });
  const port = await new Promise<number>((resolve, reject) => {
    child.once('message', (message) => resolve((message as { port: number }).port));
    child.once('exit', (code) => reject(new Error(`The server ended as it was starting (${code}).`)));
  });
  return {
    port,
    process: child,
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** The port asked for, or the next one that is free. */
export async function portFrom(first: number, host: string): Promise<number> {
  for (let port = first; port < first + 50; port += 1) {
    const free = await new Promise<boolean>((resolve) => {
      const probe = createServer();
      probe.once('error', () => resolve(false));
      probe.listen(port, host, () => probe.close(() => resolve(true)));
    });
    if (free) return port;
  }
  throw new Error(`No port is free from ${first} on.`);
}

/** After a server that ended the next is tried so much later, ms: twice as long each time it does not last. */
const againMs = { first: 50, longest: 2000 } as const;
/** One that lasted so long was up, ms. */
const lastedMs = 5000;

/**
 * Keeps the server up on its port: one that ends by itself is begun anew. `onTrouble` hears of ends. Rejects only where the
 * first cannot be begun.
 */
export async function keepServing(
  root: string,
  options: Parameters<typeof serve>[1],
  onTrouble: (says: string) => void,
): Promise<Pick<Serving, 'port' | 'stop'>> {
  let serving: Serving | undefined = await serve(root, options);
  const { port } = serving;
  let stopping = false;
  const backoff = createBackoff(againMs.first, againMs.longest);
  const watch = (one: Serving) => {
    const begun = Date.now();
    one.process.once('exit', () => {
      serving = undefined;
      if (stopping) return;
      onTrouble('The server ended by itself; it is started again.');
      if (Date.now() - begun > lastedMs) backoff.reset();
      setTimeout(() => void again(), backoff.next());
    });
  };
  const again = async (): Promise<void> => {
    if (stopping) return;
    try {
      const next = await serve(root, { ...options, port });
      if (stopping) return await next.stop();
      serving = next;
      watch(next);
    } catch {
      setTimeout(() => void again(), backoff.next());
    }
  };
  watch(serving);
  return {
    port,
    stop: async () => {
      stopping = true;
      await serving?.stop();
    },
  };
}
