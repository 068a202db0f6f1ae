import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { ensureBuilt } from '../scripts/build.ts';
import { loadDemo } from '../scripts/demo/load.ts';
import { portFrom, serve } from '../scripts/serve.ts';

/** A whole Veldrift of its own for the tests: database, demo room, an empty house beside it, servers. All gone afterwards. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const root = resolve(import.meta.dirname, '..');
  ensureBuilt(root);
  const dir = mkdtempSync(join('/tmp', 'veldrift-e2e-'));
  const cluster = await startCluster(dir);
  for (const name of ['demo', 'empty']) {
    await ensureDatabase(cluster, name);
    await migrate(cluster.adminUrl(name), join(root, 'server/migrations'));
  }
  const db = openDb(cluster.appUrl('demo'));
  await loadDemo(db, new Date());
  await db.end();
  const demo = await serve(root, {
    db: cluster.appUrl('demo'),
    port: await portFrom(18_100, '127.0.0.1'),
    host: '127.0.0.1',
  });
  const empty = await serve(root, {
    db: cluster.appUrl('empty'),
    port: await portFrom(18_200, '127.0.0.1'),
    host: '127.0.0.1',
  });
  process.env.VELDRIFT_E2E = JSON.stringify({
    base: `http://127.0.0.1:${demo.port}`,
    empty: `http://127.0.0.1:${empty.port}`,
    admin: cluster.adminUrl('demo'),
    app: cluster.appUrl('demo'),
  });
  return async () => {
    await demo.stop();
    await empty.stop();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  };
}
