import { rebuildRoom, withClient } from '@veldrift/server';
import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { withBenchRoom, type BenchRoom } from './benchRoom.ts';
import { oneAnswer } from './oneAnswer.ts';
import type { Bench } from './section.ts';
import { spread } from './table.ts';

const [shortHistory, longHistory] = [125, 12_500];
const [few, many] = [40, 400];
const requests = 150;
const batch = 10;

/** What the server takes as a pupil's history grows, and as pupils and answers of a room do; rooms made by SQL. */
export const growthBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  const within = (name: string, small: number, large: number, aim: number, unit = 'ms') =>
    rows.push([
      name,
      `${small.toFixed(1)} ${unit}`,
      `${large.toFixed(1)} ${unit}`,
      `${(large / small).toFixed(2)} times`,
      `within ${aim} times`,
    ]);

  say(`histories of ${shortHistory} and ${longHistory} answers`);
  await withBenchRoom(root, async (room) => {
    const ids = [await newPupil(room, 0), await newPupil(room, 1)] as const;
    await room.fill(ids[0], shortHistory);
    await room.fill(ids[1], longHistory);
    await rebuildRoom(room.db, room.roomId, room.timeZone);
    await room.settle();
    const plays = await Promise.all(ids.map((id) => wholePlay(room, id)));
    // In turns, so that what else the machine does falls on both alike.
    const both = async (ask: (id: string, nth: number) => Promise<Response>) => {
      const times: [number[], number[]] = [[], []];
      for (let nth = 0; nth < requests + 10; nth += 1)
        for (const at of [0, 1] as const) {
          const took = await timeOf(() => ask(ids[at], at));
          if (nth >= 10) times[at].push(took);
        }
      return times.map((one) => spread(one).median) as [number, number];
    };
    within(`batch of ${batch} answers kept`, ...(await both((id) => sendBatch(room, id))), 1.3);
    within(
      'review of the latest play',
      ...(await both((_, at) => room.call('GET', `/api/plays/${plays[at]}`))),
      1.3,
    );
    within('pupil page', ...(await both((id) => room.call('GET', `/api/pupils/${id}`))), 1.3);
    const alone = async (id: string) =>
      withBenchRoom(root, async (other) => {
        const own = await newPupil(other, 0);
        await other.fill(own, id === ids[0] ? shortHistory : longHistory);
        await rebuildRoom(other.db, other.roomId, other.timeZone);
        await other.settle();
        return medianOf(requests, () => other.call('GET', '/api/pupils'));
      });
    within('Today and the list, of one pupil', await alone(ids[0]), await alone(ids[1]), 1.3);
  });

  const list = (pupils: number, answers: number) =>
    withBenchRoom(root, async (room) => {
      say(`${pupils} pupils with ${(pupils * answers).toLocaleString('en')} answers`);
      for (let at = 0; at < pupils; at += 1) await room.fill(await newPupil(room, at), answers);
      await room.settle();
      const begun = performance.now();
      let told = begun;
      await rebuildRoom(room.db, room.roomId, room.timeZone, {
        onPupil: (done, of) => {
          if (performance.now() - told < 10_000) return;
          told = performance.now();
          say(`rebuilding: ${done} of ${of} pupils`);
        },
      });
      const rate = (pupils * answers) / ((performance.now() - begun) / 1000);
      await room.settle();
      const ms = await medianOf(60, () => room.call('GET', '/api/pupils'));
      const bytes = (await (await room.call('GET', '/api/pupils')).text()).length / pupils;
      return { ms, bytes, rate, scans: await growingScans(room) };
    });
  const small = await list(few, longHistory);
  const large = await list(many, longHistory);
  within(
    `list of ${few} and of ${many} pupils, ${longHistory.toLocaleString('en')} answers each`,
    small.ms,
    large.ms,
    12,
  );
  rows.push(
    [
      `that list of ${many}`,
      '',
      `${large.ms.toFixed(0)} ms`,
      `${Math.round(large.bytes)} bytes a pupil`,
      'under 150 ms, at most 1,500 bytes',
    ],
    [
      'rebuilt, answers a second',
      Math.round(small.rate).toLocaleString('en'),
      Math.round(large.rate).toLocaleString('en'),
      '',
      'at least 20,000',
    ],
  );
  return {
    title: 'The server as records grow',
    says: `Server time within the process, medians of ${requests} requests in turn (the list: 60); the rooms are made by SQL, ${shortHistory} and ${longHistory.toLocaleString('en')} answers of one pupil over two years, then ${few} and ${many} pupils with ${longHistory.toLocaleString('en')} answers each (${((many * longHistory) / 1e6).toFixed(0)} million in all).${large.scans.length > 0 ? ` Tables read from end to end while the list was asked for: ${large.scans.join(', ')}.` : ' No table that grows with the room was read from end to end for the list.'}`,
    columns: ['what', 'the small', 'the large', 'slower by', 'aim'],
    rows,
  };
};

async function newPupil(room: BenchRoom, at: number): Promise<string> {
  const id = uuid();
  await room.call('POST', '/api/pupils', {
    ...newPupilInput(id),
    name: `Bench ${String(at).padStart(3, '0')}`,
    operation: 'mul',
    setId: 'strategy/mul/8-as-double-4',
  });
  return id;
}

const send = (room: BenchRoom, events: readonly object[]) =>
  room.call('POST', '/api/events', { deviceNow: new Date().toISOString(), events });
const facts = ['8x2', '8x3', '8x4', '8x5', '8x6', '8x7', '8x8', '8x9', '8x10', '8x1'];

const sendBatch = (room: BenchRoom, pupilId: string) =>
  send(
    room,
    Array.from({ length: batch }, (_, nth) => oneAnswer({ pupilId, fact: facts[nth] as string })),
  );

/** A drill from its start to its end. Gives its id. */
async function wholePlay(room: BenchRoom, pupilId: string): Promise<string> {
  const ids = { pupilId, visitId: uuid(), playId: uuid() };
  const head = { v: 1, at: new Date().toISOString(), ...ids };
  const response = await send(room, [
    {
      ...head,
      id: uuid(),
      kind: 'playStarted',
      seat: 0,
      purpose: 'drill',
      setId: 'strategy/mul/8-as-double-4',
      seed: 1,
      lengthMs: 600_000,
      way: 'keypad',
      limitMs: 2000,
      device: 'bench',
    },
    ...facts.map((fact) => oneAnswer({ ...ids, fact })),
    {
      ...head,
      id: uuid(),
      kind: 'playEnded',
      seat: 0,
      at: new Date().toISOString(),
      usedMs: 60_000,
      reason: 'tutor',
      calm: false,
      interrupted: false,
    },
  ]);
  const { results } = (await response.json()) as { results: { status: string; message?: string }[] };
  const refused = results.find((one) => one.status !== 'kept');
  if (refused) throw new Error(`An event was not kept: ${refused.message}`);
  return ids.playId;
}

async function timeOf(ask: () => Promise<Response>): Promise<number> {
  const begun = performance.now();
  const response = await ask();
  await response.text();
  if (response.status !== 200) throw new Error(`The server answered ${response.status}.`);
  return performance.now() - begun;
}

async function medianOf(count: number, ask: () => Promise<Response>): Promise<number> {
  for (let nth = 0; nth < 5; nth += 1) await timeOf(ask);
  const times: number[] = [];
  for (let nth = 0; nth < count; nth += 1) times.push(await timeOf(ask));
  return spread(times).median;
}

/** Tables with many rows that are read from end to end while the list is asked for once. */
async function growingScans(room: BenchRoom): Promise<string[]> {
  const read = () =>
    withClient(room.adminUrl, async (client) => {
      // What backends counted is written down a second later at the latest.
      await new Promise((done) => setTimeout(done, 1500));
      const { rows } = await client.query<{ name: string; read: string }>(
        `select relname as name, seq_tup_read as read from pg_stat_user_tables`,
      );
      return new Map(rows.map((row) => [row.name, Number(row.read)]));
    });
  const before = await read();
  await room.call('GET', '/api/pupils');
  const after = await read();
  // The pupils and what is kept of them are the list itself.
  return [...after]
    .filter(
      ([name, count]) => count - (before.get(name) ?? 0) > 1000 && !['pupils', 'standings'].includes(name),
    )
    .map(([name]) => name);
}
