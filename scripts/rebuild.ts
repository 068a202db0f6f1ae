import { ensureDatabase, openDb, rebuildRoom, withClient } from '@veldrift/server';
import { resolve } from 'node:path';
import { openData } from './openData.ts';

/** `npm run rebuild [-- DATA]`: works out every kept state and check afresh from the answers. Ctrl-C stops between pupils. */
async function main(data: string): Promise<void> {
  const stopping = new AbortController();
  process.on('SIGINT', () => stopping.abort());
  const { cluster, close } = await openData(data);
  try {
    await ensureDatabase(cluster, 'veldrift');
    const rooms = await withClient(
      cluster.adminUrl('veldrift'),
      async (client) =>
        (
          await client.query<{ room_id: string; name: string; time_zone: string }>(
            'select room_id, name, time_zone from rooms',
          )
        ).rows,
    );
    const db = openDb(cluster.appUrl('veldrift'));
    for (const room of rooms) {
      await rebuildRoom(
        db,
        room.room_id,
        room.time_zone,
        (done, of) => process.stdout.write(`\r${room.name}: ${done} of ${of} pupils `),
        stopping.signal,
      );
      process.stdout.write('\n');
    }
    await db.end();
  } finally {
    await close();
  }
}

await main(resolve(import.meta.dirname, '..', process.argv[2] ?? '.veldrift'));
