import { planBook, type PlanBook, type PlanChange, type PlanKind } from '@veldrift/core/planning';
import type { DonePlay, PlayedGame, Planned } from '@veldrift/wire';
import { dayOf } from '@veldrift/core';
import type { RoomTx } from '../db.ts';

/** Days around the day asked for whose changes are given; those of no day always are. */
const daysBefore = 14;
const daysAfter = 60;
/** Days in which two hands on one place are told of, and the most changes that are looked at for it. */
const latelyDays = 7;
const mostLately = 500;
/** Days in which a game was played to be gone on with at its step. */
const gamesDays = 120;

interface Row {
  readonly id: string;
  readonly what: PlanKind;
  readonly pupil_id: string | null;
  readonly day: string | null;
  readonly key: string;
  readonly value: unknown;
  readonly at: Date;
  readonly user_id: string;
  readonly seen: string | null;
}
const changeOf = (row: Row): PlanChange => ({
  id: row.id,
  kind: row.what,
  pupilId: row.pupil_id,
  day: row.day,
  key: row.key,
  value: row.value as PlanChange['value'],
  at: row.at.toISOString(),
  by: row.user_id,
  seen: row.seen,
});
const columns = (id: string) =>
  `${id} as id, what, pupil_id, day::text as day, key, value, at, user_id, seen`;

const changesAround = async (tx: RoomTx, today: string): Promise<PlanChange[]> =>
  (
    await tx.rows<Row>(
      `select ${columns('change_id')} from plan where room_id = $1
         and (day is null or day between $2::date - ${daysBefore} and $2::date + ${daysAfter}) order by place`,
      [tx.roomId, today],
    )
  ).map(changeOf);

/** What is planned around a day, as a book. */
export const bookOf = async (tx: RoomTx, today: string): Promise<PlanBook> =>
  planBook(await changesAround(tx, today));

/** What is planned around today, and what it rests on; asked for at once, in one flight. */
export async function plannedNow(tx: RoomTx, timeZone: string, now: Date): Promise<Planned> {
  const today = dayOf(now.toISOString(), timeZone);
  const [changes, lately, games, done, minutes, tutors] = await Promise.all([
    changesAround(tx, today),
    tx.rows<Row>(
      `select ${columns('id')} from plan_changes c where room_id = $1 and at > $2::timestamptz - interval '${latelyDays} days'
         and exists (select 1 from plan_changes o where o.room_id = $1 and o.place = c.place and o.user_id <> c.user_id)
       order by at desc limit ${mostLately}`,
      [tx.roomId, now.toISOString()],
    ),
    playedLately(tx, timeZone),
    tx.rows<{
      id: string;
      pupil_id: string;
      purpose: string;
      title: string;
      started_at: Date;
      used_ms: number | null;
    }>(
      `select p.id, p.pupil_id, p.purpose, p.title, p.started_at, e.used_ms
       from plays p left join play_ends e on e.room_id = p.room_id and e.play_id = p.id
       where p.room_id = $1 and p.started_at >= ($2::date)::timestamp at time zone $3
         and p.started_at < ($2::date + 1)::timestamp at time zone $3 order by p.started_at`,
      [tx.roomId, today, timeZone],
    ),
    tx.rows<{ pupil_id: string; day: string; minutes: number }>(
      `select pupil_id, (at at time zone $3)::date::text as day, sum(practice_ms) / 60000 as minutes from checks
       where room_id = $1 and at >= (date_trunc('week', $2::date) - interval '7 days') at time zone $3 group by 1, 2 order by 1, 2`,
      [tx.roomId, today, timeZone],
    ),
    tx.rows<{ id: string; name: string }>('select id, name from users where room_id = $1 order by name, id', [
      tx.roomId,
    ]),
  ]);
  return {
    today,
    changes,
    lately: lately.map(changeOf),
    games,
    done: done.map((row): DonePlay => ({
      playId: row.id,
      pupilId: row.pupil_id,
      purpose: row.purpose,
      title: row.title,
      startedAt: row.started_at.toISOString(),
      usedMs: row.used_ms,
    })),
    minutes: minutes.map((row) => ({
      pupilId: row.pupil_id,
      day: row.day,
      minutes: Math.round(10 * row.minutes) / 10,
    })),
    tutors,
  };
}

/** Games of all pupils as they were played lately: the step each is at, and on which days. */
async function playedLately(tx: RoomTx, timeZone: string): Promise<PlayedGame[]> {
  const rows = await tx.rows<{ pupil_id: string; game: string; step: number; days: string[] | null }>(
    `select distinct on (pupil_id, game) pupil_id, game, step,
       array_agg(day) filter (where day is not null) over (partition by pupil_id, game) as days from (
       select p.pupil_id, p.deal->'game'->'plan'->>'game' as game, (p.deal->'game'->'plan'->>'step')::int as step, p.started_at as at,
         (p.started_at at time zone $2)::date::text as day
       from real_plays p where p.room_id = $1 and p.purpose = 'game' and p.deal->'game' is not null
         and p.started_at > now() - interval '${gamesDays} days'
       union all
       select d.pupil_id, d.game, d.to_step, d.at, null from decisions d where d.room_id = $1 and d.about = 'step'
         and d.at > now() - interval '${gamesDays} days'
     ) both_kinds order by pupil_id, game, at desc`,
    [tx.roomId, timeZone],
  );
  return rows.map((row) => ({
    pupilId: row.pupil_id,
    game: row.game,
    step: row.step,
    days: [...new Set(row.days ?? [])].sort().reverse().slice(0, 7),
  }));
}
