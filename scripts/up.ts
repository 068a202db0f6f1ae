import {
  ensureDatabase,
  keepCluster,
  migrate,
  openDb,
  ownFolder,
  withClient,
  type Cluster,
  type Owner,
} from '@veldrift/server';
import { join, resolve } from 'node:path';
import { ensureBuilt } from './build.ts';
import { demoPassword, demoRoom, demoTutors } from './demo/house.ts';
import { keepServing, portFrom, type Serving } from './serve.ts';

/** Where `npm start` is: this runs from its source, and built beside the server. */
const root = process.cwd();
/** Tells `npm start` that all was built anew, this too: it is to be begun once more. */
const builtAnew = 75;
const database = 'veldrift';

interface Options {
  readonly port: number;
  readonly host: string;
  readonly empty: boolean;
  readonly data: string;
}

function optionsOf(args: readonly string[]): Options {
  const value = (name: string) => {
    const at = args.indexOf(name);
    return at < 0 ? undefined : args[at + 1];
  };
  const empty = args.includes('--empty');
  return {
    port: Number(value('--port') ?? 8080),
    host: value('--host') ?? '127.0.0.1',
    empty,
    data: resolve(root, value('--data') ?? (empty ? '.veldrift-empty' : '.veldrift')),
  };
}

/** Brings everything up, keeps it up, and stays until told to stop. */
async function up(options: Options): Promise<void> {
  const say = (text: string) => process.stdout.write(`${text}\n`);
  let cluster: Cluster | undefined;
  const trouble = (text: string) => void process.stderr.write(`${text}\n`);
  let owner: Owner | undefined;
  let serving: Pick<Serving, 'port' | 'stop'> | undefined;
  let stopping: Promise<void> | undefined;
  const stop = () =>
    (stopping ??= (async () => {
      await serving?.stop();
      await cluster?.stop();
      await owner?.release();
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP', 'disconnect'] as const)
    process.on(signal, () => void stop().then(() => process.exit(0)));

  try {
    owner = await ownFolder(options.data);
    if (ensureBuilt(root, say) && import.meta.filename.endsWith('.js')) {
      await owner.release();
      process.exit(builtAnew);
    }
    cluster = await keepCluster(options.data, trouble);
    await ensureDatabase(cluster, database);
    await migrate(cluster.adminUrl(database), join(root, 'server/migrations'));
    if (!options.empty) await loadDemoOnce(cluster, say);
    serving = await keepServing(
      root,
      {
        db: cluster.appUrl(database),
        port: await portFrom(options.port, options.host),
        host: options.host,
      },
      trouble,
    );
  } catch (error) {
    await stop();
    if (stopping && !(error instanceof Error)) return;
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  }
  const address = `http://${options.host === '0.0.0.0' ? 'localhost' : options.host}:${serving.port}`;
  owner.tell(address);
  say(`\nVeldrift is at ${address}`);
  if (options.empty) say('The house is empty: the first visitor makes an account and a room.');
  else say(`${demoRoom}: sign in as ${demoTutors[0].email} with the password ${demoPassword}`);
  say('Ctrl-C stops it; the data stays.');
}

async function loadDemoOnce(cluster: Cluster, say: (text: string) => void): Promise<void> {
  const { rows } = await withClient(cluster.adminUrl(database), (client) =>
    client.query<{ has: boolean }>('select exists (select 1 from rooms) as has'),
  );
  if (rows[0]?.has) return;
  say('Putting the demo room in ...');
  const db = openDb(cluster.appUrl(database));
  const { loadDemo } = await import('./demo/load.ts');
  try {
    await loadDemo(db, new Date());
  } catch (error) {
    // A half-made room would pass for a whole one at the next start.
    await withClient(cluster.adminUrl(database), (client) => client.query('delete from rooms'));
    throw error;
  } finally {
    await db.end();
  }
}

await up(optionsOf(process.argv.slice(2)));
