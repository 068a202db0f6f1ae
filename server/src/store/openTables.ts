import type { CaptureWay, KeptMove, Move } from '@veldrift/core';
import type { Deal, OpenTable, TableOnRecord } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
import { answerColumnsOf, answerOfRow, type AnswerRow } from './answers.ts';
import { skillColumns, skillOfRow, type SkillRow } from './skills.ts';

const mostTables = 10;

interface TableRow {
  id: string;
  pupil_id: string;
  visit_id: string;
  set_id: string;
  way: CaptureWay;
  limit_ms: number;
  title: string;
  deal: Deal;
  started_at: Date;
  last_at: Date;
}

/** Tables of one user that were begun after `since` and not ended; each by the play of its first pupil. */
async function tableRows(
  tx: RoomTx,
  userId: string,
  since: Date,
  playId: string | null,
): Promise<TableRow[]> {
  return tx.rows<TableRow>(
    `select p.id, p.pupil_id, p.visit_id, p.set_id, p.way, p.limit_ms, p.title, p.deal, p.started_at,
       coalesce((select max(m.at) from moves m where m.room_id = p.room_id and m.play_id = p.id), p.started_at) as last_at
     from plays p
     where p.room_id = $1 and p.user_id = $2 and p.started_at > $3 and p.purpose = 'game'
       and p.deal->'game'->>'tableId' = p.id::text and ($4::uuid is null or p.id = $4)
       and not exists (select 1 from play_ends e where e.room_id = p.room_id and e.play_id = p.id)
     order by last_at desc limit $5`,
    [tx.roomId, userId, since, playId, mostTables],
  );
}

const openTableOf = (row: TableRow): OpenTable => ({
  playId: row.id,
  pupilId: row.pupil_id,
  title: row.title,
  startedAt: row.started_at.toISOString(),
  lastAt: row.last_at.toISOString(),
});

/** Games that a user left standing since an instant, the latest first. */
export async function openTablesOf(tx: RoomTx, userId: string, since: Date): Promise<OpenTable[]> {
  return (await tableRows(tx, userId, since, null)).map(openTableOf);
}

/** A user’s table that stands, with all that was played at it; undefined: there is none, or it was ended. */
export async function tableOnRecord(
  tx: RoomTx,
  userId: string,
  since: Date,
  playId: string,
): Promise<TableOnRecord | undefined> {
  const [row] = await tableRows(tx, userId, since, playId);
  const deal = row?.deal.game;
  if (!row || !deal) return undefined;
  const plays = await tx.rows<{ id: string; pupil_id: string; visit_id: string }>(
    `select p.id, p.pupil_id, p.visit_id from plays p where p.room_id = $1 and p.purpose = 'game'
       and p.deal->'game'->>'tableId' = $2 and p.pupil_id = any($3)`,
    [tx.roomId, playId, deal.pupilIds.filter((id) => id !== null)],
  );
  const { moves, usedMs } = await playedAt(
    tx,
    playId,
    plays.map(({ id }) => id),
  );
  return {
    ...openTableOf(row),
    visitId: row.visit_id,
    setId: row.set_id,
    way: row.way,
    limitMs: row.limit_ms,
    deal: row.deal,
    usedMs,
    seats: plays
      .map((one) => ({
        seat: deal.pupilIds.indexOf(one.pupil_id),
        pupilId: one.pupil_id,
        playId: one.id,
        visitId: one.visit_id,
      }))
      .sort((a, b) => a.seat - b.seat),
    moves,
  };
}

/** The moves of a table in order, up to the first that did not come, each with what it gave; and the time they took, ms. */
async function playedAt(
  tx: RoomTx,
  tableId: string,
  playIds: readonly string[],
): Promise<{ readonly moves: readonly KeptMove[]; readonly usedMs: number }> {
  const all = await tx.rows<{ id: string; nth: number; move: Move; used_ms: number }>(
    `select id, nth, move, used_ms from moves where room_id = $1 and play_id = $2 and not taken_back order by nth`,
    [tx.roomId, tableId],
  );
  const moves = all.filter((one, at) => one.nth === at);
  const answers = groupBy(
    await tx.rows<AnswerRow & { seat: number; last_key_ms: number | null; move_id: string | null }>(
      `select ${answerColumnsOf('s')}, a.seat, a.last_key_ms, a.move_id
       from standing_answers s join answers a on a.room_id = s.room_id and a.id = s.id
       where s.room_id = $1 and s.play_id = any($2) order by s.at, s.id`,
      [tx.roomId, playIds],
    ),
    (one) => one.move_id ?? '',
  );
  const skills = groupBy(
    await tx.rows<SkillRow & { seat: number; way: CaptureWay; move_id: string | null }>(
      `select ${skillColumns}, seat, way, move_id
       from standing_skill_answers where room_id = $1 and play_id = any($2) order by at, id`,
      [tx.roomId, playIds],
    ),
    (one) => one.move_id ?? '',
  );
  const tallies = groupBy(
    await tx.rows<{ id: string; move_id: string | null; seat: number }>(
      `select t.id, t.move_id, (array_position(array(select jsonb_array_elements_text(p.deal->'game'->'pupilIds')), t.pupil_id::text) - 1) as seat
       from tallies t join plays p on p.room_id = t.room_id and p.id = t.play_id
       where t.room_id = $1 and t.play_id = any($2) and not exists (
         select 1 from retractions r where r.room_id = t.room_id and r.answer_id = t.id and r.pupil_id = t.pupil_id)`,
      [tx.roomId, playIds],
    ),
    (one) => one.move_id ?? '',
  );
  return {
    usedMs: Math.max(0, ...moves.map((one) => one.used_ms)),
    moves: moves.map(({ id, move }) => ({
      id,
      move,
      answers: (answers.get(id) ?? []).map((one) => ({
        seat: one.seat,
        answer: answerOfRow(one),
        lastKeyMs: one.last_key_ms,
      })),
      skills: (skills.get(id) ?? []).map((one) => ({ ...skillOfRow(one), seat: one.seat, way: one.way })),
      tallies: (tallies.get(id) ?? []).map((one) => ({ seat: one.seat, id: one.id })),
    })),
  };
}
