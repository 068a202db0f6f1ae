import { createHash } from 'node:crypto';
import { mkdirSync, realpathSync } from 'node:fs';
import { connect, createServer } from 'node:net';

/** The one start that a data folder belongs to, until it is released or its process is gone. */
export interface Owner {
  /** Tells where the application is, for a second start that asks. */
  readonly tell: (address: string) => void;
  readonly release: () => Promise<void>;
}

/**
 * Takes a data folder for this process alone. The claim is a name in Linux's abstract socket space: it goes with the process,
 * however that ends, and two starts at once cannot both have it. Throws with a sentence that names the other start.
 */
export async function ownFolder(dir: string): Promise<Owner> {
  mkdirSync(dir, { recursive: true });
  const name = `\0veldrift-${createHash('sha256').update(realpathSync(dir)).digest('hex').slice(0, 32)}`;
  let address = '';
  const server = createServer((asked) => {
    asked.on('error', () => undefined);
    asked.end(`${process.pid} ${address}`);
  });
  try {
    await new Promise<void>((done, failed) => {
      server.once('error', failed);
      server.listen(name, done);
    });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    const [pid, at] = (await ask(name)).split(' ');
    throw new Error(
      `The data in ${dir} is in use by another start${pid ? ` (process ${pid})` : ''}${at ? `: Veldrift is at ${at}` : ''}. Stop that one first, or give this one a folder of its own with --data.`,
    );
  }
  server.unref();
  return {
    tell: (now) => {
      address = now;
    },
    release: () => new Promise((done) => server.close(() => done())),
  };
}

/** What the owner of a name says of itself; empty where it says nothing. */
function ask(name: string): Promise<string> {
  return new Promise((done) => {
    let said = '';
    const asking = connect(name);
    asking.setTimeout(1000, () => asking.destroy());
    asking.on('data', (chunk: Buffer) => {
      said += chunk.toString();
    });
    asking.on('error', () => undefined);
    asking.on('close', () => done(said));
  });
}
