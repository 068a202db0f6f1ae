import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { withBenchRoom } from './benchRoom.ts';
import { ensureBuilt } from '../scripts/build.ts';
import { fork } from 'node:child_process';
import { ourRate } from './writes.ts';
import { readdirSync, readFileSync } from 'node:fs';
ensureBuilt('/work/main');
const cpus = () => { const out: Record<string, number> = {}; for (const pid of readdirSync('/proc').filter((x) => /^\d+$/.test(x))) { try { const st = readFileSync(`/proc/${pid}/stat`, 'utf8'); const cmd = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').slice(0,3).join(' '); const f = st.slice(st.lastIndexOf(')') + 2).split(' '); const k = cmd.includes('postgres') ? 'postgres' : cmd.includes('dist/main') ? 'server' : cmd.includes('pgbench') ? 'pgbench' : cmd.includes('zz.ts') ? 'load' : 'other'; out[k] = (out[k] ?? 0) + Number(f[11]) + Number(f[12]); } catch {} } return out; };
await withBenchRoom('/work/main', async (room) => {
  const ids = Array.from({length: 8}, () => uuid());
  for (const id of ids) { await room.call('POST', '/api/pupils', { ...newPupilInput(id), name: 'B', operation: 'mul', setId: 'strategy/mul/8-as-double-4' }); }
  await room.settle();
  const workers = Number(process.env.W ?? 2);
  const child = fork('/work/main/server/dist/main.js', [], { execArgv: ['--cpu-prof', '--cpu-prof-dir=/tmp/prof2'], env: { ...process.env, NODE_ENV: 'production', VELDRIFT_DB: room.appUrl, VELDRIFT_PORT: '18711', VELDRIFT_HOST: '127.0.0.1', VELDRIFT_WORKERS: '1' } });
  const port = await new Promise<number>((r) => child.once('message', (m: any) => r(m.port)));
  const serving = { port, stop: () => new Promise<void>((r) => { child.once('exit', () => r()); child.kill('SIGTERM'); }) };
  try {
    for (const size of [1]) { await ourRate(serving.port, room.cookie, ids, size); const a = cpus(); const r = await ourRate(serving.port, room.cookie, ids, size); const b = cpus(); console.log(size, r.toFixed(0), Object.entries(b).map(([k, v]) => `${k} ${(((v - (a[k] ?? 0)) * 10) / r / 5).toFixed(2)}ms`).join(' ')); }
  } finally { await serving.stop(); }
});
