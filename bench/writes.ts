import { factKey, factsInRange } from '@veldrift/core';
import { newPupilInput } from '@veldrift/wire';
import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { v7 as uuid } from 'uuid';
import { rebuildRoom } from '@veldrift/server';
import { ensureBuilt } from '../scripts/build.ts';
import { portFrom, serve } from '../scripts/serve.ts';
import { withBenchRoom, type BenchRoom } from './benchRoom.ts';
import { oneAnswer } from './oneAnswer.ts';
import type { Bench } from './section.ts';
import { spread } from './table.ts';

const clients = 8;
const seconds = 4;
const rounds = 5;
const sizes = [1, 50];
/** A year of two visits a week, forty answers each. */
const history = 4000;

/** Answers kept over http beside the same rows put in by the database's own load program, in turns on one cluster. */
export const writesBench: Bench = (root, say) =>
  withBenchRoom(root, async (room) => {
    ensureBuilt(root, say);
    const pupils = Array.from({ length: clients }, () => uuid());
    for (const [at, id] of pupils.entries()) {
      await room.call('POST', '/api/pupils', { ...pupilAt(id, at) });
      await room.fill(id, history);
    }
    // The rows of the load program are of a pupil nobody asks about.
    const other = uuid();
    await room.call('POST', '/api/pupils', { ...pupilAt(other, clients) });
    await rebuildRoom(room.db, room.roomId, room.timeZone);
    await room.settle();
    const serving = await serve(root, {
      db: room.appUrl,
      port: await portFrom(18_600, '127.0.0.1'),
      host: '127.0.0.1',
    });
    try {
      const rows: string[][] = [];
      // A server just begun is still being compiled as it goes.
      for (const size of sizes) await ourRate(serving.port, room.cookie, pupils, size);
      for (const size of sizes) {
        const plain: number[] = [];
        const ours: number[] = [];
        for (let round = 0; round < rounds; round += 1) {
          plain.push(await plainRate(room, other, size));
          ours.push(await ourRate(serving.port, room.cookie, pupils, size));
          say(
            `${size} a batch: ${plain.at(-1)?.toFixed(0)} and ${ours.at(-1)?.toFixed(0)} transactions a second`,
          );
        }
        const [a, b] = [spread(plain).median, spread(ours).median];
        // Round by round: what else slows the machine slows both.
        const slower = spread(plain.map((rate, nth) => rate / (ours[nth] as number))).median;
        rows.push([
          size === 1 ? 'an answer alone' : `batches of ${size}`,
          `${a.toFixed(0)}/s`,
          `${b.toFixed(0)}/s`,
          `${slower.toFixed(1)} times`,
          size === 1 ? 'within 8 times' : 'within 5 times',
        ]);
      }
      return {
        title: 'Answers kept beside the database alone',
        says: `${clients} clients for ${seconds} s, ${rounds} times in turn, medians (slower by: of the rounds): over http with sign-in, reading, walls between rooms, states of facts and the school's word; beside \`pgbench\` putting the same rows into the same table, with its indexes and row-level security, on the same cluster, prepared, one transaction each. Load, server and database share this machine. Each pupil has ${history.toLocaleString('en')} answers already.`,
        columns: ['a transaction holds', 'the database alone', 'kept over http', 'slower by', 'aim'],
        rows,
      };
    } finally {
      await serving.stop();
    }
  });

const pupilAt = (id: string, at: number) => ({
  ...newPupilInput(id),
  name: `Bench ${at}`,
  operation: 'mul' as const,
  setId: 'strategy/mul/8-as-double-4',
});

/** Transactions a second of the database's own load program. */
async function plainRate(room: BenchRoom, pupilId: string, size: number): Promise<number> {
  const dir = mkdtempSync('/tmp/veldrift-pgbench-');
  try {
    const file = join(dir, 'writes.sql');
    writeFileSync(file, plainScript(room.roomId, pupilId, size));
    const { stdout } = await promisify(execFile)('pgbench', [
      '--no-vacuum',
      '--protocol=prepared',
      `--client=${clients}`,
      '--jobs=2',
      `--time=${seconds}`,
      `--file=${file}`,
      room.appUrl,
    ]);
    const found = /tps = ([\d.]+)/.exec(stdout);
    if (!found) throw new Error(`pgbench said no rate:\n${stdout}`);
    return Number(found[1]);
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

const plainScript = (roomId: string, pupilId: string, size: number) => `begin;
select set_config('app.room_id', '${roomId}', true);
insert into answers (room_id, id, pupil_id, visit_id, play_id, seat, fact, hidden, at, device_at, offset_ms, clock_corrected, judgement, given,
  latency_ms, last_key_ms, voided, way, overhead_ms, spread_ms, calibrated, calibration_age_days, limit_ms, aided, seen, used_ms, version)
select '${roomId}', gen_random_uuid(), '${pupilId}', gen_random_uuid(), gen_random_uuid(), 0, '8x7', 'result', now(), now(), 0, false, 'right', '56',
  1500, 1700, false, 'keypad', 600, 100, true, 3, 2000, false, '{}', 2000, 1 from generate_series(1, ${size});
commit;
`;

/** Batches a second that are acknowledged over http, each client with a pupil of its own, one after another. */
export async function ourRate(
  port: number,
  cookie: string,
  pupils: readonly string[],
  size: number,
): Promise<number> {
  const agent = new Agent({ keepAlive: true, maxSockets: clients });
  const facts = factsInRange('mul').map(factKey);
  let kept = 0;
  const begun = performance.now();
  const until = begun + seconds * 1000;
  await Promise.all(
    pupils.map(async (pupilId, nth) => {
      const [visitId, playId] = [uuid(), uuid()];
      for (let turn = nth; performance.now() < until; turn += 1) {
        const events = Array.from({ length: size }, (_, at) =>
          oneAnswer({ pupilId, visitId, playId, fact: facts[(turn * size + at) % facts.length] as string }),
        );
        const body = JSON.stringify({ deviceNow: new Date().toISOString(), events });
        const results = await post(agent, port, cookie, body);
        if (results.some((one) => one.status !== 'kept')) throw new Error('An answer was not kept.');
        kept += 1;
      }
    }),
  );
  const rate = kept / ((performance.now() - begun) / 1000);
  agent.destroy();
  return rate;
}

function post(
  agent: Agent,
  port: number,
  cookie: string,
  body: string,
): Promise<readonly { readonly status: string }[]> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        agent,
        port,
        host: '127.0.0.1',
        path: '/api/events',
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (part: string) => (text += part));
        response.on('end', () => {
          if (response.statusCode !== 200)
            reject(new Error(`The server answered ${response.statusCode}: ${text}`));
          else resolve((JSON.parse(text) as { results: readonly { readonly status: string }[] }).results);
        });
      },
    );
    asked.on('error', reject);
    asked.end(body);
  });
}
