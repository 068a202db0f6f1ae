import {
  isSettled,
  keySigns,
  type Ceiling,
  type LastWord,
  type Policy,
  type TriedFact,
} from '@veldrift/core';
import type { Pupil, PupilInput, WeeklyVisit } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { lastWords } from './decisions.ts';
import { standingsOf, type Standing } from './proposal.ts';

interface PupilRow {
  id: string;
  name: string;
  grade_system: 'grade' | 'year';
  grade: number | null;
  operation: Pupil['operation'];
  pathway_id: string;
  set_id: string;
  school: Pupil['school'];
  policy: Partial<Policy>;
  recall_limit: Pupil['recallLimit'];
  capture: Pupil['capture'];
  clock: Pupil['clock'];
  hand: Pupil['hand'];
  home_language: string;
  aids: string;
  notes: string;
  aim_by: string | null;
  visits: WeeklyVisit[];
  ways: Record<string, string>;
  created_at: Date;
}

/** Pupils of the room, by name; or the one of an id. */
export async function listPupils(tx: RoomTx, timeZone: string, id?: string): Promise<Pupil[]> {
  const rows = await tx.rows<PupilRow>(
    `select *, to_char(aim_by, 'YYYY-MM-DD') as aim_by from pupils where room_id = $1 ${id ? 'and id = $2' : ''} order by lower(name), id`,
    id ? [tx.roomId, id] : [tx.roomId],
  );
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.id);
  const states = await tx.rows<{
    pupil_id: string;
    fact: string;
    state: TriedFact['state'];
    evidence: number;
    due_day: number | null;
  }>(
    `select s.pupil_id, s.fact, s.state, s.evidence, s.due_day from unnest($2::uuid[], $3::text[]) as want(pupil_id, sign)
     join fact_states s on s.room_id = $1 and s.pupil_id = want.pupil_id and position(want.sign in s.fact) > 0`,
    [tx.roomId, ids, rows.map((row) => keySigns[row.operation])],
  );
  const [room] = await tx.rows<{ policy: Partial<Policy> }>(
    'select policy from policies where room_id = $1',
    [tx.roomId],
  );
  const checks = await tx.rows<{
    pupil_id: string;
    at: Date;
    right_per_minute: number;
    set_id: string;
    way: string;
    last: boolean;
  }>(
    `select pupil_id, at, right_per_minute, set_id, way from (
       select *, row_number() over (partition by pupil_id order by at desc) as nth from checks
       where room_id = $1 and pupil_id = any($2) and purpose = 'check' and right_per_minute is not null) c where nth <= 12 order by at`,
    [tx.roomId, ids],
  );
  const minutes = await tx.rows<{ pupil_id: string; minutes: number }>(
    `select pupil_id, sum(practice_ms) / 60000 as minutes from checks
     where room_id = $1 and pupil_id = any($2) and at >= date_trunc('week', now() at time zone $3) at time zone $3
     group by pupil_id`,
    [tx.roomId, ids, timeZone],
  );
  const calibrations = await tx.rows<{ pupil_id: string; kind: string; at: Date; samples: unknown }>(
    `select distinct on (pupil_id, kind) pupil_id, kind, at, samples from calibrations
     where room_id = $1 and pupil_id = any($2) order by pupil_id, kind, at desc`,
    [tx.roomId, ids],
  );
  const passed = await tx.rows<{ pupil_id: string; set_id: string; at: Date; looks: Date[] | null }>(
    `select d.pupil_id, d.set_id, max(d.at) as at,
       (select array_agg(p.started_at order by p.started_at) from real_plays p where p.room_id = $1 and p.pupil_id = d.pupil_id
          and p.set_id = d.set_id and p.purpose = 'retention') as looks
     from decisions d where d.room_id = $1 and d.pupil_id = any($2) and d.about = 'set' and d.verdict = 'advance' and d.to_set_id <> d.set_id
     group by d.pupil_id, d.set_id order by max(d.at)`,
    [tx.roomId, ids],
  );
  const probes = await tx.rows<{ pupil_id: string; at: Date }>(
    `select pupil_id, max(started_at) as at from real_plays where room_id = $1 and pupil_id = any($2) and purpose = 'probe' group by pupil_id`,
    [tx.roomId, ids],
  );
  const words = await lastWords(tx, ids);
  const easy = await easyTimes(
    tx,
    rows.filter((row) => row.recall_limit === 'own').map((row) => row.id),
  );
  const of = {
    states: byPupil(states),
    checks: byPupil(checks),
    minutes: byPupil(minutes),
    calibrations: byPupil(calibrations),
    passed: byPupil(passed),
    probes: byPupil(probes),
    easy: byPupil(easy),
  };
  const pupils = rows.map((row): Pupil => {
    const rates = of.checks(row.id);
    const calibration = (kind: string) => of.calibrations(row.id).find((one) => one.kind === kind);
    const keypad = calibration('keypad');
    const naming = calibration('naming');
    return {
      ...inputOfRow(row),
      createdAt: row.created_at.toISOString(),
      tried: Object.fromEntries(
        of
          .states(row.id)
          .map((one) => [one.fact, { state: one.state, evidence: one.evidence, dueDay: one.due_day }]),
      ),
      roomPolicy: room?.policy ?? {},
      recentRates: rates.map((one) => ({
        at: one.at.toISOString(),
        ratePerMinute: one.right_per_minute,
        setId: one.set_id,
        way: one.way,
      })),
      lastCheckAt: rates.at(-1)?.at.toISOString() ?? null,
      lastProbeAt: of.probes(row.id)[0]?.at.toISOString() ?? null,
      passed: of.passed(row.id).map((one) => ({
        setId: one.set_id,
        at: one.at.toISOString(),
        looksAt: (one.looks ?? []).map((at) => at.toISOString()),
      })),
      minutesThisWeek: of.minutes(row.id)[0]?.minutes ?? 0,
      easyTimesMs: of.easy(row.id).map((one) => one.ms),
      keypadCalibration: keypad ? { at: keypad.at.toISOString(), samples: keypad.samples as never } : null,
      naming: naming ? { at: naming.at.toISOString(), promptToPromptMs: naming.samples as never } : null,
      ways: row.ways,
      ownCeiling: null,
      offer: null,
      verdict: null,
    };
  });
  const standings = await standingsOf(tx, pupils, timeZone);
  return pupils.map((pupil) => withStanding(pupil, standings.get(pupil.id), words.get(pupil.id) ?? null));
}

/** Rows of many pupils, looked up by pupil. */
function byPupil<T extends { pupil_id: string }>(rows: readonly T[]): (pupilId: string) => readonly T[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.pupil_id);
    if (group) group.push(row);
    else groups.set(row.pupil_id, [row]);
  }
  return (pupilId) => groups.get(pupilId) ?? [];
}

/** A pupil with what the school says. What the tutor has settled is nothing to be told of in a list. */
function withStanding(pupil: Pupil, standing: Standing | undefined, word: LastWord | null): Pupil {
  if (!standing) return pupil;
  const settled = isSettled(word, standing.verdict, standing.setId, new Date().toISOString());
  return {
    ...pupil,
    ownCeiling: ownOnly(standing.ceiling),
    offer: settled ? null : standing.offer,
    verdict: settled ? null : standing.verdict,
  };
}

/** The ceiling that was in force when the school was last asked, where it rests on the pupil's own answers. */
const ownOnly = (ceiling: Ceiling | null) => (ceiling?.from === 'ownAnswers' ? ceiling : null);

export async function findPupil(tx: RoomTx, timeZone: string, id: string): Promise<Pupil | undefined> {
  return (await listPupils(tx, timeZone, id))[0];
}

/** The same, held until the transaction ends: one decision or batch a pupil at a time. */
export async function holdPupil(tx: RoomTx, timeZone: string, id: string): Promise<Pupil | undefined> {
  await tx.rows('select 1 from pupils where room_id = $1 and id = $2 for update', [tx.roomId, id]);
  return findPupil(tx, timeZone, id);
}

/** Corrected times on n + 0 and 0 + n, newest first, at most forty a pupil. */
async function easyTimes(tx: RoomTx, ids: readonly string[]): Promise<{ pupil_id: string; ms: number }[]> {
  if (ids.length === 0) return [];
  const easyFacts = Array.from({ length: 13 }, (_, n) => [`${n}+0`, `0+${n}`]).flat();
  return tx.rows<{ pupil_id: string; ms: number }>(
    `select p.id as pupil_id, a.ms from unnest($2::uuid[]) as p(id), lateral (
       select greatest(0, latency_ms - overhead_ms) as ms from answers
       where room_id = $1 and pupil_id = p.id and fact = any($3) and latency_ms is not null and not voided and judgement = 'right'
       order by at desc limit 40) a`,
    [tx.roomId, ids, easyFacts],
  );
}

function inputOfRow(row: PupilRow): PupilInput {
  return {
    id: row.id,
    name: row.name,
    gradeSystem: row.grade_system,
    grade: row.grade,
    operation: row.operation,
    pathwayId: row.pathway_id,
    setId: row.set_id,
    school: row.school,
    policy: row.policy,
    recallLimit: row.recall_limit,
    capture: row.capture,
    clock: row.clock,
    hand: row.hand,
    homeLanguage: row.home_language,
    aids: row.aids,
    notes: row.notes,
    aimBy: row.aim_by,
    visits: row.visits,
  };
}

const columns = [
  'name',
  'grade_system',
  'grade',
  'operation',
  'pathway_id',
  'set_id',
  'school',
  'policy',
  'recall_limit',
  'capture',
  'clock',
  'hand',
  'home_language',
  'aids',
  'notes',
  'aim_by',
  'visits',
];

function valuesOf(pupil: PupilInput): unknown[] {
  return [
    pupil.name.trim(),
    pupil.gradeSystem,
    pupil.grade,
    pupil.operation,
    pupil.pathwayId,
    pupil.setId,
    pupil.school,
    JSON.stringify(pupil.policy),
    pupil.recallLimit,
    pupil.capture,
    pupil.clock,
    pupil.hand,
    pupil.homeLanguage,
    pupil.aids,
    pupil.notes,
    pupil.aimBy,
    JSON.stringify(pupil.visits),
  ];
}

/** Adds a pupil; adding the same id again changes nothing. */
export async function addPupil(tx: RoomTx, pupil: PupilInput): Promise<void> {
  await tx.run(
    `insert into pupils (room_id, id, ${columns.join(', ')}) values ($1, $2, ${columns.map((_, at) => `$${at + 3}`).join(', ')}) on conflict do nothing`,
    [tx.roomId, pupil.id, ...valuesOf(pupil)],
  );
}

/** Whether there was such a pupil to change. */
export async function changePupil(tx: RoomTx, pupil: PupilInput): Promise<boolean> {
  const changed = await tx.run(
    `update pupils set ${columns.map((name, at) => `${name} = $${at + 3}`).join(', ')} where room_id = $1 and id = $2`,
    [tx.roomId, pupil.id, ...valuesOf(pupil)],
  );
  return changed === 1;
}

/** Notes which way to a fact is a pupil's own; null: none any more. */
export async function keepOwnWay(tx: RoomTx, id: string, fact: string, way: string | null): Promise<void> {
  await tx.run(
    `update pupils set ways = case when $4::text is null then ways - $3::text else ways || jsonb_build_object($3::text, $4::text) end
     where room_id = $1 and id = $2`,
    [tx.roomId, id, fact, way],
  );
}

/** Moves a pupil to a set. */
export async function movePupil(tx: RoomTx, id: string, setId: string): Promise<void> {
  await tx.run(
    'update pupils set set_id = $3, pathway_id = $4, operation = $5 where room_id = $1 and id = $2',
    [tx.roomId, id, setId, setId.split('/')[0], setId.split('/')[1]],
  );
}

/**
 * Deletes a pupil and, with them, every visit, answer, check and decision; and what of them stands elsewhere: their seat in
 * the games of others, their name under rules they proposed and on children's screens.
 */
export async function deletePupil(tx: RoomTx, id: string): Promise<void> {
  await tx.run(
    `update plays set deal = jsonb_set(deal, '{game,pupilIds}',
       (select jsonb_agg(case when seat #>> '{}' = $2::text then 'null'::jsonb else seat end order by nth)
        from jsonb_array_elements(deal->'game'->'pupilIds') with ordinality as t(seat, nth)))
     where room_id = $1 and pupil_id <> ($2::text)::uuid and deal->'game'->'pupilIds' ? $2::text`,
    [tx.roomId, id],
  );
  await tx.run(
    `update house_rules set proposed_by = '' where room_id = $1
       and lower(proposed_by) = (select lower(name) from pupils where room_id = $1 and id = $2)`,
    [tx.roomId, id],
  );
  await tx.run('update links set shown = null where room_id = $1', [tx.roomId]);
  await tx.run('delete from pupils where room_id = $1 and id = $2', [tx.roomId, id]);
}
