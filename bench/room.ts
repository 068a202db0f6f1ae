import { rebuildRoom } from '@veldrift/server';
import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { withBenchRoom } from './benchRoom.ts';
import type { Bench } from './section.ts';

const pupils = 40;
const sizes = [5_000, 50_000, 500_000];
const requests = 120;

/** One pupil's page as the room around grows: the pupil has a year of history, the others have the rest. */
export const roomBench: Bench = (root, say) =>
  withBenchRoom(root, async ({ db, roomId, timeZone, call, fill, settle, timed }) => {
    const ids = Array.from({ length: pupils }, () => uuid());
    for (const [at, id] of ids.entries())
      await call('POST', '/api/pupils', {
        ...newPupilInput(id),
        name: `Bench ${at}`,
        operation: 'mul',
        setId: 'strategy/mul/8-as-double-4',
      });
    const [first = '', ...others] = ids;
    // A year of two visits a week, forty answers each.
    const year = 4000;
    await fill(first, year);
    let filled = year;
    const rows: string[][] = [];
    let rebuildMs = 0;
    for (const size of sizes) {
      const each = Math.max(0, Math.floor((size - filled) / others.length));
      for (const id of others) if (each > 0) await fill(id, each);
      filled += each * others.length;
      say(`${filled} answers in the room`);
      const begun = performance.now();
      let told = 0;
      await rebuildRoom(db, roomId, timeZone, {
        onPupil: (done, of) => {
          if (performance.now() - told < 5000) return;
          told = performance.now();
          say(`rebuilding: ${done} of ${of} pupils`);
        },
      });
      rebuildMs = performance.now() - begun;
      await settle();
      const page = await timed(requests, () => call('GET', `/api/pupils/${first}`));
      const list = await timed(30, () => call('GET', '/api/pupils'));
      rows.push([
        `${Math.round(filled / 1000)},000`,
        ...page.cells.slice(1),
        list.cells[1] ?? '',
        `${(rebuildMs / 1000).toFixed(1)} s`,
      ]);
    }
    return {
      title: 'A pupil with a year of history as the room grows',
      says: `Server time of the page of one pupil with ${year} answers over two years among ${pupils} pupils, ${requests} requests one after another; the list of all pupils; and \`npm run rebuild\`, which works out every state, check and standing afresh (${Math.round(filled / Math.max(1, rebuildMs / 1000)).toLocaleString('en')} answers a second at the last).`,
      columns: [
        'answers in the room',
        'pupil page, median',
        '95 in 100',
        'worst',
        'list of pupils, median',
        'rebuilt in',
      ],
      rows,
    };
  });
