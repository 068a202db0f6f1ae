import { classifyAnswer, factStateOf, isRight, type ClassedAnswer } from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { answerOfRow, answersOnFacts, type AnswerRow } from './answers.ts';

/** An answer with its class, as states and schools take it. */
export function classed(
  row: AnswerRow,
): ClassedAnswer & { readonly id: string; readonly correctedMs: number | null } {
  const found = classifyAnswer(answerOfRow(row));
  return {
    id: row.id,
    fact: row.fact,
    at: row.at.toISOString(),
    class: found.class,
    seen: row.seen,
    aided: row.aided,
    correctedMs: found.correctedMs,
  };
}

/** Works out the states of some facts of a pupil afresh from all their answers, and keeps them. */
export async function refreshFacts(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<void> {
  if (facts.length === 0) return;
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
        state: factStateOf(answers, timeZone),
        answers: rows.length,
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
    `insert into fact_states (room_id, pupil_id, fact, state, answers, last_at, last_ms)
     select $1, $2, fact, state, answers, last_at, last_ms
     from jsonb_to_recordset($3) as t(fact text, state text, answers int, last_at timestamptz, last_ms double precision)
     on conflict (room_id, pupil_id, fact) do update
     set state = excluded.state, answers = excluded.answers, last_at = excluded.last_at, last_ms = excluded.last_ms`,
    [tx.roomId, pupilId, JSON.stringify(states)],
  );
}
