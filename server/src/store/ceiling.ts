import { minutePurposes, ownCeiling, ownCeilingOf, type CaptureWay, type Ceiling } from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { answerColumnsOf, type AnswerRow } from './answers.ts';

/** Plays looked back over for a ceiling: more than the answers it takes lie in. */
const latestPlays = 16;

/** An answer on a fact that needs no thought any more, with the time from its prompt to the next, ms. */
interface IntervalRow extends AnswerRow {
  interval_ms: number;
}

/**
 * The answers a pupil's own ceiling rests on in a way of capture, newest first: right, without an aid, on facts now recalled or
 * kept. In a minute the interval runs to the end of the answer from the end of the one before, by the play's own clock; in a
 * drill, where the next prompt waits, it is the raw time to the answer's end.
 */
export async function ownIntervals(
  tx: RoomTx,
  pupilId: string,
  way: CaptureWay,
  now: Date,
): Promise<IntervalRow[]> {
  const since = new Date(now.getTime() - ownCeiling.days * 86_400_000);
  return tx.rows<IntervalRow>(
    // The few plays first, and each of their answers looked up by itself: whatever the database takes its tables to hold.
    `with own as materialized (
       select p.purpose, a.* from (
         select room_id, id, purpose from plays
         where room_id = $1 and pupil_id = $2 and way = $3 and started_at > $4 and purpose = any($5)
         order by started_at desc limit $6) p
       join lateral (
         select b.id, b.used_ms, b.last_key_ms, b.latency_ms,
           coalesce(lag(b.used_ms) over (order by b.used_ms, b.at, b.id), 0) as before_ms
         from answers b where b.room_id = p.room_id and b.play_id = p.id and b.pupil_id = $2) a on true)
     select ${answerColumnsOf('s')},
       case when own.purpose = any($8) then own.used_ms - own.before_ms else coalesce(own.last_key_ms, own.latency_ms) end as interval_ms
     from own
     join lateral (select * from standing_answers s where s.room_id = $1 and s.id = own.id offset 0) s on true
     where s.judgement = 'right' and s.latency_ms is not null and not s.voided and not s.aided
       and s.way = $3 and s.hidden = 'result' and not s.seen && array['helped']
       and (select f.state from fact_states f where f.room_id = $1 and f.pupil_id = $2 and f.fact = s.fact) in ('recalled', 'kept')
     order by s.at desc, s.id desc limit $7`,
    [
      tx.roomId,
      pupilId,
      way,
      since,
      [...minutePurposes, 'drill'],
      latestPlays,
      ownCeiling.latest,
      minutePurposes,
    ],
  );
}

/** The ceiling of a pupil's own answers; null where there are too few. */
export async function ownCeilingFor(
  tx: RoomTx,
  pupilId: string,
  way: CaptureWay,
  now: Date,
): Promise<Ceiling | null> {
  const rows = await ownIntervals(tx, pupilId, way, now);
  return ownCeilingOf(rows.map((row) => row.interval_ms));
}
