import { largestClass } from '@veldrift/core/games';
import {
  mostDevices,
  type ChildShow,
  type ChildTells,
  type ClassShow,
  type NewLink,
  type SeatTells,
} from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { allowedTries, openThrottle } from './auth/throttle.ts';
import { openDb } from './db.ts';
import { openLinkHub } from './live/linkHub.ts';
import { newAddress, openHouse, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const show = (seq: number, over: Partial<ChildShow> = {}): ChildShow => ({
  seq,
  promptId: `p-${seq}`,
  fact: '7x8',
  hidden: 'result',
  chain: null,
  keypad: true,
  padLeft: false,
  says: '',
  ...over,
});
const tells = (over: Partial<ChildTells> = {}): ChildTells => ({
  kind: 'answer',
  promptId: 'p-1',
  typed: '56',
  latencyMs: 1800,
  lastKeyMs: 2100,
  voided: false,
  paintedAtMs: null,
  ...over,
});
const newLink = async () => (await room.call('POST', '/api/links', {})).body as NewLink;

type App = ReturnType<typeof createApp>;
/** A child's device: no sign-in, a cookie of its own. */
async function join(app: App, code: string) {
  const response = await app.request('http://test.example/api/child/join', {
    method: 'POST',
    headers: { host: 'test.example', 'content-type': 'application/json' },
    body: JSON.stringify({ code }),
  });
  const cookie = (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  return { status: response.status, body: (await response.json()) as { message?: string }, cookie };
}
const tell = (app: App, cookie: string, body: object) =>
  app.request('http://test.example/api/child/tell', {
    method: 'POST',
    headers: { host: 'test.example', 'content-type': 'application/json', cookie },
    body: JSON.stringify(body),
  });

/** Reads data events of a stream, one after another. */
function events(response: Response) {
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  let text = '';
  return {
    next: async (): Promise<unknown> => {
      for (;;) {
        const end = text.indexOf('\n\n');
        if (end >= 0) {
          const block = text.slice(0, end);
          text = text.slice(end + 2);
          const data = /^data: ?(.*)$/m.exec(block)?.[1] ?? '';
          if (!block.includes('event: still')) return JSON.parse(data);
          continue;
        }
        const { value, done } = await reader.read();
        if (done) return undefined;
        text += new TextDecoder().decode(value);
      }
    },
    stop: () => reader.cancel(),
  };
}

describe('a child\u2019s screen', () => {
  it('joins once by its code, sees what is laid on it, and tells what was typed, over two server processes', async () => {
    // A second process: its own pool, its own listening connection.
    const db = openDb(inject('appUrl'));
    const log = pino({ level: 'silent' });
    const live = openLinkHub(inject('appUrl'), db, log);
    const other = createApp({ db, log, live, throttle: openThrottle(db), secure: false });
    try {
      const link = await newLink();
      expect(link.code).toMatch(/^\d{8}$/);
      expect((await room.call('POST', `/api/links/${link.id}/show`, show(1))).status).toBe(200);
      const joined = await join(other, link.code);
      expect(joined.status).toBe(201);
      const child = events(
        await other.request('http://test.example/api/child/events', { headers: { cookie: joined.cookie } }),
      );
      // A screen that joins late is shown what is there.
      expect(await child.next()).toMatchObject({ seq: 1, fact: '7x8' });
      const tutor = events(
        await house.app.request(`http://test.example/api/links/${link.id}/events`, {
          headers: { cookie: room.cookie, host: 'test.example' },
        }),
      );
      await room.call('POST', `/api/links/${link.id}/show`, show(2, { fact: '6x9' }));
      // It may begin to listen only now, and then looks at what is kept once more.
      let second = await child.next();
      while ((second as ChildShow).seq === 1) second = await child.next();
      expect(second).toMatchObject({ seq: 2, fact: '6x9' });
      expect((await tell(other, joined.cookie, tells())).status).toBe(200);
      expect(await tutor.next()).toEqual(tells());
      // A game may be longer than a notification: it arrives whole all the same.
      const game = {
        plan: { game: 'lamps' } as never,
        state: { pile: Array.from({ length: 3000 }, (_, nth) => nth) },
        names: ['Tove'],
        claimed: [],
        frozen: null,
      };
      await room.call('POST', `/api/links/${link.id}/show`, show(3, { fact: null, game }));
      expect(await child.next()).toEqual(show(3, { fact: null, game }));
      // Taken away, it is told so, and its cookie opens nothing more.
      await room.call('DELETE', `/api/links/${link.id}`, {});
      expect(await child.next()).toBeNull();
      // The stream ends with it, and its token is dead at once, on every process.
      expect(await child.next()).toBeUndefined();
      expect((await tell(other, joined.cookie, tells())).status).toBe(401);
      expect((await tell(house.app, joined.cookie, tells())).status).toBe(401);
      await child.stop();
      await tutor.stop();
    } finally {
      await live.close();
      await db.end();
    }
  });

  it('says what is wrong with a code: none such, used, run out, not eight figures', async () => {
    const link = await newLink();
    const wrong = link.code === '00000000' ? '00000001' : '00000000';
    expect(await join(house.app, wrong)).toMatchObject({
      status: 404,
      body: { message: expect.stringContaining('There is no such code') as string },
    });
    expect((await join(house.app, '12')).body.message).toContain('8 figures');
    expect((await join(house.app, link.code)).status).toBe(201);
    expect(await join(house.app, link.code)).toMatchObject({
      status: 409,
      body: { message: expect.stringContaining('used already') as string },
    });
    const late = await newLink();
    await room.expireLink(late.id);
    expect(await join(house.app, late.code)).toMatchObject({
      status: 409,
      body: { message: expect.stringContaining('run out') as string },
    });
  });

  /** A code typed at some network address. */
  const typed = (code: string, from: string) =>
    house.request(
      '/api/child/join',
      {
        method: 'POST',
        headers: { host: 'test.example', 'content-type': 'application/json' },
        body: JSON.stringify({ code }),
      },
      from,
    );
  /** Codes that nobody has, of one hundredth of all. */
  const wrongOf = (space: string, nth: number) => `${space}${String(nth).padStart(6, '0')}`;

  it('lets nobody guess codes: neither from one address, nor of one hundredth of them from many', async () => {
    const link = await newLink();
    const other = link.code.startsWith('00') ? '01' : '00';
    const guesser = newAddress();
    for (let at = 0; at < allowedTries('code'); at += 1)
      expect((await typed(wrongOf(other, at), guesser)).status).toBe(404);
    const refused = await typed(link.code, guesser);
    expect(refused.status).toBe(429);
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
    // From many addresses, the hundredth of the right code is closed in the end; the others stay open.
    for (let at = 0; at < allowedTries('codeSpace'); at += 1)
      await typed(wrongOf(link.code.slice(0, 2), at), newAddress());
    expect((await typed(link.code, newAddress())).status).toBe(429);
    // New codes are made where they can be typed: nobody is locked out by it.
    for (let at = 0; at < 300; at += 1) {
      const made = await newLink();
      expect(made.code.slice(0, 2)).not.toBe(link.code.slice(0, 2));
      if (at < 3) expect((await typed(made.code, newAddress())).status).toBe(201);
    }
  });

  it('tells no more at once than fingers can type', async () => {
    const joined = await join(house.app, (await newLink()).code);
    const sent: Response[] = [];
    // As many at once as the database takes without making one wait too long, on a slow machine too.
    for (let wave = 0; wave < 12; wave += 1)
      sent.push(
        ...(await Promise.all(
          Array.from({ length: 30 }, async () => tell(house.app, joined.cookie, tells())),
        )),
      );
    const count = (status: number) => sent.filter((one) => one.status === status).length;
    expect([count(200), count(429)]).toEqual([300, 60]);
    expect(sent.find((one) => one.status === 429)?.headers.get('retry-after')).toMatch(/^\d+$/);
    // Another screen is not held up by it.
    const beside = await join(house.app, (await newLink()).code);
    expect((await tell(house.app, beside.cookie, tells())).status).toBe(200);
  });

  it('lets one of two devices in that type the same code at once', async () => {
    const link = await newLink();
    const both = await Promise.all([join(house.app, link.code), join(house.app, link.code)]);
    expect(both.map((one) => one.status).sort()).toEqual([201, 409]);
  });

  it('opens nothing without its cookie, and its cookie opens nothing else', async () => {
    expect((await tell(house.app, '', tells())).status).toBe(401);
    const joined = await join(house.app, (await newLink()).code);
    const pupils = await house.app.request('http://test.example/api/pupils', {
      headers: { cookie: joined.cookie },
    });
    expect(pupils.status).toBe(401);
    expect((await tell(house.app, joined.cookie, tells({ typed: 'seven' }))).status).toBe(400);
    expect((await tell(house.app, joined.cookie, { ...tells(), name: 'x' })).status).toBe(400);
    // It plays; it neither judges, nor ends, nor sends anyone away.
    const move = (made: object) => tell(house.app, joined.cookie, { ...tells({ kind: 'move' }), move: made });
    expect((await move({ kind: 'go' })).status).toBe(200);
    for (const kind of ['said', 'claim', 'stop', 'leave', 'signal'])
      expect((await move({ kind, seat: 0, right: true })).status).toBe(400);
  });

  it('hears again after its listening connection broke', async () => {
    const link = await newLink();
    const heard: string[] = [];
    const db = openDb(inject('appUrl'));
    const hub = openLinkHub(inject('appUrl'), db, pino({ level: 'silent' }));
    hub.hear(link.id, 'child', (data) => heard.push(data));
    const until = async (count: number) => {
      for (let tries = 0; tries < 100 && heard.length < count; tries += 1) {
        await hub.tell(link.id, 'child', { nth: count });
        await new Promise((done) => setTimeout(done, 50));
      }
      expect(heard.length).toBeGreaterThanOrEqual(count);
    };
    await until(1);
    await db.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen veldrift_links' and usename = current_user`,
    );
    heard.length = 0;
    await until(1);
    await hub.close();
    await db.end();
  });

  it('looks at what is kept as soon as it hears, as what was told meanwhile was heard by nobody', async () => {
    const link = await newLink();
    await room.call('POST', `/api/links/${link.id}/show`, show(1));
    const joined = await join(house.app, link.code);
    const db = openDb(inject('appUrl'));
    const log = pino({ level: 'silent' });
    const hub = openLinkHub(inject('appUrl'), db, log);
    const app = createApp({ db, log, live: hub, throttle: openThrottle(db), secure: false });
    const child = events(
      await app.request('http://test.example/api/child/events', { headers: { cookie: joined.cookie } }),
    );
    const untilSeq = async (seq: number) => {
      for (;;) {
        const shown = (await child.next()) as ChildShow | null | undefined;
        if (!shown) throw new Error('The stream ended.');
        if (shown.seq === seq) return shown;
      }
    };
    await untilSeq(1);
    // Broken again and again, and each time something is shown just then: nothing but what is kept can tell of it.
    for (let seq = 2; seq <= 6; seq += 1) {
      await db.query(
        `select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen veldrift_links' and usename = current_user`,
      );
      await room.call('POST', `/api/links/${link.id}/show`, show(seq));
      expect(await untilSeq(seq)).toMatchObject({ promptId: `p-${seq}` });
    }
    await child.stop();
    await hub.close();
    await db.end();
  });
});

describe('a class', () => {
  const classShow = (seq: number, over: Partial<ClassShow> = {}): ClassShow => ({
    ...{ seq, round: 1, stage: 'looks', found: [], told: [], says: '' },
    cards: [
      { number: 1, face: { kind: 'text', text: '7 \u00d7 8' } },
      { number: 2, face: { kind: 'text', text: '56' } },
    ],
    hands: [
      { seat: 1, card: 1 },
      { seat: 2, card: 0 },
      { seat: 3, card: null },
    ],
    ...over,
  });
  const newClass = async (seats: number) =>
    (await room.call('POST', '/api/links', { seats })).body as NewLink;
  /** A device of the class, behind one address of the school. */
  const comes = async (code: string, address: string, cookie?: string) => {
    const response = await house.request(
      '/api/child/join',
      {
        method: 'POST',
        headers: { host: 'test.example', 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
        body: JSON.stringify({ code }),
      },
      address,
    );
    const { seat, message } = (await response.json()) as { seat?: number; message?: string };
    return {
      status: response.status,
      seat,
      message,
      cookie: response.headers.get('set-cookie')?.split(';')[0],
    };
  };
  const holds = (cookie: string, body: object) =>
    house.app.request('http://test.example/api/child/class-tell', {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
    });

  it('of thirty joins by one code at once, through one address, each with a seat of its own', async () => {
    expect(mostDevices).toBe(largestClass);
    const { id, code } = await newClass(30);
    const school = newAddress();
    const devices = await Promise.all(Array.from({ length: 30 }, () => comes(code, school)));
    expect(devices.map(({ status }) => status)).toEqual(Array(30).fill(201));
    expect(devices.map(({ seat = 0 }) => seat).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 30 }, (_, at) => at + 1),
    );
    expect(await comes(code, school)).toMatchObject({
      status: 409,
      message: expect.stringContaining('As many devices') as string,
    });
    // Loaded anew, a device keeps its seat, in a full class too.
    const [first] = devices;
    expect(await comes(code, school, first?.cookie)).toMatchObject({ status: 201, seat: first?.seat });
    // All of them see what is laid there, and the table hears from which seat each speaks.
    await room.call('POST', `/api/links/${id}/show-class`, classShow(1));
    const streams = await Promise.all(
      devices.map(async ({ cookie = '' }) =>
        events(await house.app.request('http://test.example/api/child/events', { headers: { cookie } })),
      ),
    );
    for (const stream of streams) expect(await stream.next()).toEqual(classShow(1));
    const tutor = events(
      await house.app.request(`http://test.example/api/links/${id}/events`, {
        headers: { cookie: room.cookie, host: 'test.example' },
      }),
    );
    await Promise.all(
      devices.map(async ({ cookie = '', seat = 0 }) => holds(cookie, { kind: 'hold', card: seat, nth: 1 })),
    );
    const heard: SeatTells[] = [];
    while (heard.length < 30) heard.push((await tutor.next()) as SeatTells);
    for (const { seat, card } of heard) expect(card).toBe(seat);
    expect(new Set(heard.map(({ seat }) => seat)).size).toBe(30);
    await room.call('POST', `/api/links/${id}/show-class`, classShow(2, { found: [1, 2] }));
    for (const stream of streams) expect(await stream.next()).toEqual(classShow(2, { found: [1, 2] }));
    // When it is over no device opens anything more.
    await room.call('DELETE', `/api/links/${id}`, {});
    expect((await holds(first?.cookie ?? '', { kind: 'here' })).status).toBe(401);
    await Promise.all(streams.map((stream) => stream.stop()));
    await tutor.stop();
  });

  it('is no table, and a table no class: neither tells nor is shown what belongs to the other', async () => {
    const own = await newClass(4);
    const table = await newLink();
    expect((await room.call('POST', `/api/links/${own.id}/show`, show(1))).status).toBe(404);
    expect((await room.call('POST', `/api/links/${table.id}/show-class`, classShow(1))).status).toBe(404);
    const pupil = await comes(own.code, newAddress());
    const screen = await comes(table.code, newAddress());
    expect([pupil.seat, screen.seat]).toEqual([1, null]);
    expect((await tell(house.app, pupil.cookie ?? '', tells())).status).toBe(409);
    expect((await holds(screen.cookie ?? '', { kind: 'here' })).status).toBe(409);
    expect((await holds(pupil.cookie ?? '', { kind: 'here', seat: 2 })).status).toBe(400);
    expect((await room.call('POST', '/api/links', { seats: 41 })).status).toBe(400);
    expect((await room.call('POST', '/api/links', { seats: 1 })).status).toBe(400);
    expect(
      (await room.call('POST', `/api/links/${own.id}/show-class`, { ...classShow(2), stage: 'x' })).status,
    ).toBe(400);
  });

  it('takes up its devices for as long as it goes on, however late they come', async () => {
    const { code, expiresAt } = await newClass(4);
    expect(Date.parse(expiresAt) - Date.now()).toBeGreaterThan(2.9 * 3_600_000);
    expect((await comes(code, newAddress())).seat).toBe(1);
    expect((await comes(code, newAddress())).seat).toBe(2);
  });

  it('has codes that nobody guesses: a wrong one costs a try though others wait with right ones', async () => {
    const { code } = await newClass(30);
    const school = newAddress();
    const wrong = (nth: number) => `${code.startsWith('00') ? '01' : '00'}${String(nth).padStart(6, '0')}`;
    const tried = await Promise.all(
      Array.from({ length: allowedTries('code') + 6 }, (_, nth) => comes(wrong(nth), school)),
    );
    const count = (status: number) => tried.filter((one) => one.status === status).length;
    expect([count(404), count(429)]).toEqual([allowedTries('code'), 6]);
  });
});
