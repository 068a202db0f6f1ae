import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import {
  answerEvent,
  minuteIds,
  openHouse,
  pupilInput,
  wholeMinute,
  type TestHouse,
  type TestRoom,
} from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
let ids: ReturnType<typeof minuteIds>;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
  ids = minuteIds(await room.pupil());
  await room.send(wholeMinute(ids));
});
afterAll(() => house.close());

/** Anything JSON can say, and some of what makes readers stumble. */
const odd = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    0,
    -1,
    1e308,
    2 ** 53,
    0.1,
    '',
    ' ',
    '\u0000',
    '\ud800',
    'x'.repeat(5000),
    [],
    {},
  ),
  fc.constantFrom<unknown>(
    '__proto__',
    'constructor',
    '2026-11-24T10:00:00.000Z',
    '0000-00-00T00:00:00Z',
    'NaN',
    '\u202e',
  ),
  fc.jsonValue(),
  fc.uuid({ version: 7 }),
  fc.integer({ min: 1, max: 60 }).map((deep) => {
    let value: unknown = 1;
    for (let at = 0; at < deep; at += 1) value = at % 2 ? [value] : { in: value };
    return value;
  }),
);

/** Bodies that are right, by which the others are led astray. */
const right = (): Record<string, unknown>[] => [
  pupilInput(),
  { deviceNow: new Date().toISOString(), events: [answerEvent(ids)] },
  answerEvent(ids),
  { confirm: 'Nobody of this name' },
  {
    id: uuid(),
    playId: ids.playId,
    evidenceMark: 'x',
    outcome: 'otherwise',
    toSetId: 'strategy/mul/3',
    reason: 'r',
  },
  { id: uuid(), playId: ids.playId, outcome: 'accepted', toStep: 1, reason: '' },
  { id: uuid(), game: 'lamps', step: 0, name: 'Ours', by: '', rules: { specials: [], total: 'head' } },
  {
    seq: 1,
    promptId: 'p-1',
    fact: '7x8',
    hidden: 'result',
    chain: null,
    keypad: true,
    padLeft: false,
    says: '',
  },
  {
    kind: 'answer',
    promptId: 'p-1',
    typed: '56',
    latencyMs: 1,
    lastKeyMs: 2,
    voided: false,
    paintedAtMs: null,
  },
  { fact: '7x8', sentence: 'Seven spiders.', lines: [[1, 2, 3, 4]] },
  { id: uuid(), pupilId: null, name: 'Sevens', operation: 'mul', pack: '6:2,7:4' },
  { code: '12345678' },
  { policy: { minuteMs: 60_000 } },
  { email: 'nobody@room.example', password: 'wrong wrong wrong' },
  { token: 'x'.repeat(43), name: 'Sefa', email: 'sefa@room.example', password: 'a long enough word' },
  { old: 'wrong wrong wrong', password: 'another long word' },
  { id: uuid(), name: 'Own', copiedFrom: 'strategy', sets: {} },
];

/** A body with some of its fields taken out, put in or made odd. */
const bent = fc
  .tuple(
    fc.nat(),
    fc.array(fc.tuple(fc.nat(), odd), { maxLength: 3 }),
    fc.option(fc.tuple(fc.string(), odd), { freq: 4 }),
  )
  .map(([which, changes, more]) => {
    const all = right();
    const body = { ...all[which % all.length] };
    const keys = Object.keys(body);
    for (const [at, value] of changes) {
      const key = keys[at % keys.length] as string;
      if (value === null) delete body[key];
      else body[key] = value;
    }
    if (more) body[more[0]] = more[1];
    return JSON.stringify(body);
  });

const body = fc.oneof(
  { weight: 6, arbitrary: bent },
  { weight: 1, arbitrary: fc.json() },
  { weight: 1, arbitrary: fc.string({ unit: 'binary' }) },
  { weight: 1, arbitrary: fc.uint8Array({ maxLength: 60 }).map((bytes) => new Uint8Array(bytes)) },
);

const segment = fc.oneof(
  fc.constantFrom('own', 'uuid'),
  fc.constantFrom('%00', '%ff', '%', '..', '%2e%2e', '1', 'null', 'x'.repeat(2000), '%F0%9F%98%80', "';--"),
);
const query = fc.constantFrom(
  '',
  '?fact=7x8',
  '?fact=%00',
  '?fact=',
  '?of=checks',
  '?of=%ff',
  '?of[]=1',
  `?fact=${'9'.repeat(3000)}`,
);

describe('20,000 requests over every route, signed in and not', () => {
  it('never fail the server, and are refused with a sentence', async () => {
    const routes = [
      ...new Set(
        house.app.routes
          .filter((route) => route.path.startsWith('/api/') && !route.path.endsWith('*'))
          .filter((route) => route.method !== 'ALL')
          .map((route) => `${route.method} ${route.path}`),
      ),
    ].filter((route) => route !== 'POST /api/sign-out');
    expect(routes.length).toBeGreaterThan(40);
    const joined = (await room.call('POST', '/api/links', {})).body as { code: string };
    const child = await house.request('/api/child/join', {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json' },
      body: JSON.stringify({ code: joined.code }),
    });
    const childCookie = (child.headers.get('set-cookie') ?? '').split(';')[0] as string;
    const seen = new Map<number, number>();
    await fc.assert(
      fc.asyncProperty(
        fc.nat(),
        fc.array(segment, { minLength: 2, maxLength: 2 }),
        query,
        body,
        fc.constantFrom('tutor', 'tutor', 'tutor', 'none', 'child', 'odd'),
        fc.constantFrom(
          'application/json',
          'application/json',
          'application/json; charset=utf-16',
          'text/plain',
        ),
        async (at, names, asked, sent, who, type) => {
          const [method = 'GET', pattern = ''] = (routes[at % routes.length] as string).split(' ');
          let nth = 0;
          const path = pattern.replace(/:\w+/g, () => {
            const name = names[nth++];
            if (name === 'uuid') return uuid();
            return name === 'own'
              ? pattern.includes('/plays/')
                ? ids.playId
                : ids.pupilId
              : (name as string);
          });
          const cookie = {
            tutor: room.cookie,
            none: '',
            child: childCookie,
            odd: 'veldrift_session=%00; =; a',
          }[who];
          const response = await house.request(
            `${path}${asked}`,
            {
              method,
              headers: { host: 'test.example', 'content-type': type, cookie },
              ...(method === 'GET' ? {} : { body: sent }),
            },
            'fuzz',
          );
          seen.set(response.status, (seen.get(response.status) ?? 0) + 1);
          const where = `${method} ${path}${asked} as ${who}`;
          expect(response.status, where).toBeLessThan(500);
          if (response.headers.get('content-type')?.startsWith('text/event-stream'))
            return response.body?.cancel();
          const answer = (await response.json()) as { message?: string };
          if (response.status >= 400) expect(answer.message, where).toMatch(/^\w.*\.$/s);
        },
      ),
      { numRuns: 20_000, seed: 20_261_129, endOnFailure: true },
    );
    // Not only the doors were tried: some were let in, some refused for what they said, some for who they were.
    for (const status of [200, 400, 401, 404])
      expect(seen.get(status) ?? 0, String(status)).toBeGreaterThan(50);
    // And nothing of it was kept where it should not be.
    expect((await room.call('GET', `/api/pupils/${ids.pupilId}`)).status).toBe(200);
    expect((await room.call('GET', '/api/me')).status).toBe(200);
  }, 400_000);
});
