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
  options: { readonly db: string; readonly port: number; readonly host: string; readonly log?: string },
): Promise<Serving> {
  const child = fork(join(root, 'server/dist/main.js'), [], {
    cwd: root,
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
