import { copyPathway, pathways, type Pathway } from '@veldrift/core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { Client } from 'pg';
import { v7 as uuid } from 'uuid';
import type { People } from '@veldrift/wire';
import { withClient } from './cluster/cluster.ts';
import { inRoom } from './db.ts';
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
let mine: TestRoom;
let other: TestRoom;
let theirPupil: string;
let theirIds: ReturnType<typeof minuteIds>;
let theirDecision: string;
let theirLink: string;
let theirClass: string;
let theirInvite: string;
let theirSession: string;
const theirRules = uuid();
const theirPack = uuid();
const theirCalendar = uuid();
const theirPathway = copyPathway(pathways[0] as Pathway, uuid(), 'Theirs');

beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  mine = await house.room('Mine');
  other = await house.room('Other');
  theirPupil = await other.pupil();
  theirIds = minuteIds(theirPupil);
  await other.send(wholeMinute(theirIds));
  const page = await other.call('GET', `/api/pupils/${theirPupil}`);
  theirDecision = uuid();
  const { proposal } = page.body as { proposal: { evidenceMark: string } };
  const made = await other.call('POST', `/api/pupils/${theirPupil}/decisions`, {
    id: theirDecision,
    playId: theirIds.playId,
    evidenceMark: proposal.evidenceMark,
    outcome: 'otherwise',
    toSetId: 'strategy/mul/squares',
    reason: 'Wait.',
  });
  expect(made.status).toBe(201);
  await other.call('PUT', `/api/pathways/${theirPathway.id}`, theirPathway);
  const rules = await other.call('POST', '/api/houseRules', {
    id: theirRules,
    game: 'lamps',
    step: 0,
    name: 'Theirs',
    by: '',
    rules: { specials: [], total: 'head' },
  });
  expect(rules.status).toBe(201);
  const pack = { id: theirPack, pupilId: theirPupil, name: 'Theirs', operation: 'mul', pack: '6:2,7:4' };
  expect((await other.call('POST', '/api/packs', pack)).status).toBe(201);
  const calendar = { id: theirCalendar, names: true };
  expect((await other.call('POST', '/api/calendar-links', calendar)).status).toBe(201);
  theirInvite = ((await other.call('POST', '/api/people/invites', {})).body as { id: string }).id;
  const [session] = (await other.call('GET', '/api/account/sessions')).body as { id: string }[];
  theirSession = session?.id ?? '';
  theirLink = ((await other.call('POST', '/api/links', {})).body as { id: string }).id;
  theirClass = ((await other.call('POST', '/api/links', { seats: 12 })).body as { id: string }).id;
});
afterAll(() => house.close());

describe('another room', () => {
  it('answers 404 by every route', async () => {
    const decide = {
      id: uuid(),
      playId: null,
      evidenceMark: 'x',
      outcome: 'otherwise',
      toSetId: 'strategy/mul/3',
      reason: 'mine now',
    };
    const classShow = {
      ...{ seq: 1, round: 0, stage: 'waits', cards: [], hands: [], found: [], told: [], says: '' },
    };
    const show = {
      seq: 1,
      promptId: 'p-1',
      fact: '7x8',
      hidden: 'result',
      chain: null,
      keypad: true,
      padLeft: false,
      says: '',
    };
    const tries: [string, string, unknown?][] = [
      ['GET', `/api/pupils/${theirPupil}`],
      ['PATCH', `/api/pupils/${theirPupil}`, pupilInput({ id: theirPupil, name: 'Taken' })],
      ['PUT', `/api/pupils/${theirPupil}/ways`, { fact: '7x8', way: 'by8' }],
      ['GET', `/api/pupils/${theirPupil}/pictures`],
      ['PUT', `/api/pupils/${theirPupil}/pictures`, { fact: '7x8', sentence: 'mine now', lines: [] }],
      ['DELETE', `/api/pupils/${theirPupil}/pictures`, { fact: '7x8' }],
      ['DELETE', `/api/pupils/${theirPupil}`, { confirm: 'Odalys B.' }],
      ['GET', `/api/pupils/${theirPupil}/answers?fact=7x7`],
      ['GET', `/api/pupils/${theirPupil}/proposal/answers`],
      ['GET', `/api/pupils/${theirPupil}/ceiling/answers`],
      ['GET', `/api/pupils/${theirPupil}/chance?fact=7x7`],
      ['GET', `/api/pupils/${theirPupil}/decisions/${theirDecision}/answers`],
      ['POST', `/api/pupils/${theirPupil}/decisions`, decide],
      ['POST', `/api/pupils/${theirPupil}/decisions/${theirDecision}/undo`, { id: uuid() }],
      [
        'POST',
        `/api/pupils/${theirPupil}/placements`,
        {
          id: uuid(),
          playId: theirIds.playId,
          outcome: 'otherwise',
          toSetId: 'strategy/mul/3',
          reason: 'mine now',
        },
      ],
      [
        'POST',
        `/api/pupils/${theirPupil}/lookBacks`,
        {
          id: uuid(),
          playId: theirIds.playId,
          outcome: 'otherwise',
          toSetId: 'strategy/mul/3',
          reason: 'mine now',
        },
      ],
      ['GET', `/api/pupils/${theirPupil}/games`],
      [
        'POST',
        `/api/pupils/${theirPupil}/steps`,
        { id: uuid(), playId: theirIds.playId, outcome: 'otherwise', toStep: 1, reason: 'mine now' },
      ],
      ['DELETE', `/api/houseRules/${theirRules}`],
      ['GET', `/api/pupils/${theirPupil}/packs`],
      ['DELETE', `/api/packs/${theirPack}`],
      ['DELETE', `/api/calendar-links/${theirCalendar}`],
      ['GET', `/api/calendar/${uuid()}`],
      ['DELETE', `/api/pathways/${theirPathway.id}`],
      ['GET', `/api/links/${theirLink}/events`],
      ['POST', `/api/links/${theirLink}/show`, show],
      ['POST', `/api/links/${theirClass}/show-class`, classShow],
      ['DELETE', `/api/links/${theirLink}`],
      ['GET', `/api/plays/${theirIds.playId}`],
      ['GET', `/api/plays/${theirIds.playId}/stepAnswers`],
      ['GET', `/api/tables/${theirIds.playId}`],
      ['DELETE', `/api/people/${other.userId}`, {}],
      ['POST', `/api/people/${other.userId}/reset`, {}],
      ['DELETE', `/api/people/invites/${theirInvite}`, {}],
      ['DELETE', `/api/account/sessions/${theirSession}`, {}],
    ];
    // Every route with an id in it is among them: a new one has to be tried here too.
    const routes = new Set(
      house.app.routes
        .filter((route) => route.path.includes(':') && route.method !== 'ALL')
        .map((route) => `${route.method} ${route.path}`),
    );
    const tried = new Set(
      tries.map(([method, path]) => {
        const [address = ''] = path.split('?');
        const named = address
          .replace(/decisions\/[0-9a-f-]{36}/, 'decisions/:decision')
          .replace(/[0-9a-f-]{36}/, ':id');
        return `${method} ${named}`;
      }),
    );
    // A pathway of that id is a new one of one's own: nothing of theirs is touched, as is seen below.
    tried.add('PUT /api/pathways/:id');
    expect(tried).toEqual(routes);
    for (const [method, path, body] of tries)
      expect((await mine.call(method, path, body)).status, `${method} ${path}`).toBe(404);
    const page = await other.call('GET', `/api/pupils/${theirPupil}`);
    expect(page.body).toMatchObject({ pupil: { name: 'Odalys B.' } });
    const people = (await other.call('GET', '/api/people')).body as People;
    expect(people.members.map((one) => one.id)).toEqual([other.userId]);
    expect(people.invites.map((one) => one.id)).toEqual([theirInvite]);
    const mineToo = (await mine.call('GET', '/api/people')).body as People;
    expect(mineToo).toMatchObject({ members: [{ id: mine.userId }], invites: [], journal: [] });
    await mine.call('PUT', `/api/pathways/${theirPathway.id}`, { ...theirPathway, name: 'Mine' });
    expect((await other.call('GET', '/api/pathways')).body).toMatchObject([{ name: 'Theirs' }]);
  });

  it('takes no events for its pupils, and its lists stay its own', async () => {
    const sent = await mine.send([answerEvent(theirIds), ...wholeMinute(minuteIds(theirPupil))]);
    const { results } = sent.body as { results: { status: string; field: string }[] };
    expect(results.every((one) => one.status === 'refused' && one.field === 'pupilId')).toBe(true);
    expect((await mine.call('GET', '/api/pupils')).body).toEqual({ roomPolicy: {}, pupils: [] });
    const review = await other.call('GET', `/api/plays/${theirIds.playId}`);
    expect((review.body as { answers: unknown[] }).answers).toHaveLength(13);
  });

  it('cannot have a decision read through a pupil of one\u2019s own', async () => {
    const own = await mine.pupil();
    expect((await mine.call('GET', `/api/pupils/${own}/decisions/${theirDecision}/answers`)).status).toBe(
      404,
    );
  });

  it('keeps ids apart: the same id in two rooms is two pupils', async () => {
    const id = await mine.pupil({ id: theirPupil, name: 'Same id' });
    expect(id).toBe(theirPupil);
    expect((await other.call('GET', `/api/pupils/${theirPupil}`)).body).toMatchObject({
      pupil: { name: 'Odalys B.' },
    });
    expect((await mine.call('GET', `/api/pupils/${theirPupil}`)).body).toMatchObject({
      pupil: { name: 'Same id' },
      lastPlayId: null,
    });
    await mine.call('DELETE', `/api/pupils/${theirPupil}`, { confirm: 'Same id' });
    expect((await other.call('GET', `/api/pupils/${theirPupil}`)).status).toBe(200);
  });

  it('needs a sign-in at all', async () => {
    for (const path of [
      '/api/me',
      '/api/pupils',
      `/api/pupils/${theirPupil}`,
      `/api/plays/${theirIds.playId}`,
    ]) {
      expect((await house.app.request(path)).status).toBe(401);
    }
  });
});

describe('row-level security', () => {
  it('is on and forced for every table with a room', async () => {
    await withClient(inject('adminUrl'), async (client) => {
      const { rows } = await client.query<{
        relname: string;
        relrowsecurity: boolean;
        relforcerowsecurity: boolean;
      }>(
        `select c.relname, c.relrowsecurity, c.relforcerowsecurity from pg_class c join pg_attribute a on a.attrelid = c.oid
         where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and a.attname = 'room_id'`,
      );
      expect(rows.length).toBe(32);
      expect(rows.filter((row) => !row.relrowsecurity || !row.relforcerowsecurity)).toEqual([]);
    });
  });

  it('starts every primary key of such a table with the room', async () => {
    await withClient(inject('adminUrl'), async (client) => {
      const { rows } = await client.query<{ relname: string; attname: string }>(
        `select c.relname, a.attname from pg_index i join pg_class c on c.oid = i.indrelid
         join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
         where i.indisprimary and c.relnamespace = 'public'::regnamespace and c.relname not in ('migrations', 'throttle')`,
      );
      expect(rows.filter((row) => row.attname !== 'room_id')).toEqual([]);
    });
  });

  it('shows nothing without a room, and nothing of another', async () => {
    const tables = [
      'rooms',
      'users',
      'sessions',
      'devices',
      'passes',
      'journal',
      'pupils',
      'visits',
      'plays',
      'play_ends',
      'answers',
      'standing_answers',
      'decisions',
      'fact_states',
      'unfolded',
      'checks',
    ];
    for (const table of tables) {
      const { rows } = await house.db.query<{ n: number }>(`select count(*)::int as n from ${table}`);
      expect(rows[0]?.n, table).toBe(0);
      const [seen] = await inRoom(house.db, mine.roomId, (tx) =>
        tx.rows<{ n: number }>(`select count(*)::int as n from ${table} where room_id <> $1`, [mine.roomId]),
      );
      expect(seen?.n, table).toBe(0);
    }
  });

  it('lets no row be written into another room', async () => {
    await expect(
      inRoom(house.db, mine.roomId, (tx) =>
        tx.run(`insert into visits values ($1, $2, $3, $4, now())`, [
          other.roomId,
          uuid(),
          theirPupil,
          mine.userId,
        ]),
      ),
    ).rejects.toThrow(/row-level security/);
  });

  it('can neither be bypassed nor altered by the server\u2019s role', async () => {
    const client = new Client({ connectionString: inject('appUrl') });
    await client.connect();
    try {
      const { rows } = await client.query<{
        rolsuper: boolean;
        rolbypassrls: boolean;
        rolcreaterole: boolean;
      }>('select rolsuper, rolbypassrls, rolcreaterole from pg_roles where rolname = current_user');
      expect(rows[0]).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false });
      const forbidden = [
        'alter table pupils disable row level security',
        'alter table pupils no force row level security',
        'drop policy own_room on pupils',
        'create policy all_rooms on pupils using (true)',
        'alter policy own_room on pupils using (true)',
        'alter table pupils owner to veldrift_app',
        'alter role veldrift_app bypassrls',
        'set role veldrift_lookup',
        'set role veldrift_admin',
        'create table mine (x int)',
        'create or replace function has_any_room() returns boolean language sql as $$ select true $$',
        'alter view standing_answers set (security_invoker = false)',
        'update answers set given = $$9$$',
        'delete from answers',
        'delete from decisions',
        'delete from journal',
        'update journal set act = $$x$$',
        'update users set name = $$x$$',
        'truncate answers',
        'select pg_read_file($$/etc/passwd$$)',
      ];
      for (const sql of forbidden)
        await expect(client.query(sql), sql).rejects.toThrow(
          /permission denied|must be owner|must be able to SET ROLE|must be superuser/,
        );
      // Setting row_security off makes a guarded query fail; it does not open it.
      await client.query('set row_security = off');
      await expect(client.query('select * from pupils')).rejects.toThrow(/row-level security/);
    } finally {
      await client.end();
    }
  });
});
