import { ensureDatabase, migrate, openDb, startCluster } from '/work/main/server/src/index.ts';
import { mkdtempSync } from 'node:fs';
import { ensureBuilt } from '/work/main/scripts/build.ts';
import { loadDemo } from '/work/main/scripts/demo/load.ts';
import { serve } from '/work/main/scripts/serve.ts';
const root = '/work/main';
ensureBuilt(root);
const dir = mkdtempSync('/tmp/veldrift-look-');
const cluster = await startCluster(dir);
await ensureDatabase(cluster, 'demo');
await migrate(cluster.adminUrl('demo'), root + '/server/migrations');
const db = openDb(cluster.appUrl('demo'));
await loadDemo(db, new Date(new Date().setHours(9, 40, 0, 0)));
await db.end();
const s = await serve(root, { db: cluster.appUrl('demo'), port: 19900, host: '127.0.0.1' });
console.log('up', s.port);
process.on(
  'SIGTERM',
  () =>
    void s
      .stop()
      .then(() => cluster.stop())
      .then(() => process.exit(0)),
);
