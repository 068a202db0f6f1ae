import type { School } from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { answerColumns, type AnswerRow } from './answers.ts';
import { addToFacts, factFolds, keepFolds } from './states.ts';

/** Notes answers given or changed, by pupil, that are to be taken into the states of their facts; waited for with the commit. */
export function keepUnfolded(tx: RoomTx, byPupil: ReadonlyMap<string, readonly string[]>): void {
  const rows = [...byPupil].flatMap(([pupil_id, answers]) =>
    answers.length > 0 ? [{ pupil_id, answers }] : [],
  );
  if (rows.length === 0) return;
  tx.runLast(
    `insert into unfolded (room_id, pupil_id, answers)
     select $1, pupil_id, answers from json_to_recordset($2) as t(pupil_id uuid, answers uuid[])`,
    [tx.roomId, JSON.stringify(rows)],
  );
}

/** An answer that is to be taken in; `id` null: it no longer stands, or another stands in its place. */
type UnfoldedRow = { of_fact: string; school: School } & (AnswerRow | { id: null });

/**
 * Takes a pupil's answers given or changed since into the states of their facts. Two who do so at once wait for one another, and
 * none for a writer: the pupil is held against being deleted only.
 */
export async function foldNew(tx: RoomTx, pupilId: string, timeZone: string): Promise<void> {
  const rows = await tx.rows<UnfoldedRow>(
    `with pupil as materialized (select school from pupils where room_id = $1 and id = $2 for key share),
     taken as (delete from unfolded u using pupil where u.room_id = $1 and u.pupil_id = $2 returning u.answers),
     given as (select distinct t.id from taken, unnest(taken.answers) as t(id))
     select a.fact as of_fact, (select school from pupil) as school, s.*
     from given g
     join answers a on a.room_id = $1 and a.id = g.id and a.pupil_id = $2 and a.hidden = 'result'
     left join lateral (
       select ${answerColumns} from standing_answers s where s.room_id = $1 and s.id = a.id offset 0) s on true`,
    [tx.roomId, pupilId],
  );
  const [first] = rows;
  if (!first) return;
  const facts = [...new Set(rows.map((row) => row.of_fact))];
  const given = {
    answers: rows.filter((row): row is UnfoldedRow & AnswerRow => row.id !== null),
    disturbed: rows.flatMap((row) => (row.id === null ? [row.of_fact] : [])),
    folds: await factFolds(tx, pupilId, facts, timeZone),
  };
  const folds = await addToFacts(tx, pupilId, given, timeZone);
  keepFolds(tx, [{ id: pupilId, school: first.school, folds }]);
}
