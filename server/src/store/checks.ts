import {
  decides,
  isCheck,
  playPracticeMs,
  summariseMinute,
  type AnswerWay,
  type CheckResult,
  type EndReason,
  type Purpose,
} from '@veldrift/core';
import type { Deal, Play } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { answerOfRow, answersOfPlay } from './answers.ts';

interface EndedPlayRow {
  id: string;
  pupil_id: string;
  set_id: string;
  purpose: Purpose;
  way: string;
  clock_corrected: boolean;
  ended_at: Date;
  used_ms: number;
  end_reason: EndReason;
  calm: boolean;
  length_ms: number;
  started_at: Date;
  table_id: string | null;
}

/** Sums up a minute afresh from its answers, once both its start and its end are here. */
export async function refreshCheck(tx: RoomTx, playId: string): Promise<void> {
  const [play] = await tx.rows<EndedPlayRow>(
    `select p.id, p.pupil_id, p.set_id, p.purpose, p.way, p.clock_corrected, p.length_ms, p.started_at,
       p.deal->'game'->>'tableId' as table_id, e.ended_at, e.used_ms, e.end_reason, e.calm
     from plays p join play_ends e on e.room_id = p.room_id and e.play_id = p.id and e.pupil_id = p.pupil_id
     where p.room_id = $1 and p.id = $2`,
    [tx.roomId, playId],
  );
  if (!play) return;
  const answers = (await answersOfPlay(tx, playId)).filter((row) => row.pupil_id === play.pupil_id);
  // Answers given on a calm table are kept, but no minute counts them.
  const counted = play.calm ? answers.filter((row) => row.latency_ms !== null || row.voided) : answers;
  const summary = summariseMinute(counted.map(answerOfRow), play.used_ms, play.length_ms);
  await tx.run(
    `insert into checks (room_id, play_id, pupil_id, set_id, purpose, way, at, right_count, wrong_count, used_ms,
       right_per_minute, wrong_per_minute, digits_per_minute, median_ms, clock_corrected, counts, practice_ms)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)
     on conflict (room_id, play_id) do update set right_count = excluded.right_count, wrong_count = excluded.wrong_count,
       used_ms = excluded.used_ms, right_per_minute = excluded.right_per_minute, wrong_per_minute = excluded.wrong_per_minute,
       digits_per_minute = excluded.digits_per_minute, median_ms = excluded.median_ms, counts = excluded.counts, practice_ms = excluded.practice_ms`,
    [
      tx.roomId,
      play.id,
      play.pupil_id,
      play.set_id,
      play.purpose,
      play.way,
      play.ended_at,
      summary.right,
      summary.wrong,
      play.used_ms,
      summary.rightPerMinute,
      summary.wrongPerMinute,
      summary.digitsPerMinute,
      summary.timeMs?.median ?? null,
      play.clock_corrected,
      isCheck(play.purpose) &&
        summary.rightPerMinute !== null &&
        decides({ endReason: play.end_reason, calm: play.calm }),
      await practiceOf(tx, play),
    ],
  );
}

/** The longest visit that is set down afterwards, ms. */
const longestAfterwardsMs = 3 * 3_600_000;

/** Practice time of a play, ms; of a visit set down afterwards, its length. */
async function practiceOf(tx: RoomTx, play: EndedPlayRow): Promise<number> {
  const wholeMs = play.ended_at.getTime() - play.started_at.getTime();
  if (play.purpose === 'afterwards') return Math.max(0, Math.min(longestAfterwardsMs, wholeMs));
  const happened = await tx.rows<{ at: Date }>(
    `select at from answers where room_id = $1 and play_id = $2 and pupil_id = $3
     union all select at from tallies where room_id = $1 and play_id = $2 and pupil_id = $3
     union all select at from moves where room_id = $1 and play_id = $4 and move->>'kind' not in ('stop', 'leave', 'calm')`,
    [tx.roomId, play.id, play.pupil_id, play.table_id],
  );
  return playPracticeMs({
    startedMs: play.started_at.getTime(),
    endedMs: play.ended_at.getTime(),
    happenedMs: happened.map((one) => one.at.getTime()),
    usedMs: play.used_ms,
    calm: play.calm,
  });
}

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

/** A pupil's checks on one set in one way of capture, plain and mixed, as the schools take them. */
export async function checksOnSet(
  tx: RoomTx,
  pupilId: string,
  setId: string,
  way: string,
): Promise<CheckResult[]> {
  const rows = await tx.rows<CheckRow>(
    `select play_id, at, right_count, wrong_count, used_ms, counts, purpose, digits_per_minute from checks
     where room_id = $1 and pupil_id = $2 and set_id = $3 and way = $4 and purpose in ('check', 'mixed')
       and right_per_minute is not null order by at`,
    [tx.roomId, pupilId, setId, way],
  );
  return rows.map((row) => ({
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
