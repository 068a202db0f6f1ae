import {
  parseFactKey,
  type Aid,
  type Answer,
  type AnswerWay,
  type HiddenPlace,
  type Judgement,
  type Mark,
  type Operation,
} from '@veldrift/core';
import type { KeptAnswer } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';

export interface AnswerRow {
  id: string;
  pupil_id: string;
  visit_id: string;
  play_id: string;
  fact: string;
  at: Date;
  clock_corrected: boolean;
  judgement: Judgement;
  given: string | null;
  latency_ms: number | null;
  voided: boolean;
  way: AnswerWay;
  hidden: HiddenPlace;
  overhead_ms: number;
  spread_ms: number;
  calibrated: boolean;
  limit_ms: number;
  aided: boolean;
  aid: Aid | null;
  seen: Mark[];
  replaces: string | null;
  stands: boolean;
}

/** The columns of `standing_answers` that make an answer. */
export const answerColumns =
  'id, pupil_id, visit_id, play_id, fact, at, clock_corrected, judgement, given, latency_ms, voided, way, overhead_ms, spread_ms, calibrated, limit_ms, aided, seen, replaces, stands, hidden, aid';

/** The same, of a table under a name. */
export const answerColumnsOf = (table: string): string =>
  answerColumns
    .split(', ')
    .map((one) => `${table}.${one}`)
    .join(', ');

export function answerOfRow(row: AnswerRow): Answer {
  return {
    id: row.id,
    fact: row.fact,
    at: row.at.toISOString(),
    judgement: row.judgement,
    given: row.given,
    latencyMs: row.latency_ms,
    voided: row.voided,
    overheadMs: row.overhead_ms,
    spreadMs: row.spread_ms,
    calibrated: row.calibrated,
    limitMs: row.limit_ms,
    seen: row.seen,
    aided: row.aided,
    ...(row.aid === null ? {} : { aid: row.aid }),
    way: row.way,
    ...(row.hidden === 'result' ? {} : { hidden: row.hidden }),
  };
}

export function keptAnswerOfRow(row: AnswerRow): KeptAnswer {
  return {
    ...answerOfRow(row),
    pupilId: row.pupil_id,
    playId: row.play_id,
    visitId: row.visit_id,
    clockCorrected: row.clock_corrected,
    replaces: row.replaces,
    stands: row.stands,
  };
}

/** Answers of a pupil on some facts, with the result hidden, oldest first: what states rest on. */
export async function answersOnFacts(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
): Promise<AnswerRow[]> {
  return tx.rows<AnswerRow>(
    `select ${answerColumns} from standing_answers where room_id = $1 and pupil_id = $2 and fact = any($3) and hidden = 'result' order by at, id`,
    [tx.roomId, pupilId, facts],
  );
}

/** The latest answers of a pupil on each of some facts, with the result hidden, oldest first: what sentences look back over. */
export async function latestOnFacts(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  most: number,
): Promise<AnswerRow[]> {
  return tx.rows<AnswerRow>(
    `select l.* from unnest($3::text[]) as f(fact), lateral (
       select ${answerColumns} from standing_answers s where s.room_id = $1 and s.pupil_id = $2 and s.fact = f.fact and s.hidden = 'result'
       order by s.at desc, s.id desc limit $4) l
     order by l.at, l.id`,
    [tx.roomId, pupilId, [...new Set(facts)], most],
  );
}

/** The latest answers of a pupil with a time, on any fact with the result hidden, oldest first: they show how the child's times lie. */
export async function latestTimed(
  tx: RoomTx,
  pupilId: string,
  plays: number,
  most: number,
): Promise<AnswerRow[]> {
  const rows = await tx.rows<AnswerRow>(
    `select ${answerColumnsOf('s')}
     from (select room_id, id from plays where room_id = $1 and pupil_id = $2 order by started_at desc limit $3) p
     join standing_answers s on s.room_id = p.room_id and s.play_id = p.id and s.pupil_id = $2
     where s.hidden = 'result' and s.latency_ms is not null and not s.voided order by s.at desc, s.id desc limit $4`,
    [tx.roomId, pupilId, plays, most],
  );
  return rows.reverse();
}

/** Answers of some plays, each play's in the order given. */
export async function answersOfPlays(tx: RoomTx, playIds: readonly string[]): Promise<AnswerRow[]> {
  return tx.rows<AnswerRow>(
    `select ${answerColumns} from standing_answers where room_id = $1 and play_id = any($2) order by at, id`,
    [tx.roomId, playIds],
  );
}

/** Answers of one minute, in the order given. */
export async function answersOfPlay(tx: RoomTx, playId: string): Promise<AnswerRow[]> {
  return answersOfPlays(tx, [playId]);
}

/** What a decision rests on, by id. */
export interface DecisionGrounds {
  readonly answerIds: readonly string[];
  readonly checkIds: readonly string[];
}

/**
 * The answers a decision of one pupil rests on: those its states look back over, or all of its checks; oldest first, at most
 * `most`. `from`: as they stand now, or as they were kept, those corrected since among them.
 */
export async function answersBehind(
  tx: RoomTx,
  pupilId: string,
  { answerIds, checkIds }: DecisionGrounds,
  ground: 'facts' | 'checks',
  most: number,
  from: 'standing_answers' | 'recorded_answers' = 'standing_answers',
): Promise<AnswerRow[]> {
  const [column, ids] = ground === 'facts' ? ['id', answerIds] : ['play_id', checkIds];
  return tx.rows<AnswerRow>(
    `select * from (select ${answerColumns} from ${from}
       where room_id = $1 and pupil_id = $2 and ${column} = any($3) order by at desc, id desc limit $4) latest order by at, id`,
    [tx.roomId, pupilId, ids, most],
  );
}

/** The latest wrong answers on an operation up to an instant, newest last. */
export async function slipsUpTo(
  tx: RoomTx,
  pupilId: string,
  operation: Operation,
  before: Date,
  most: number,
): Promise<AnswerRow[]> {
  const rows = await tx.rows<AnswerRow>(
    `select ${answerColumns} from standing_answers
     where room_id = $1 and pupil_id = $2 and judgement in ('wrong', 'gaveUp') and hidden = 'result' and at < $3 order by at desc, id desc limit $4`,
    [tx.roomId, pupilId, before, most],
  );
  return rows.filter((row) => parseFactKey(row.fact).operation === operation).reverse();
}
