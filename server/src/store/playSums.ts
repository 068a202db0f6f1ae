import {
  decides,
  isCheck,
  playPracticeMs,
  summariseMinute,
  type EndReason,
  type Purpose,
} from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
import { answerOfRow, answersOfPlays, type AnswerRow } from './answers.ts';
import { statesAtEnd, type PlayStates } from './playStates.ts';

interface EndedPlayRow {
  id: string;
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

/** The longest visit that is set down afterwards, ms. */
const longestAfterwardsMs = 3 * 3_600_000;

/** Sums up plays of a pupil afresh from their answers, those of which both start and end are here; all of them where none is named. */
export async function sumUpPlays(
  tx: RoomTx,
  pupilId: string,
  timeZone: string,
  playIds?: readonly string[],
): Promise<void> {
  const plays = await tx.rows<EndedPlayRow>(
    `select p.id, p.set_id, p.purpose, p.way, p.clock_corrected, p.length_ms, p.started_at,
       p.deal->'game'->>'tableId' as table_id, e.ended_at, e.used_ms, e.end_reason, e.calm
     from plays p join play_ends e on e.room_id = p.room_id and e.play_id = p.id and e.pupil_id = p.pupil_id
     where p.room_id = $1 and p.pupil_id = $2 ${playIds ? 'and p.id = any($3)' : ''}`,
    playIds ? [tx.roomId, pupilId, playIds] : [tx.roomId, pupilId],
  );
  if (plays.length === 0) return;
  const ids = plays.map((play) => play.id);
  const answers = groupBy(
    (await answersOfPlays(tx, ids)).filter((row) => row.pupil_id === pupilId),
    (row) => row.play_id,
  );
  const happened = await happenedIn(tx, pupilId, plays);
  // Of plays long over the folds of now tell nothing.
  const states = playIds ? await statesAtEnd(tx, pupilId, answers, timeZone) : new Map<string, PlayStates>();
  const rows = plays.map((play) => sumOf(play, answers.get(play.id) ?? [], happened.get(play.id) ?? []));
  await tx.run(
    `insert into checks (room_id, play_id, pupil_id, set_id, purpose, way, at, right_count, wrong_count, used_ms,
       right_per_minute, wrong_per_minute, digits_per_minute, median_ms, clock_corrected, counts, practice_ms, states)
     select $1, play_id, $2, set_id, purpose, way, at, right_count, wrong_count, used_ms,
       right_per_minute, wrong_per_minute, digits_per_minute, median_ms, clock_corrected, counts, practice_ms, states
     from jsonb_to_recordset($3) as t(play_id uuid, set_id text, purpose text, way text, at timestamptz, right_count int, wrong_count int,
       used_ms double precision, right_per_minute double precision, wrong_per_minute double precision, digits_per_minute double precision,
       median_ms double precision, clock_corrected boolean, counts boolean, practice_ms double precision, states jsonb)
     on conflict (room_id, play_id) do update set right_count = excluded.right_count, wrong_count = excluded.wrong_count,
       used_ms = excluded.used_ms, right_per_minute = excluded.right_per_minute, wrong_per_minute = excluded.wrong_per_minute,
       digits_per_minute = excluded.digits_per_minute, median_ms = excluded.median_ms, counts = excluded.counts,
       practice_ms = excluded.practice_ms, states = excluded.states`,
    [
      tx.roomId,
      pupilId,
      JSON.stringify(rows.map((row) => ({ ...row, states: states.get(row.play_id) ?? null }))),
    ],
  );
}

/** One play's row among the checks. `happened`: when something was answered, counted or played in it, ms since 1970. */
function sumOf(play: EndedPlayRow, answers: readonly AnswerRow[], happened: readonly number[]) {
  // Answers given on a calm table are kept, but no minute counts them.
  const counted = play.calm ? answers.filter((row) => row.latency_ms !== null || row.voided) : answers;
  const summary = summariseMinute(counted.map(answerOfRow), play.used_ms, play.length_ms);
  return {
    play_id: play.id,
    set_id: play.set_id,
    purpose: play.purpose,
    way: play.way,
    at: play.ended_at,
    right_count: summary.right,
    wrong_count: summary.wrong,
    used_ms: play.used_ms,
    right_per_minute: summary.rightPerMinute,
    wrong_per_minute: summary.wrongPerMinute,
    digits_per_minute: summary.digitsPerMinute,
    median_ms: summary.timeMs?.median ?? null,
    clock_corrected: play.clock_corrected,
    counts:
      isCheck(play.purpose) &&
      summary.rightPerMinute !== null &&
      decides({ endReason: play.end_reason, calm: play.calm }),
    practice_ms: practiceOf(play, happened),
  };
}

/** Practice time of a play, ms; of a visit set down afterwards, its length. */
function practiceOf(play: EndedPlayRow, happenedMs: readonly number[]): number {
  const wholeMs = play.ended_at.getTime() - play.started_at.getTime();
  if (play.purpose === 'afterwards') return Math.max(0, Math.min(longestAfterwardsMs, wholeMs));
  return playPracticeMs({
    startedMs: play.started_at.getTime(),
    endedMs: play.ended_at.getTime(),
    happenedMs,
    usedMs: play.used_ms,
    calm: play.calm,
  });
}

/** When something happened in each play, ms since 1970; moves of a game stand with the play of its first pupil. */
async function happenedIn(
  tx: RoomTx,
  pupilId: string,
  plays: readonly EndedPlayRow[],
): Promise<Map<string, number[]>> {
  const tables = plays.flatMap((play) => play.table_id ?? []);
  const rows = await tx.rows<{ play_id: string; at: Date; moved: boolean }>(
    `select play_id, at, false as moved from answers where room_id = $1 and play_id = any($3) and pupil_id = $2
     union all select play_id, at, false from tallies where room_id = $1 and play_id = any($3) and pupil_id = $2
     union all select play_id, at, false from skill_answers where room_id = $1 and play_id = any($3) and pupil_id = $2
     union all select play_id, at, true from moves where room_id = $1 and play_id = any($4) and move->>'kind' not in ('stop', 'leave', 'calm')`,
    [tx.roomId, pupilId, plays.map((play) => play.id), tables],
  );
  const own = groupBy(
    rows.filter((row) => !row.moved),
    (row) => row.play_id,
  );
  const moved = groupBy(
    rows.filter((row) => row.moved),
    (row) => row.play_id,
  );
  return new Map(
    plays.map((play) => [
      play.id,
      [...(own.get(play.id) ?? []), ...(play.table_id === null ? [] : (moved.get(play.table_id) ?? []))].map(
        (row) => row.at.getTime(),
      ),
    ]),
  );
}
