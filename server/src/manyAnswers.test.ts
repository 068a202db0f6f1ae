import { factKey, factsInRange } from '@veldrift/core';
import type { PupilPage, ReviewPage } from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { withClient } from './cluster/cluster.ts';
import { inRoom, openDb, type Db } from './db.ts';
import { previewRebuild, rebuildRoom } from './store/rebuild.ts';
import { minuteIds, openHouse, wholeMinute, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
let db: Db;
beforeAll(async () => {
  db = openDb(inject('appUrl'));
  house = openHouse(inject('appUrl'), db);
  room = await house.room();
});
afterAll(() => house.close());

const many = 50_000;
/** Plays of twenty-five answers over two years, facts in turn, one in seventeen wrong. */
const fill = `
with numbered as (
  select n, ($3::text[])[1 + (n * 7) % array_length($3::text[], 1)] as fact, n / 25 as play,
    now() - interval '730 days' + (n * interval '729 days' / $4::int) as at
  from generate_series(0, $4::int - 1) n),
tutor as (select id from users where room_id = $1 limit 1),
ids as (select play, gen_random_uuid() as id, min(at) as at from numbered group by play),
p as (insert into plays (room_id, id, visit_id, pupil_id, user_id, purpose, set_id, seed, length_ms, way, limit_ms, device, started_at, clock_corrected)
  select $1, ids.id, ids.id, $2, tutor.id, 'practice', 'strategy/mul/squares', 1, 60000, 'keypad', 2000, 'test', at, false from ids, tutor),
e as (insert into play_ends (room_id, play_id, pupil_id, event_id, ended_at, used_ms, end_reason, calm, interrupted)
  select $1, id, $2, gen_random_uuid(), at + interval '1 minute', 60000, 'time', false, false from ids)
insert into answers (room_id, id, pupil_id, visit_id, play_id, seat, fact, hidden, at, device_at, offset_ms, clock_corrected, judgement, given,
  latency_ms, voided, way, overhead_ms, spread_ms, calibrated, calibration_age_days, limit_ms, aided, seen, used_ms, version)
select $1, gen_random_uuid(), $2, ids.id, ids.id, 0, fact, 'result', numbered.at, numbered.at, 0, false,
  case when n % 17 = 0 then 'wrong' else 'right' end, '1', 1200 + (n * 37) % 1100, false, 'keypad', 600, 100, true, 3, 2000, false, '{}', 1000, 1
from numbered join ids using (play)`;

describe('a child with fifty thousand answers', () => {
  it('has a page, a decision, a minute more, and a rebuild that changes nothing', async () => {
    const id = await room.pupil();
    await withClient(inject('adminUrl'), async (client) => {
      await client.query(fill, [room.roomId, id, factsInRange('mul').map(factKey), many]);
      // As the database itself does soon after so many rows came.
      await client.query('analyze');
    });
    await rebuildRoom(db, room.roomId, 'Europe/London');
    const page = async () => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
    const before = await page();
    const answersOf = ({ pupil }: PupilPage) =>
      Object.values(pupil.tried).reduce((sum, one) => sum + one.evidence, 0);
    expect(before.facts.mul).toHaveLength(169);
    // All of them are evidence but those within a spread of the limit: none of these times is.
    expect(answersOf(before)).toBe(many);
    expect(before.proposal.decision.reasons.length).toBeGreaterThan(1);
    // The plays in which something happened are found play by play: a room's answers are not read for them.
    const plan = await inRoom(db, room.roomId, (tx) =>
      tx.rows<{ 'QUERY PLAN': string }>(
        'explain select * from real_plays where room_id = $1 and pupil_id = $2 order by started_at desc limit 12',
        [room.roomId, id],
      ),
    );
    expect(plan.map((line) => line['QUERY PLAN']).join()).toContain('answers_by_play');
    expect(plan.map((line) => line['QUERY PLAN']).join()).not.toContain('Seq Scan on answers');
    const ids = minuteIds(id);
    await room.send(wholeMinute(ids));
    const review = (await room.call('GET', `/api/plays/${ids.playId}`)).body as ReviewPage;
    expect(answersOf(await page())).toBe(many + review.answers.length);
    expect(await previewRebuild(db, room.roomId, 'Europe/London')).toEqual([]);
  }, 60_000);
});
