import type { EventKind, TableEvent } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';

/** An event with its time set right. */
export interface TimedEvent {
  readonly event: TableEvent;
  /** When it happened, corrected for a wrong device clock. */
  readonly at: string;
  readonly offsetMs: number;
  readonly clockCorrected: boolean;
  /** Who was signed in. */
  readonly userId: string;
}

type Keeper = (tx: RoomTx, rows: string) => Promise<{ id: string }[]>;

const insert =
  (table: string, columns: string, from: string): Keeper =>
  (tx, rows) =>
    tx.rows<{ id: string }>(
      `insert into ${table} (room_id, ${columns}) select $1, ${from.replaceAll('$user', '"userId"')} on conflict do nothing returning ${table === 'play_ends' ? 'event_id as id' : 'id'}`,
      [tx.roomId, rows],
    );

/** What was given with a move is kept unless that was refused, since another stands in its place: one question, one answer. */
const oneMove = `(exists (select 1 from moves m where m.room_id = $1 and m.id = (t.move->>'id')::uuid)
  or not exists (select 1 from moves m where m.room_id = $1 and m.play_id = (t.move->>'tableId')::uuid
    and m.nth = (t.move->>'nth')::int and not m.taken_back))`;

/** How each kind of event becomes rows. Rows are handed over as one JSON list; those already kept are passed over. */
const keepers: Readonly<Record<EventKind, Keeper>> = {
  // First: a move taken back makes room for another in its place, in whichever order they are sent.
  answerRetracted: (tx, rows) =>
    tx.rows<{ id: string }>(
      `with kept as (
         insert into retractions (room_id, id, answer_id, pupil_id, at)
         select $1, id, "answerId", "pupilId", "rightAt" from jsonb_to_recordset($2) as t(id uuid, "answerId" uuid, "pupilId" uuid, "rightAt" timestamptz)
         on conflict do nothing returning id, answer_id, pupil_id
       ), back as (
         update moves m set taken_back = true from kept k where m.room_id = $1 and m.id = k.answer_id and m.pupil_id = k.pupil_id
       ) select id from kept`,
      [tx.roomId, rows],
    ),
  // Before what was answered with it: whether that stands hangs on whether this does.
  moveMade: insert(
    'moves',
    'id, pupil_id, play_id, nth, move, used_ms, at, taken_back',
    `id, "pupilId", "playId", nth, move, "usedMs", "rightAt",
     exists (select 1 from retractions r where r.room_id = $1 and r.answer_id = t.id and r.pupil_id = t."pupilId")
     from jsonb_to_recordset($2) as t(id uuid, "pupilId" uuid, "playId" uuid, nth int, move jsonb, "usedMs" double precision, "rightAt" timestamptz)`,
  ),
  visitStarted: insert(
    'visits',
    'id, pupil_id, user_id, started_at',
    `"visitId", "pupilId", $user, "rightAt" from jsonb_to_recordset($2) as t("userId" uuid, "visitId" uuid, "pupilId" uuid, "rightAt" timestamptz)`,
  ),
  playStarted: insert(
    'plays',
    'id, visit_id, pupil_id, user_id, purpose, set_id, seed, length_ms, way, limit_ms, device, started_at, clock_corrected, title, deal',
    `"playId", "visitId", "pupilId", $user, purpose, "setId", seed, "lengthMs", way, "limitMs", device, "rightAt", "clockCorrected", coalesce(title, ''), deal
     from jsonb_to_recordset($2) as t("userId" uuid, "playId" uuid, "visitId" uuid, "pupilId" uuid, purpose text, "setId" text, seed int, "lengthMs" double precision,
       way text, "limitMs" double precision, device text, "rightAt" timestamptz, "clockCorrected" boolean, title text, deal jsonb)`,
  ),
  answerGiven: insert(
    'answers',
    `id, pupil_id, visit_id, play_id, seat, fact, hidden, at, device_at, offset_ms, clock_corrected, judgement, given, latency_ms, last_key_ms,
     voided, way, overhead_ms, spread_ms, calibrated, calibration_age_days, limit_ms, aided, aid, seen, used_ms, version, move_id`,
    `id, "pupilId", "visitId", "playId", seat, fact, hidden, "rightAt", at, "offsetMs", "clockCorrected", judgement, given, "latencyMs", "lastKeyMs",
     voided, way, "overheadMs", "spreadMs", calibrated, "calibrationAgeDays", "limitMs", aided, aid, seen, "usedMs", v, (move->>'id')::uuid
     from json_to_recordset($2) as t(id uuid, "pupilId" uuid, "visitId" uuid, "playId" uuid, seat int, fact text, hidden text, "rightAt" timestamptz,
       at timestamptz, "offsetMs" double precision, "clockCorrected" boolean, judgement text, given text, "latencyMs" double precision,
       "lastKeyMs" double precision, voided boolean, way text, "overheadMs" double precision, "spreadMs" double precision, calibrated boolean,
       "calibrationAgeDays" int, "limitMs" double precision, aided boolean, aid text, seen text[], "usedMs" double precision, v int, move json)
     where move is null or ${oneMove}`,
  ),
  skillGiven: insert(
    'skill_answers',
    'id, pupil_id, play_id, seat, skill, shown, answer, given, said_right, latency_ms, voided, way, aided, used_ms, at, move_id',
    `id, "pupilId", "playId", seat, skill, shown, answer, given, "right", "latencyMs", voided, way, aided, "usedMs", "rightAt", (move->>'id')::uuid
     from jsonb_to_recordset($2) as t(id uuid, "pupilId" uuid, "playId" uuid, seat int, skill text, shown text, answer text, given text, "right" boolean,
       "latencyMs" double precision, voided boolean, way text, aided boolean, "usedMs" double precision, "rightAt" timestamptz, move jsonb)
     where ${oneMove}`,
  ),
  answerAmended: insert(
    'amendments',
    'id, answer_id, pupil_id, seen, given, at',
    `id, "answerId", "pupilId", array(select jsonb_array_elements_text(seen)), given, "rightAt"
     from jsonb_to_recordset($2) as t(id uuid, "answerId" uuid, "pupilId" uuid, seen jsonb, given text, "rightAt" timestamptz)`,
  ),
  // All but the judgement comes from the answer that was misjudged; one that is not in that minute is not corrected, since
  // it is that minute's sum that is worked out afresh.
  answerCorrected: insert(
    'answers',
    `id, pupil_id, visit_id, play_id, seat, fact, hidden, at, device_at, offset_ms, clock_corrected, judgement, given, latency_ms, last_key_ms,
     voided, way, overhead_ms, spread_ms, calibrated, calibration_age_days, limit_ms, aided, aid, seen, used_ms, version, replaces, corrected_by`,
    `t.id, a.pupil_id, a.visit_id, a.play_id, a.seat, a.fact, a.hidden, a.at, a.device_at, a.offset_ms, a.clock_corrected, t.judgement, t.given,
     a.latency_ms, a.last_key_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.calibration_age_days, a.limit_ms, a.aided, a.aid,
     array(select jsonb_array_elements_text(t.seen)), a.used_ms, t.v, a.id, t.$user
     from jsonb_to_recordset($2) as t("userId" uuid, id uuid, "pupilId" uuid, "playId" uuid, "answerId" uuid, judgement text, given text, seen jsonb, v int)
     join answers a on a.room_id = $1 and a.id = t."answerId" and a.pupil_id = t."pupilId" and a.play_id = t."playId"`,
  ),
  playEnded: insert(
    'play_ends',
    'play_id, pupil_id, event_id, ended_at, used_ms, end_reason, calm, interrupted',
    `"playId", "pupilId", id, "rightAt", "usedMs", reason, calm, interrupted
     from jsonb_to_recordset($2) as t(id uuid, "playId" uuid, "pupilId" uuid, "rightAt" timestamptz, "usedMs" double precision, reason text, calm boolean, interrupted boolean)`,
  ),
  keypadCalibrated: insert(
    'calibrations',
    'id, kind, pupil_id, user_id, samples, at',
    `id, 'keypad', "pupilId", $user, samples, "rightAt" from jsonb_to_recordset($2) as t("userId" uuid, id uuid, "pupilId" uuid, samples jsonb, "rightAt" timestamptz)`,
  ),
  namingMeasured: insert(
    'calibrations',
    'id, kind, pupil_id, user_id, samples, at',
    `id, 'naming', "pupilId", $user, "promptToPromptMs", "rightAt" from jsonb_to_recordset($2) as t("userId" uuid, id uuid, "pupilId" uuid, "promptToPromptMs" jsonb, "rightAt" timestamptz)`,
  ),
  instantCounted: insert(
    'tallies',
    'id, pupil_id, play_id, at, move_id',
    `id, "pupilId", "playId", "rightAt", (move->>'id')::uuid
     from jsonb_to_recordset($2) as t(id uuid, "pupilId" uuid, "playId" uuid, "rightAt" timestamptz, move jsonb) where ${oneMove}`,
  ),
  // All are kept; in force is the later of one place, whichever came first.
  planChanged: (tx, rows) =>
    tx.rows<{ id: string }>(
      `with kept as (
         insert into plan_changes (room_id, id, place, pupil_id, what, day, key, value, at, user_id, seen)
         select $1, id, concat(what, '/', "pupilId", '/', day, '/', key), "pupilId", what, day, key, value, "rightAt", "userId", seen
         from jsonb_to_recordset($2) as t(id uuid, what text, "pupilId" uuid, day date, key text, value jsonb, "rightAt" timestamptz, "userId" uuid, seen uuid)
         on conflict do nothing returning *
       ), latest as (
         select distinct on (place) * from kept order by place, at desc, id desc
       ), put as (
         insert into plan (room_id, place, change_id, pupil_id, what, day, key, value, at, user_id, seen)
         select room_id, place, id, pupil_id, what, day, key, value, at, user_id, seen from latest
         on conflict (room_id, place) do update set change_id = excluded.change_id, value = excluded.value, at = excluded.at,
           user_id = excluded.user_id, seen = excluded.seen
         where (excluded.at, excluded.change_id) > (plan.at, plan.change_id)
       ) select id from kept`,
      [tx.roomId, rows],
    ),
  voiceMeasured: insert(
    'calibrations',
    'id, kind, user_id, samples, at',
    `id, 'voice', $user, "timesMs", "rightAt" from jsonb_to_recordset($2) as t("userId" uuid, id uuid, "timesMs" jsonb, "rightAt" timestamptz)`,
  ),
  judgingMeasured: insert(
    'calibrations',
    'id, kind, user_id, samples, at',
    `id, 'judging', $user, "timesMs", "rightAt" from jsonb_to_recordset($2) as t("userId" uuid, id uuid, "timesMs" jsonb, "rightAt" timestamptz)`,
  ),
};

/** Keeps events of pupils known to be of this room. Gives the ids of those that were new. */
export async function keepEvents(tx: RoomTx, events: readonly TimedEvent[]): Promise<Set<string>> {
  const kept = new Set<string>();
  const keep = async (kind: EventKind) => {
    const ofKind = events.filter((one) => one.event.kind === kind);
    if (ofKind.length === 0) return;
    const rows = ofKind.map((one) => ({
      ...one.event,
      rightAt: one.at,
      offsetMs: one.offsetMs,
      clockCorrected: one.clockCorrected,
      userId: one.userId,
    }));
    const newRows = new Set((await keepers[kind](tx, JSON.stringify(rows))).map((row) => row.id));
    for (const { event } of ofKind) if (newRows.has(rowIdOf(event))) kept.add(event.id);
  };
  // Sent together, and done in this order.
  await Promise.all((Object.keys(keepers) as EventKind[]).map(keep));
  return kept;
}

/** Visits and plays are kept under their own ids. */
function rowIdOf(event: TableEvent): string {
  if (event.kind === 'visitStarted') return event.visitId;
  return event.kind === 'playStarted' ? event.playId : event.id;
}

/** Plays that events belong to and that have ended, by pupil. */
export async function endedPlays(
  tx: RoomTx,
  events: readonly TableEvent[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const plays = new Set(events.flatMap((event) => ('playId' in event ? [event.playId] : [])));
  const rows = await tx.rows<{ pupil_id: string; play_id: string }>(
    'select pupil_id, play_id from play_ends where room_id = $1 and play_id = any($2)',
    [tx.roomId, [...plays]],
  );
  return new Map(
    [...groupBy(rows, (row) => row.pupil_id)].map(([id, own]) => [id, own.map((row) => row.play_id)]),
  );
}

/** The answers whose facts an event changes the states of. */
export function answersIn(event: TableEvent): readonly string[] {
  // States rest on answers with the result hidden.
  if (event.kind === 'answerGiven') return event.hidden === 'result' ? [event.id] : [];
  if (event.kind === 'answerCorrected') return [event.answerId, event.id];
  return event.kind === 'answerAmended' || event.kind === 'answerRetracted' ? [event.answerId] : [];
}

/** Events of which nothing was kept, since what they are about is not there, or another stands in its place; by id, with why. */
export async function notThere(
  tx: RoomTx,
  events: readonly TableEvent[],
): Promise<ReadonlyMap<string, { readonly field: string; readonly message: string }>> {
  const lost = new Map<string, { readonly field: string; readonly message: string }>();
  for (const [kind, { table, ...why }] of Object.entries(mayBeLost)) {
    const ids = events.flatMap((event) => (event.kind === kind ? [event.id] : []));
    if (ids.length === 0) continue;
    const there = await tx.rows<{ id: string }>(
      `select id from ${table} where room_id = $1 and id = any($2)`,
      [tx.roomId, ids],
    );
    const found = new Set(there.map((row) => row.id));
    for (const id of ids) if (!found.has(id)) lost.set(id, why);
  }
  return lost;
}

const doubled = {
  field: 'move',
  message: 'This question of the game is on record already, with another answer.',
};
const mayBeLost: Readonly<
  Partial<Record<EventKind, { readonly table: string; readonly field: string; readonly message: string }>>
> = {
  answerCorrected: {
    table: 'answers',
    field: 'answerId',
    message: 'There is no such answer of this pupil to correct.',
  },
  moveMade: {
    table: 'moves',
    field: 'nth',
    message: 'This move of the game is on record already, made otherwise.',
  },
  answerGiven: { table: 'answers', ...doubled },
  instantCounted: { table: 'tallies', ...doubled },
  skillGiven: { table: 'skill_answers', ...doubled },
};
