import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { allowedTries, keyOf, type Slot } from './auth/throttle.ts';
import { withClient } from './cluster/cluster.ts';
import { migrate } from './migrate.ts';
import { inRoom } from './db.ts';
import { migrationsDir } from './testing/globalSetup.ts';
import { newAddress, openHouse, password, type TestHouse } from './testing/room.ts';

let house: TestHouse;
beforeAll(() => {
  house = openHouse(inject('appUrl'));
});
afterAll(() => house.close());

// Wrong tries of one test are not to close the door to the next.
let from: string;
beforeEach(() => {
  from = newAddress();
});
const post = (to: TestHouse, path: string, body: unknown, headers: Record<string, string> = {}) =>
  to.request(
    path,
    {
      method: 'POST',
      headers: { host: 'test.example', 'content-type': 'application/json', ...headers },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    },
    from,
  );

describe('sign-in', () => {
  it('opens a session by an http-only, same-site cookie, and closes it', async () => {
    const room = await house.room('The room');
    const response = await post(house, '/api/sign-in', { email: room.email.toUpperCase(), password });
    expect(response.status).toBe(200);
    const cookie = response.headers.get('set-cookie') ?? '';
    expect(response.headers.getSetCookie().every((one) => /HttpOnly/.test(one))).toBe(true);
    expect(cookie).toMatch(/SameSite=Strict/);
    const header = { cookie: cookie.split(';')[0] as string };
    const setup = await house.app.request('/api/setup', { headers: header });
    expect(await setup.json()).toEqual({ empty: false, signedIn: true });
    const me = await house.app.request('/api/me', { headers: header });
    expect(await me.json()).toMatchObject({ room: 'The room', timeZone: 'Europe/Oslo', judging: null });
    expect((await post(house, '/api/sign-out', {}, header)).status).toBe(200);
    expect((await house.app.request('/api/me', { headers: header })).status).toBe(401);
  });

  it('keeps no password and no token in the open', async () => {
    const room = await house.room();
    await post(house, '/api/sign-in', { email: room.email, password });
    await withClient(inject('adminUrl'), async (client) => {
      const { rows } = await client.query<{ password_hash: string; bytes: number }>(
        'select u.password_hash, length(s.token_hash) as bytes from users u join sessions s on s.user_id = u.id where u.id = $1',
        [room.userId],
      );
      expect(rows[0]?.password_hash).toMatch(/^\$argon2id\$/);
      expect(rows.every((row) => row.bytes === 32)).toBe(true);
    });
  });

  it('says the same of a wrong password and of no such account, and never repeats what was sent', async () => {
    const room = await house.room();
    const wrong = await post(house, '/api/sign-in', { email: room.email, password: 'open sesame 123' });
    const nobody = await post(house, '/api/sign-in', {
      email: 'nobody@room.example',
      password: 'open sesame 123',
    });
    expect([wrong.status, nobody.status]).toEqual([401, 401]);
    const text = await wrong.text();
    expect(text).toBe(await nobody.text());
    expect(text).not.toContain('sesame');
    const odd = await post(house, '/api/sign-in', { email: 5, password: { secret: 'sesame' } });
    expect(odd.status).toBe(400);
    expect(await odd.text()).not.toContain('sesame');
  });

  /** Lets the wait of a slot pass. */
  const waited = (slot: Slot) =>
    withClient(inject('adminUrl'), (client) =>
      client.query('update throttle set expire = 0 where key = $1', [keyOf(slot)]),
    );

  it('takes the slot before the work: of two hundred tries at once, eight are tried', async () => {
    const room = await house.room();
    const sent = await Promise.all(
      Array.from({ length: 200 }, () =>
        post(house, '/api/sign-in', { email: room.email, password: 'wrong wrong wrong' }),
      ),
    );
    const count = (status: number) => sent.filter((one) => one.status === status).length;
    expect([count(401), count(429)]).toEqual([8, 192]);
    expect(sent.find((one) => one.status === 429)?.headers.get('retry-after')).toMatch(/^\d+$/);
  });

  it('waits longer each time, and begins anew once the password was right', async () => {
    const room = await house.room();
    const tryOnce = (given: string) => post(house, '/api/sign-in', { email: room.email, password: given });
    const waits: number[] = [];
    for (let round = 0; round < 3; round += 1) {
      for (let at = 0; at < allowedTries('pair'); at += 1)
        expect((await tryOnce('wrong wrong wrong')).status).toBe(401);
      const refused = await tryOnce(password);
      expect(refused.status).toBe(429);
      expect(((await refused.json()) as { message: string }).message).toMatch(
        /Wait \d+ (second|minute)s?, then/,
      );
      waits.push(Number(refused.headers.get('retry-after')));
      // Hearing of the wait does not make it longer.
      expect(Number((await tryOnce(password)).headers.get('retry-after'))).toBeLessThanOrEqual(
        waits[round] as number,
      );
      await waited(['pair', `${room.email} ${from}`]);
    }
    expect(waits).toEqual([60, 120, 240]);
    expect((await tryOnce(password)).status).toBe(200);
    for (let at = 0; at < allowedTries('pair'); at += 1) await tryOnce('wrong wrong wrong');
    expect((await tryOnce(password)).headers.get('retry-after')).toBe('60');
  });

  it('lets nobody lock another out: a device known to the account stands apart from all other tries', async () => {
    const room = await house.room();
    const bystander = await house.room();
    const first = await post(house, '/api/sign-in', { email: room.email, password });
    const device = first.headers
      .getSetCookie()
      .map((one) => one.split(';')[0] as string)
      .find((one) => one.startsWith('veldrift_device=')) as string;
    // From the same address, and more than any limit allows.
    for (let at = 0; at < 70; at += 1)
      await post(house, '/api/sign-in', { email: room.email, password: 'wrong wrong wrong' });
    expect((await post(house, '/api/sign-in', { email: room.email, password })).status).toBe(429);
    const known = await post(house, '/api/sign-in', { email: room.email, password }, { cookie: device });
    expect(known.status).toBe(200);
    // Others behind the same address are not closed out by tries on one account.
    expect((await post(house, '/api/sign-in', { email: bystander.email, password })).status).toBe(200);
    // Whoever tries many accounts comes to the end of the address; a device known to another account is no help then.
    for (let at = 0; at < allowedTries('address'); at += 1)
      await post(house, '/api/sign-in', { email: `nobody${at}@room.example`, password });
    const late = { email: bystander.email, password };
    expect((await post(house, '/api/sign-in', late, { cookie: device })).status).toBe(429);
    expect(
      (await post(house, '/api/sign-in', { email: room.email, password }, { cookie: device })).status,
    ).toBe(200);
  });

  it('ends the session that was open in the same browser', async () => {
    const [one, two] = [await house.room(), await house.room()];
    const cookies = (response: Response) =>
      response.headers
        .getSetCookie()
        .map((each) => each.split(';')[0])
        .join('; ');
    const first = cookies(await post(house, '/api/sign-in', { email: one.email, password }));
    const second = cookies(
      await post(house, '/api/sign-in', { email: two.email, password }, { cookie: first }),
    );
    expect((await house.app.request('/api/me', { headers: { cookie: first } })).status).toBe(401);
    expect((await house.app.request('/api/me', { headers: { cookie: second } })).status).toBe(200);
    // The sign-in made beside it, in another browser, goes on.
    expect((await one.call('GET', '/api/me')).status).toBe(200);
  });

  it('ends after twelve hours of work and after seven days, however it is used', async () => {
    const room = await house.room();
    const inMine = (sql: string) => inRoom(house.db, room.roomId, (tx) => tx.run(sql));
    const read = () =>
      inRoom(house.db, room.roomId, async (tx) => {
        const [row] = await tx.rows<{ worked_s: number; left_h: number }>(
          'select worked_s, extract(epoch from expires_at - now())::float8 / 3600 as left_h from sessions',
        );
        return row as { worked_s: number; left_h: number };
      });
    // Five minutes between two uses are work, three hours are ten minutes of it.
    await inMine(`update sessions set last_used_at = now() - interval '5 minutes'`);
    expect((await room.call('GET', '/api/me')).status).toBe(200);
    expect((await read()).worked_s).toBeCloseTo(300, -1);
    await inMine(`update sessions set last_used_at = now() - interval '3 hours'`);
    expect((await room.call('GET', '/api/me')).status).toBe(200);
    expect((await read()).worked_s).toBeCloseTo(900, -1);
    expect((await read()).left_h).toBeCloseTo(12, 1);
    await withClient(inject('adminUrl'), (client) =>
      client.query(
        `update sessions set created_at = now() - interval '6 days 23 hours', last_used_at = now() - interval '2 minutes' where room_id = $1`,
        [room.roomId],
      ),
    );
    expect((await room.call('GET', '/api/me')).status).toBe(200);
    expect((await read()).left_h).toBeCloseTo(1, 1);
    await inMine('update sessions set worked_s = 43200');
    expect((await room.call('GET', '/api/me')).status).toBe(401);
  });

  it('ends by itself', async () => {
    const room = await house.room();
    expect((await room.call('GET', '/api/me')).status).toBe(200);
    await inRoom(house.db, room.roomId, (tx) =>
      tx.run(`update sessions set expires_at = now() - interval '1 minute'`),
    );
    expect((await room.call('GET', '/api/me')).status).toBe(401);
  });
});

describe('writes from elsewhere', () => {
  it('are refused: other origin, other site, form content', async () => {
    const room = await house.room();
    expect((await room.call('POST', '/api/sign-out', {}, { origin: 'http://evil.example' })).status).toBe(
      403,
    );
    expect((await room.call('POST', '/api/sign-out', {}, { 'sec-fetch-site': 'cross-site' })).status).toBe(
      403,
    );
    expect((await room.call('POST', '/api/sign-out', {}, { origin: 'null' })).status).toBe(403);
    expect((await room.call('POST', '/api/sign-out', '{}', { 'content-type': 'text/plain' })).status).toBe(
      415,
    );
    expect(
      (
        await room.call(
          'POST',
          '/api/sign-out',
          {},
          { origin: 'http://test.example', 'sec-fetch-site': 'same-origin' },
        )
      ).status,
    ).toBe(200);
  });

  it('pages carry a strict policy', async () => {
    const response = await house.app.request('/api/setup');
    expect(response.headers.get('content-security-policy')).toContain("script-src 'self'");
    expect(response.headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(response.headers.get('cache-control')).toBe('no-store');
    const may = response.headers.get('permissions-policy') ?? '';
    expect(may).toContain('microphone=(self)');
    expect(may).toContain('camera=()');
  });

  it('and answers go compressed to whoever takes them so', async () => {
    const room = await house.room();
    for (let at = 0; at < 12; at += 1) await room.pupil({ name: `Pupil ${at}` });
    const response = await house.app.request('/api/pupils', {
      headers: { cookie: room.cookie, 'accept-encoding': 'gzip' },
    });
    expect(response.headers.get('content-encoding')).toBe('gzip');
    const plain = await house.app.request('/api/pupils', { headers: { cookie: room.cookie } });
    const [small, large] = await Promise.all([response.arrayBuffer(), plain.arrayBuffer()]);
    expect(small.byteLength).toBeLessThan(large.byteLength / 4);
  });
});

describe('the first room', () => {
  it('is made once, by the first visitor', async () => {
    const admin = inject('adminUrl');
    const name = `empty_${process.pid}`;
    await withClient(admin, (client) => client.query(`create database ${name}`));
    const at = (url: string) => url.replace(/\/test$/, `/${name}`);
    await migrate(at(admin), migrationsDir);
    const empty = openHouse(at(inject('appUrl')));
    try {
      expect(await (await empty.app.request('/api/setup')).json()).toEqual({ empty: true, signedIn: false });
      const first = {
        room: 'New room',
        name: 'Wren',
        email: 'wren@room.example',
        password,
        timeZone: 'Europe/Oslo',
      };
      for (const [field, over] of Object.entries({
        password: { password: 'short' },
        email: { email: 'nothing' },
        timeZone: { timeZone: 'Nowhere/Never' },
        room: { room: '  ' },
        name: { name: 'x'.repeat(200) },
      })) {
        const refused = await post(empty, '/api/first-room', { ...first, ...over });
        expect(refused.status, field).toBe(400);
        expect(await refused.json()).toMatchObject({ field });
      }
      const common = await post(empty, '/api/first-room', { ...first, password: 'Password123' });
      expect(common.status).toBe(400);
      expect(await common.json()).toEqual({
        field: 'password',
        message: 'Many people have this password, so it is tried first. Choose another.',
      });
      const both = await Promise.all([
        post(empty, '/api/first-room', first),
        post(empty, '/api/first-room', { ...first, email: 'second@room.example' }),
      ]);
      expect(both.map((one) => one.status).sort()).toEqual([201, 409]);
      expect(await (await empty.app.request('/api/setup')).json()).toEqual({ empty: false, signedIn: false });
      // Closed before it costs: what is sent is not even read.
      expect((await post(empty, '/api/first-room', 'not json')).status).toBe(409);
    } finally {
      await empty.close();
      await withClient(admin, (client) => client.query(`drop database ${name}`));
    }
  });
});
