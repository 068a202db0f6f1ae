import {
  classifyAnswer,
  dayNumber,
  dayOf,
  factStateOf,
  isRight,
  isUntimed,
  reviewDateOf,
  untimedStateOf,
  type ClassedAnswer,
  type School,
} from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { answerOfRow, answersOnFacts, type AnswerRow } from './answers.ts';

/** An answer with its class, as states and schools take it. */
export function classed(
  row: AnswerRow,
): ClassedAnswer & { readonly id: string; readonly correctedMs: number | null; readonly limitMs: number } {
  const found = classifyAnswer(answerOfRow(row));
  return {
    id: row.id,
    fact: row.fact,
    at: row.at.toISOString(),
    class: found.class,
    seen: row.seen,
    aided: row.aided,
    correctedMs: found.correctedMs,
    limitMs: row.limit_ms,
  };
}

/** Works out the states of some facts of a pupil afresh from all their answers, by the pupil's school, and keeps them. */
export async function refreshFacts(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<void> {
  if (facts.length === 0) return;
  const [pupil] = await tx.rows<{ school: School }>(
    'select school from pupils where room_id = $1 and id = $2',
    [tx.roomId, pupilId],
  );
  const untimed = pupil !== undefined && isUntimed(pupil.school);
  const stateOf = untimed ? untimedStateOf : factStateOf;
  const today = dayNumber(dayOf(new Date().toISOString(), timeZone));
  const byFact = new Map<string, AnswerRow[]>(facts.map((fact) => [fact, []]));
  for (const row of await answersOnFacts(tx, pupilId, facts)) byFact.get(row.fact)?.push(row);
  const states = [...byFact].flatMap(([fact, rows]) => {
    const last = rows.at(-1);
    if (!last) return [];
    const answers = rows.map(classed);
    const timed = answers
      .filter((one, at) => one.correctedMs !== null && isRight((rows[at] as AnswerRow).judgement))
      .at(-1);
    return [
      {
        fact,
        state: stateOf(answers, timeZone),
        answers: rows.length,
        evidence: answers.filter((one) => one.class !== 'noEvidence' && (untimed || one.class !== 'right'))
          .length,
        due_day: reviewDateOf(answers, timeZone, today)?.dueDay ?? null,
        last_at: last.at,
        last_ms: timed?.correctedMs ?? null,
      },
    ];
  });
  const empty = [...byFact].filter(([, rows]) => rows.length === 0).map(([fact]) => fact);
  if (empty.length > 0) {
    await tx.run('delete from fact_states where room_id = $1 and pupil_id = $2 and fact = any($3)', [
      tx.roomId,
      pupilId,
      empty,
    ]);
  }
  await tx.run(
    `insert into fact_states (room_id, pupil_id, fact, state, answers, last_at, last_ms, evidence, due_day)
     select $1, $2, fact, state, answers, last_at, last_ms, evidence, due_day
     from jsonb_to_recordset($3) as t(fact text, state text, answers int, last_at timestamptz, last_ms double precision, evidence int, due_day int)
     on conflict (room_id, pupil_id, fact) do update
     set state = excluded.state, answers = excluded.answers, last_at = excluded.last_at, last_ms = excluded.last_ms,
         evidence = excluded.evidence, due_day = excluded.due_day`,
    [tx.roomId, pupilId, JSON.stringify(states)],
  );
}

/** Works out the states of all facts of a pupil afresh. */
export async function refreshAllFacts(tx: RoomTx, pupilId: string, timeZone: string): Promise<void> {
  const facts = await tx.rows<{ fact: string }>(
    'select distinct fact from answers where room_id = $1 and pupil_id = $2',
    [tx.roomId, pupilId],
  );
  await refreshFacts(
    tx,
    pupilId,
    facts.map((row) => row.fact),
    timeZone,
  );
}
