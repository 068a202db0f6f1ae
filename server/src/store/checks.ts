import {
  isCheck,
  purposes,
  type AnswerWay,
  type CheckResult,
  type EndReason,
  type Purpose,
} from '@veldrift/core';
import type { Deal, Play, RatedCheck } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';

interface CheckRow {
  play_id: string;
  at: Date;
  right_count: number;
  wrong_count: number;
  used_ms: number;
  counts: boolean;
  purpose: string;
  digits_per_minute: number | null;
}

/** Checks on one set that are looked back over: more than a year of a weekly minute. */
const latestChecks = 60;

/** A pupil's latest checks on one set in one way of capture, plain and mixed, as the schools take them. */
export async function checksOnSet(
  tx: RoomTx,
  pupilId: string,
  setId: string,
  way: string,
): Promise<CheckResult[]> {
  const rows = await tx.rows<CheckRow>(
    `select play_id, at, right_count, wrong_count, used_ms, counts, purpose, digits_per_minute from checks
     where room_id = $1 and pupil_id = $2 and set_id = $3 and way = $4 and purpose in ('check', 'mixed')
       and right_per_minute is not null order by at desc limit $5`,
    [tx.roomId, pupilId, setId, way, latestChecks],
  );
  return rows.reverse().map((row) => ({
    id: row.play_id,
    at: row.at.toISOString(),
    right: row.right_count,
    wrong: row.wrong_count,
    usedMs: row.used_ms,
    counts: row.counts,
    mixed: row.purpose === 'mixed',
    digitsPerMinute: row.digits_per_minute,
  }));
}

interface PlayRow {
  id: string;
  visit_id: string;
  pupil_id: string;
  purpose: Purpose;
  set_id: string;
  way: AnswerWay;
  title: string;
  deal: Deal | null;
  seed: number;
  tally: number;
  started_at: Date;
  length_ms: number;
  limit_ms: number;
  clock_corrected: boolean;
  ended_at: Date | null;
  end_reason: EndReason | null;
  calm: boolean | null;
  interrupted: boolean | null;
  right_count: number | null;
  wrong_count: number | null;
  used_ms: number | null;
  right_per_minute: number | null;
  wrong_per_minute: number | null;
  digits_per_minute: number | null;
  median_ms: number | null;
  counts: boolean | null;
  practice_ms: number | null;
}

const playColumns = `p.id, p.visit_id, p.pupil_id, p.purpose, p.set_id, p.way, p.started_at, p.length_ms, p.limit_ms, p.clock_corrected, p.title, p.deal, p.seed,
  (select count(*)::int from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id and not exists
    (select 1 from retractions r where r.room_id = t.room_id and r.answer_id = t.id and r.pupil_id = t.pupil_id)) as tally,
  e.ended_at, e.end_reason, e.calm, e.interrupted, e.used_ms, c.right_count, c.wrong_count, c.right_per_minute, c.wrong_per_minute,
  c.digits_per_minute, c.median_ms, c.counts, c.practice_ms`;
/** One play's end and check, looked up for each: joined as tables they would be read for the whole room. */
const withEnds = `left join lateral (select * from play_ends e where e.room_id = p.room_id and e.play_id = p.id limit 1) e on true
  left join lateral (select * from checks c where c.room_id = p.room_id and c.play_id = p.id limit 1) c on true`;

function playOfRow(row: PlayRow): Play {
  return {
    id: row.id,
    visitId: row.visit_id,
    pupilId: row.pupil_id,
    purpose: row.purpose,
    setId: row.set_id,
    way: row.way,
    title: row.title,
    deal: row.deal,
    seed: row.seed,
    tally: row.tally,
    startedAt: row.started_at.toISOString(),
    endedAt: row.ended_at?.toISOString() ?? null,
    lengthMs: row.length_ms,
    limitMs: row.limit_ms,
    endReason: row.end_reason,
    calm: row.calm ?? false,
    interrupted: row.interrupted ?? false,
    clockCorrected: row.clock_corrected,
    summary: {
      right: row.right_count ?? 0,
      wrong: row.wrong_count ?? 0,
      usedMs: row.used_ms ?? 0,
      rightPerMinute: row.right_per_minute,
      wrongPerMinute: row.wrong_per_minute,
      digitsPerMinute: row.digits_per_minute,
      medianMs: row.median_ms,
    },
    practiceMs: row.practice_ms ?? 0,
    counts: row.counts ?? false,
  };
}

/** A pupil's latest checks that went to their end, were not calm and have a rate; oldest first. */
export async function ratedChecks(tx: RoomTx, pupilId: string, most: number): Promise<RatedCheck[]> {
  const rows = await tx.rows<{
    id: string;
    purpose: Purpose;
    set_id: string;
    way: AnswerWay;
    started_at: Date;
    counts: boolean;
    right_per_minute: number;
    wrong_count: number;
  }>(
    `select c.play_id as id, c.purpose, c.set_id, c.way, p.started_at, c.counts, c.right_per_minute, c.wrong_count
     from (select * from checks where room_id = $1 and pupil_id = $2 and purpose = any($3) and right_per_minute is not null
           order by at desc limit $4) c
     join plays p on p.room_id = c.room_id and p.id = c.play_id
     join lateral (select calm from play_ends e where e.room_id = c.room_id and e.play_id = c.play_id limit 1) e on true
     where not e.calm order by p.started_at`,
    [tx.roomId, pupilId, purposes.filter(isCheck), most],
  );
  return rows.map((row) => ({
    id: row.id,
    purpose: row.purpose,
    setId: row.set_id,
    way: row.way,
    startedAt: row.started_at.toISOString(),
    counts: row.counts,
    rightPerMinute: row.right_per_minute,
    wrong: row.wrong_count,
  }));
}

/** A pupil's latest plays, oldest first; a table opened and left is none. They are picked before anything is joined, so that a room's other plays cost nothing. */
export async function playsOfPupil(tx: RoomTx, pupilId: string, most: number): Promise<Play[]> {
  const rows = await tx.rows<PlayRow>(
    `select ${playColumns}
     from (select * from real_plays where room_id = $1 and pupil_id = $2 order by started_at desc limit $3) p ${withEnds}
     order by p.started_at desc`,
    [tx.roomId, pupilId, most],
  );
  return rows.reverse().map(playOfRow);
}

export async function findPlay(tx: RoomTx, playId: string): Promise<Play | undefined> {
  const [row] = await tx.rows<PlayRow>(
    `select ${playColumns} from plays p ${withEnds} where p.room_id = $1 and p.id = $2`,
    [tx.roomId, playId],
  );
  return row && playOfRow(row);
}
