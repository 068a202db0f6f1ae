import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { withBenchRoom } from './benchRoom.ts';
import { oneAnswer } from './oneAnswer.ts';
import { factKey, factsInRange } from '@veldrift/core';
import { rebuildRoom } from '@veldrift/server';
import { Session } from 'node:inspector/promises';
import { writeFileSync, mkdirSync } from 'node:fs';
const facts = factsInRange('mul').map(factKey);
await withBenchRoom('/work/main', async (room) => {
  const ids = Array.from({length: 8}, () => uuid());
  for (const id of ids) { await room.call('POST', '/api/pupils', { ...newPupilInput(id), name: 'B', operation: 'mul', setId: 'strategy/mul/8-as-double-4' });
  await room.fill(id, 4000); }
  const t=performance.now();
  await rebuildRoom(room.db, room.roomId, room.timeZone);
  console.log('rebuild', 32000/(performance.now()-t)*1000, '/s');
  await room.settle();
  mkdirSync('/tmp/prof', {recursive: true});
  for (const size of [1, 50]) {
    const n = size === 1 ? 400 : 40;
    const s = new Session(); s.connect(); await s.post('Profiler.enable'); 
    const run = () => Promise.all(ids.map(async (pupilId) => { for (let i = 0; i < n; i++) {
      const r = await room.call('POST', '/api/events', { deviceNow: new Date().toISOString(), events: Array.from({length:size},(_, at)=>oneAnswer({ pupilId, fact: facts[(i*size+at)%facts.length] as string })) });
      if (r.status !== 200) throw new Error('no');
    }}));
    await run(); await s.post('Profiler.start');
    const cpu = process.cpuUsage(); const begun = performance.now();
    await run();
    const u = process.cpuUsage(cpu); const wall = performance.now()-begun;
    const { profile } = await s.post('Profiler.stop'); writeFileSync(`/tmp/prof/${size}.json`, JSON.stringify(profile));
    console.log(size, (n*8/wall*1000).toFixed(0), '/s', 'node cpu', ((u.user+u.system)/1000/n/8).toFixed(2), 'ms');
  }
});
