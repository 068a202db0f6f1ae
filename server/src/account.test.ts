import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { allowedFailures } from './auth/throttle.ts';
import { withClient } from './cluster/cluster.ts';
import { migrate } from './migrate.ts';
import { inRoom } from './db.ts';
import { migrationsDir } from './testing/globalSetup.ts';
import { openHouse, password, type TestHouse } from './testing/room.ts';

let house: TestHouse;
beforeAll(() => {
  house = openHouse(inject('appUrl'));
});
afterAll(() => house.close());

const post = (app: TestHouse['app'], path: string, body: unknown, headers: Record<string, string> = {}) =>
  app.request(`http://test.example${path}`, {
    method: 'POST',
    headers: { host: 'test.example', 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

describe('sign-in', () => {
  it('opens a session by an http-only, same-site cookie, and closes it', async () => {
    const room = await house.room('The room');
    const response = await post(house.app, '/api/sign-in', { email: room.email.toUpperCase(), password });
    expect(response.status).toBe(200);
    const cookie = response.headers.get('set-cookie') ?? '';
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const header = { cookie: cookie.split(';')[0] as string };
    const me = await house.app.request('/api/me', { headers: header });
    expect(await me.json()).toMatchObject({ room: 'The room', timeZone: 'Europe/Oslo', judging: null });
    expect((await post(house.app, '/api/sign-out', {}, header)).status).toBe(200);
    expect((await house.app.request('/api/me', { headers: header })).status).toBe(401);
  });

  it('keeps no password and no token in the open', async () => {
    const room = await house.room();
    await post(house.app, '/api/sign-in', { email: room.email, password });
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
    const wrong = await post(house.app, '/api/sign-in', { email: room.email, password: 'open sesame 123' });
    const nobody = await post(house.app, '/api/sign-in', {
      email: 'nobody@room.example',
      password: 'open sesame 123',
    });
    expect([wrong.status, nobody.status]).toEqual([401, 401]);
    const text = await wrong.text();
    expect(text).toBe(await nobody.text());
    expect(text).not.toContain('sesame');
    const odd = await post(house.app, '/api/sign-in', { email: 5, password: { secret: 'sesame' } });
    expect(odd.status).toBe(400);
    expect(await odd.text()).not.toContain('sesame');
  });

  it('is throttled for an address tried too often, and for that one only', async () => {
    const room = await house.room();
    const bystander = await house.room();
    for (let at = 0; at < allowedFailures.email; at += 1) {
      expect(
        (await post(house.app, '/api/sign-in', { email: room.email, password: 'wrong wrong wrong' })).status,
      ).toBe(401);
    }
    const refused = await post(house.app, '/api/sign-in', { email: room.email, password });
    expect(refused.status).toBe(429);
    expect(await refused.json()).toMatchObject({
      message: expect.stringContaining('quarter of an hour') as string,
    });
    expect((await post(house.app, '/api/sign-in', { email: bystander.email, password })).status).toBe(200);
    await withClient(inject('adminUrl'), (client) => client.query('delete from sign_in_failures'));
    expect((await post(house.app, '/api/sign-in', { email: room.email, password })).status).toBe(200);
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
      expect(await (await empty.app.request('/api/setup')).json()).toEqual({ empty: true });
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
        const refused = await post(empty.app, '/api/first-room', { ...first, ...over });
        expect(refused.status, field).toBe(400);
        expect(await refused.json()).toMatchObject({ field });
      }
      const both = await Promise.all([
        post(empty.app, '/api/first-room', first),
        post(empty.app, '/api/first-room', { ...first, email: 'second@room.example' }),
      ]);
      expect(both.map((one) => one.status).sort()).toEqual([201, 409]);
      expect(await (await empty.app.request('/api/setup')).json()).toEqual({ empty: false });
    } finally {
      await empty.close();
      await withClient(admin, (client) => client.query(`drop database ${name}`));
    }
  });
});
