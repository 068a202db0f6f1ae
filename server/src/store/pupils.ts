import type { Policy } from '@veldrift/core';
import type { Pupil, PupilInput, WeeklyVisit } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';

export interface PupilRow {
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
  read_aloud: boolean;
  aids: string;
  notes: string;
  aim_by: string | null;
  visits: WeeklyVisit[];
  ways: Record<string, string>;
  created_at: Date;
}

/** What is read of a pupil's own row. */
export const pupilColumns = `p.*, to_char(p.aim_by, 'YYYY-MM-DD') as aim_by`;

export function inputOfRow(row: PupilRow): PupilInput {
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
    readAloud: row.read_aloud,
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
  'read_aloud',
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
    pupil.readAloud ?? false,
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
