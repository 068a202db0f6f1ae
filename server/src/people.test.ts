import type { NewPass, OwnSession, Pass, People } from '@veldrift/wire';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { allowedTries } from './auth/throttle.ts';
import { withClient } from './cluster/cluster.ts';
import { newAddress, openHouse, password, type TestHouse, type TestRoom } from './testing/room.ts';

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

const asAdmin = (sql: string, values: unknown[] = []) =>
  withClient(inject('adminUrl'), (client) => client.query(sql, values));

/** A visitor without a sign-in, or with the cookies given. */
async function send(method: string, path: string, body?: unknown, cookie = '') {
  const response = await house.request(
    `/api${path}`,
    {
      method,
      headers: { host: 'test.example', 'content-type': 'application/json', cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    },
    from,
  );
  const text = await response.text();
  return {
    status: response.status,
    body: JSON.parse(text) as never,
    cookie: response.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; '),
  };
}
let people = 0;
const address = () => `person${(people += 1)}-${process.pid}@room.example`;
const invite = async (room: Pick<TestRoom, 'call'>) =>
  (await room.call('POST', '/api/people/invites', {})).body as NewPass;
const join = (token: string, over: object = {}) =>
  send('POST', '/passes/join', { token, name: 'Sefa', email: address(), password, ...over });
const peopleOf = async (room: TestRoom) => (await room.call('GET', '/api/people')).body as People;
/** A second tutor of a room, come in by an invitation, with the calls of that tutor. */
async function second(room: TestRoom, name = 'Sefa') {
  const email = address();
  const { cookie } = await join((await invite(room)).token, { name, email });
  const call = (method: string, path: string, body?: unknown) =>
    send(method, path.replace('/api', ''), body, cookie);
  const id = (await peopleOf(room)).members.find((one) => one.email === email)?.id as string;
  return { id, email, cookie, call };
}

describe('an invitation', () => {
  it('lets one person into the room, once, and stands in the journal', async () => {
    const room = await house.room('The loft');
    const { token, expiresAt } = await invite(room);
    expect((Date.parse(expiresAt) - Date.now()) / 86_400_000).toBeCloseTo(7, 2);
    const look = await send('POST', '/passes/look', { token });
    expect(look.body).toEqual({
      kind: 'invite',
      room: 'The loft',
      by: 'Tutor',
      name: null,
      email: null,
    } satisfies Pass);
    const email = address();
    const joined = await join(token, { email, name: '  Sefa ' });
    expect(joined.status).toBe(201);
    // In at once, in the right room, and by password from then on.
    const me = await send('GET', '/me', undefined, joined.cookie);
    expect(me.body).toMatchObject({ name: 'Sefa', room: 'The loft', roomId: room.roomId });
    expect((await send('POST', '/sign-in', { email, password })).status).toBe(200);
    expect((await join(token)).status).toBe(410);
    const { members, invites, journal } = await peopleOf(room);
    expect(members.map((one) => [one.name, one.invitedBy])).toEqual([
      ['Tutor', null],
      ['Sefa', 'Tutor'],
    ]);
    expect(invites).toEqual([]);
    expect(journal.map((one) => [one.by, one.act])).toEqual([
      ['Sefa', 'signedIn'],
      ['Sefa', 'signedIn'],
      ['Sefa', 'joined'],
      ['Tutor', 'invited'],
    ]);
  });

  it('lets in one of two who use it at once', async () => {
    const room = await house.room();
    const { token } = await invite(room);
    const both = await Promise.all([join(token), join(token)]);
    expect(both.map((one) => one.status).sort()).toEqual([201, 410]);
    expect((await peopleOf(room)).members).toHaveLength(2);
  });

  it('says what is wrong: used, run out, withdrawn, unknown, an address that is taken, a password many have', async () => {
    const room = await house.room();
    const late = await invite(room);
    await asAdmin(`update passes set expires_at = now() - interval '1 second' where id = $1`, [late.id]);
    expect((await join(late.token)).body).toMatchObject({
      message: expect.stringContaining('run out') as string,
    });
    const gone = await invite(room);
    expect((await room.call('DELETE', `/api/people/invites/${gone.id}`, {})).status).toBe(200);
    expect((await join(gone.token)).status).toBe(404);
    expect((await join('x'.repeat(43))).status).toBe(404);
    const open = await invite(room);
    expect(await join(open.token, { email: room.email })).toMatchObject({
      status: 409,
      body: { field: 'email' },
    });
    expect(await join(open.token, { password: '1234567890' })).toMatchObject({
      status: 400,
      body: { field: 'password', message: expect.stringContaining('Many people have this') as string },
    });
    expect(await join(open.token, { password: 'short' })).toMatchObject({
      status: 400,
      body: { field: 'password' },
    });
    // None of these used it up.
    expect((await join(open.token)).status).toBe(201);
    // A link for a password is no invitation, and the other way round.
    const reset = (await room.call('POST', `/api/people/${(await second(room)).id}/reset`, {}))
      .body as NewPass;
    expect((await join(reset.token)).status).toBe(404);
    expect(
      (await send('POST', '/passes/reset', { token: (await invite(room)).token, password })).status,
    ).toBe(404);
  });

  it('cannot be guessed for long', async () => {
    for (let at = 0; at < allowedTries('pass'); at += 1)
      expect((await send('POST', '/passes/look', { token: 'y'.repeat(43) })).status).toBe(404);
    expect((await send('POST', '/passes/look', { token: 'y'.repeat(43) })).status).toBe(429);
  });
});

describe('taking a tutor out', () => {
  it('ends every sign-in of theirs, frees their address and leaves their record under their name', async () => {
    const room = await house.room();
    const sefa = await second(room);
    const pupil = await room.pupil();
    const link = (await sefa.call('POST', '/api/links', {})).body as { id: string };
    expect((await room.call('DELETE', `/api/people/${sefa.id}`, {})).status).toBe(200);
    expect((await sefa.call('GET', '/api/me')).status).toBe(401);
    expect((await send('POST', '/sign-in', { email: sefa.email, password })).status).toBe(401);
    expect((await peopleOf(room)).members.map((one) => one.name)).toEqual(['Tutor']);
    expect((await peopleOf(room)).journal[0]).toMatchObject({ by: 'Tutor', act: 'removed', whom: 'Sefa' });
    const { rows } = await asAdmin('select name, email, password_hash from users where id = $1', [sefa.id]);
    expect(rows).toEqual([{ name: 'Sefa', email: '', password_hash: '' }]);
    expect((await asAdmin('select 1 from links where id = $1', [link.id])).rowCount).toBe(0);
    expect((await room.call('GET', `/api/pupils/${pupil}`)).status).toBe(200);
    // The address may come in again.
    expect((await join((await invite(room)).token, { email: sefa.email })).status).toBe(201);
  });

  it('is for whoever asked them in, however far down, and never the other way round', async () => {
    const room = await house.room();
    const sefa = await second(room);
    const third = await send('POST', '/passes/join', {
      token: ((await sefa.call('POST', '/api/people/invites', {})).body as NewPass).token,
      name: 'Third',
      email: address(),
      password,
    });
    const members = (await peopleOf(room)).members;
    expect(members.map((one) => one.mayRemove)).toEqual([false, true, true]);
    expect((await sefa.call('DELETE', `/api/people/${room.userId}`, {})).status).toBe(403);
    expect((await sefa.call('DELETE', `/api/people/${sefa.id}`, {})).status).toBe(403);
    const ofThird = members[2]?.id as string;
    expect((await send('DELETE', `/people/${sefa.id}`, {}, third.cookie)).status).toBe(403);
    // With the one between taken out, whoever asked that one in still may.
    await room.call('DELETE', `/api/people/${sefa.id}`, {});
    expect((await room.call('DELETE', `/api/people/${ofThird}`, {})).status).toBe(200);
  });
});

describe('a password', () => {
  it('is changed by the old one; every other sign-in ends, this one goes on', async () => {
    const room = await house.room();
    const elsewhere = await send('POST', '/sign-in', { email: room.email, password });
    const fresh = 'a quite different word';
    const change = (old: string, to: string) =>
      room.call('POST', '/api/account/password', { old, password: to });
    expect(await change('not this one at all', fresh)).toMatchObject({ status: 400, body: { field: 'old' } });
    expect(await change(password, 'PASSWORD123')).toMatchObject({ status: 400, body: { field: 'password' } });
    expect((await change(password, fresh)).status).toBe(200);
    expect((await room.call('GET', '/api/me')).status).toBe(200);
    expect((await send('GET', '/me', undefined, elsewhere.cookie)).status).toBe(401);
    expect((await send('POST', '/sign-in', { email: room.email, password })).status).toBe(401);
    expect((await send('POST', '/sign-in', { email: room.email, password: fresh })).status).toBe(200);
    expect((await peopleOf(room)).journal.some((one) => one.act === 'passwordChanged')).toBe(true);
  });

  it('cannot be guessed by whoever finds a signed-in device', async () => {
    const room = await house.room();
    const sent = await Promise.all(
      Array.from({ length: 30 }, () =>
        room.call('POST', '/api/account/password', {
          old: 'wrong wrong wrong',
          password: 'another long word',
        }),
      ),
    );
    expect(sent.filter((one) => one.status === 400)).toHaveLength(8);
    expect(sent.filter((one) => one.status === 429)).toHaveLength(22);
  });

  it('forgotten, is made anew by a link of another tutor: once, for a day, and all sign-ins end', async () => {
    const room = await house.room('The loft');
    const sefa = await second(room);
    const { token, expiresAt } = (await room.call('POST', `/api/people/${sefa.id}/reset`, {}))
      .body as NewPass;
    expect((Date.parse(expiresAt) - Date.now()) / 3_600_000).toBeCloseTo(24, 1);
    expect((await send('POST', '/passes/look', { token })).body).toMatchObject({
      kind: 'reset',
      by: 'Tutor',
      name: 'Sefa',
      email: sefa.email,
    });
    const fresh = 'remembered this time';
    const done = await send('POST', '/passes/reset', { token, password: fresh });
    expect(done.status).toBe(200);
    expect((await send('GET', '/me', undefined, done.cookie)).body).toMatchObject({ name: 'Sefa' });
    expect((await sefa.call('GET', '/api/me')).status).toBe(401);
    expect((await send('POST', '/passes/reset', { token, password: fresh })).status).toBe(410);
    expect((await send('POST', '/sign-in', { email: sefa.email, password: fresh })).status).toBe(200);
    const acts = (await peopleOf(room)).journal.map((one) => `${one.by} ${one.act} ${one.whom}`.trim());
    expect(acts).toContain('Tutor resetMade Sefa');
    expect(acts).toContain('Sefa passwordReset');
    // A newer link takes the place of one before; one for oneself is not made.
    const one = (await room.call('POST', `/api/people/${sefa.id}/reset`, {})).body as NewPass;
    await room.call('POST', `/api/people/${sefa.id}/reset`, {});
    expect((await send('POST', '/passes/look', { token: one.token })).status).toBe(404);
    expect((await room.call('POST', `/api/people/${room.userId}/reset`, {})).status).toBe(409);
  });
});

describe('one\u2019s own sign-ins', () => {
  it('are listed with device and last use, and ended one by one; nobody else\u2019s are', async () => {
    const room = await house.room();
    const sefa = await second(room);
    const there = await house.request('/api/sign-in', {
      method: 'POST',
      headers: {
        host: 'test.example',
        'content-type': 'application/json',
        'user-agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
      },
      body: JSON.stringify({ email: room.email, password }),
    });
    const cookie = there.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ');
    const list = (await room.call('GET', '/api/account/sessions')).body as OwnSession[];
    expect(list.map((one) => [one.device, one.here])).toEqual(
      expect.arrayContaining([
        ['Firefox on Linux', false],
        ['', true],
      ]) as never,
    );
    expect(list).toHaveLength(2);
    const other = list.find((one) => !one.here) as OwnSession;
    expect((await sefa.call('DELETE', `/api/account/sessions/${other.id}`, {})).status).toBe(404);
    expect((await send('GET', '/me', undefined, cookie)).status).toBe(200);
    expect((await room.call('DELETE', `/api/account/sessions/${other.id}`, {})).status).toBe(200);
    expect((await send('GET', '/me', undefined, cookie)).status).toBe(401);
    expect((await room.call('GET', '/api/account/sessions')).body).toHaveLength(1);
  });
});
