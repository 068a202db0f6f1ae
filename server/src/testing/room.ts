import { findSet } from '@veldrift/core';
import { newPupilInput, type PupilInput, type TableEvent } from '@veldrift/wire';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import { createApp } from '../app.ts';
import { hashPassword } from '../auth/password.ts';
import { openSession } from '../auth/session.ts';
import { openThrottle } from '../auth/throttle.ts';
import { inRoom, openDb, type Db } from '../db.ts';
import { openLinkHub } from '../live/linkHub.ts';

export const password = 'a long enough word';
let passwordHash: Promise<string> | undefined;

/** A server on a database, as tests drive it. */
export interface TestHouse {
  readonly db: Db;
  readonly app: ReturnType<typeof createApp>;
  /** A room of its own with one tutor, signed in. */
  readonly room: (name?: string) => Promise<TestRoom>;
  /** A request as from a network address: one of this house's own, unless said otherwise. */
  readonly request: (path: string, init?: RequestInit, address?: string) => Promise<Response>;
  readonly close: () => Promise<void>;
}

/** Network addresses, each given out once. */
let addresses = 0;
export const newAddress = () => `test-${process.pid}-${(addresses += 1)}`;

export interface TestRoom {
  readonly roomId: string;
  readonly userId: string;
  readonly email: string;
  /** The tutor's sign-in. */
  readonly cookie: string;
  /** Lets the code of a child's screen run out. */
  readonly expireLink: (id: string) => Promise<void>;
  readonly call: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<{ status: number; body: never; headers: Headers }>;
  /** Adds a pupil and gives its id. */
  readonly pupil: (over?: Partial<PupilInput>) => Promise<string>;
  readonly send: (events: readonly unknown[], deviceNow?: string) => Promise<{ status: number; body: never }>;
}

export function openHouse(appUrl: string, db: Db = openDb(appUrl)): TestHouse {
  const log = pino({ level: 'silent' });
  const live = openLinkHub(appUrl, db, log);
  const app = createApp({ db, log, live, throttle: openThrottle(db), secure: false });
  const own = newAddress();
  const request: TestHouse['request'] = async (path, init, address = own) =>
    app.request(`http://test.example${path}`, init, {
      incoming: { socket: { remoteAddress: address, remotePort: 1, remoteFamily: 'IPv4' } },
    });
  return {
    db,
    app,
    request,
    close: async () => {
      await live.close();
      await db.end();
    },
    room: async (name = 'A room') => {
      const roomId = uuid();
      const userId = uuid();
      const email = `${userId}@room.example`;
      passwordHash ??= hashPassword(password);
      const stored = await passwordHash;
      await inRoom(db, roomId, async (tx) => {
        await tx.run('insert into rooms (room_id, name, time_zone) values ($1, $2, $3)', [
          roomId,
          name,
          'Europe/Oslo',
        ]);
        await tx.run(
          'insert into users (room_id, id, email, name, password_hash) values ($1, $2, $3, $4, $5)',
          [roomId, userId, email, 'Tutor', stored],
        );
      });
      const token = await openSession(db, roomId, userId);
      const call: TestRoom['call'] = async (method, path, body, headers = {}) => {
        const response = await request(path, {
          method,
          headers: {
            host: 'test.example',
            cookie: `veldrift_session=${token}`,
            'content-type': 'application/json',
            ...headers,
          },
          ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
        });
        const text = await response.text();
        return {
          status: response.status,
          body: (text ? JSON.parse(text) : undefined) as never,
          headers: response.headers,
        };
      };
      return {
        roomId,
        userId,
        email,
        cookie: `veldrift_session=${token}`,
        expireLink: (id) =>
          inRoom(db, roomId, async (tx) => {
            await tx.run(`update links set expires_at = now() - interval '1 second' where id = $1`, [id]);
          }),
        call,
        pupil: async (over = {}) => {
          const input = pupilInput(over);
          const made = await call('POST', '/api/pupils', input);
          if (made.status !== 201) throw new Error(`The pupil was not added: ${JSON.stringify(made.body)}`);
          return input.id;
        },
        send: (events, deviceNow = new Date().toISOString()) =>
          call('POST', '/api/events', { deviceNow, events }),
      };
    },
  };
}

/** A pool that hands on another's connections and counts them: one a transaction. */
export function counting(db: Db): Db & { readonly connects: () => number } {
  let count = 0;
  return {
    ...db,
    connect: () => {
      count += 1;
      return db.connect();
    },
    connects: () => count,
  };
}

export function pupilInput(over: Partial<PupilInput> = {}): PupilInput {
  return {
    ...newPupilInput(uuid()),
    name: 'Odalys B.',
    gradeSystem: 'year',
    grade: 4,
    operation: 'mul',
    setId: 'strategy/mul/squares',
    ...over,
  };
}

/** Ids of one minute under way. */
export interface MinuteIds {
  readonly pupilId: string;
  readonly visitId: string;
  readonly playId: string;
}

export const minuteIds = (pupilId: string): MinuteIds => ({ pupilId, visitId: uuid(), playId: uuid() });

export function answerEvent(ids: MinuteIds, over: Record<string, unknown> = {}): TableEvent {
  return {
    id: uuid(),
    v: 1,
    kind: 'answerGiven',
    seat: 0,
    ...ids,
    at: new Date().toISOString(),
    fact: '7x7',
    hidden: 'result',
    judgement: 'right',
    given: '49',
    latencyMs: 1500,
    lastKeyMs: 1800,
    voided: false,
    way: 'keypad',
    overheadMs: 600,
    spreadMs: 100,
    calibrated: true,
    calibrationAgeDays: 3,
    limitMs: 2000,
    aided: false,
    seen: [],
    usedMs: 2000,
    ...over,
  };
}

/** All events of a whole minute: every fact of a set once, right and quick, ending now. */
export function wholeMinute(
  ids: MinuteIds,
  over: {
    setId?: string;
    at?: number;
    purpose?: string;
    rounds?: number;
    answer?: Record<string, unknown>;
  } = {},
): TableEvent[] {
  const setId = over.setId ?? 'strategy/mul/squares';
  const end = over.at ?? Date.now();
  const facts = Array.from({ length: over.rounds ?? 1 }, () => findSet(setId)?.practises ?? []).flat();
  const at = (back: number) => new Date(end - back).toISOString();
  const head = { v: 1, seat: 0, ...ids };
  return [
    { id: uuid(), v: 1, kind: 'visitStarted', pupilId: ids.pupilId, visitId: ids.visitId, at: at(61_000) },
    {
      id: uuid(),
      kind: 'playStarted',
      ...head,
      at: at(60_000),
      purpose: over.purpose ?? 'check',
      setId,
      seed: 1,
      lengthMs: 60_000,
      way: 'keypad',
      limitMs: 2000,
      device: 'test',
    },
    ...facts.map((fact, nth) => answerEvent(ids, { fact, at: at(50_000 - nth * 100), ...over.answer })),
    {
      id: uuid(),
      kind: 'playEnded',
      ...head,
      at: at(0),
      usedMs: 60_000,
      reason: 'time',
      calm: false,
      interrupted: false,
    },
  ] as TableEvent[];
}
