import {
  addToFold,
  classifyAnswer,
  factFoldOf,
  isLater,
  isRight,
  isUntimed,
  newFactFold,
  stateIn,
  type ClassedAnswer,
  type FactFold,
  type FoldedAnswer,
  type School,
} from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
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

/** An answer as a fold takes it. */
export function folded(row: AnswerRow): FoldedAnswer {
  return { ...classed(row), right: isRight(row.judgement), playId: row.play_id };
}

/** What is kept of all answers to some facts; those not folded yet, as after an upgrade, are folded from them. */
export async function factFolds(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<Map<string, FactFold>> {
  const rows = await tx.rows<{ fact: string; fold: FactFold | null }>(
    'select fact, fold from fact_states where room_id = $1 and pupil_id = $2 and fact = any($3)',
    [tx.roomId, pupilId, facts],
  );
  const folds = new Map(rows.flatMap((row) => (row.fold ? [[row.fact, row.fold] as const] : [])));
  const unfolded = rows.filter((row) => !row.fold).map((row) => row.fact);
  for (const [fact, fold] of await foldAll(tx, pupilId, unfolded, timeZone)) folds.set(fact, fold);
  return folds;
}

/**
 * Takes new answers of a pupil into the folds kept of their facts: each later than what was there, or its fact is folded afresh
 * from all its answers, as `disturbed` ones are. Gives the folds that changed.
 */
export async function addToFacts(
  tx: RoomTx,
  pupilId: string,
  given: {
    readonly answers: readonly AnswerRow[];
    readonly folds: ReadonlyMap<string, FactFold>;
    readonly disturbed: readonly string[];
  },
  timeZone: string,
): Promise<FactFold[]> {
  const afresh = new Set(given.disturbed);
  const folds = new Map<string, FactFold>();
  const inOrder = [...given.answers].sort((a, b) => a.at.getTime() - b.at.getTime());
  for (const row of inOrder) {
    if (afresh.has(row.fact)) continue;
    const fold = folds.get(row.fact) ?? given.folds.get(row.fact) ?? newFactFold(row.fact);
    if (!isLater(fold, row.at.toISOString())) {
      afresh.add(row.fact);
      folds.delete(row.fact);
      continue;
    }
    addToFold(fold, folded(row), timeZone);
    folds.set(row.fact, fold);
  }
  for (const [fact, fold] of await foldAfresh(tx, pupilId, [...afresh], timeZone)) folds.set(fact, fold);
  return [...folds.values()];
}

/** Folds all answers to each fact; a fact without one is left out. */
async function foldAll(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<Map<string, FactFold>> {
  if (facts.length === 0) return new Map();
  const byFact = groupBy(await answersOnFacts(tx, pupilId, facts), (row) => row.fact);
  return new Map([...byFact].map(([fact, rows]) => [fact, factFoldOf(fact, rows.map(folded), timeZone)]));
}

/** The same, of facts whose answers were changed: what is kept of those without an answer any more goes. */
async function foldAfresh(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<Map<string, FactFold>> {
  if (facts.length === 0) return new Map();
  const folds = await foldAll(tx, pupilId, facts, timeZone);
  const empty = facts.filter((fact) => !folds.has(fact));
  if (empty.length > 0)
    await tx.run('delete from fact_states where room_id = $1 and pupil_id = $2 and fact = any($3)', [
      tx.roomId,
      pupilId,
      empty,
    ]);
  // What a review says of states before and after hangs on the answers that changed.
  await tx.run(
    'update checks set states = null where room_id = $1 and pupil_id = $2 and states ?| $3::text[]',
    [tx.roomId, pupilId, facts],
  );
  return folds;
}

/** The folds of one pupil that are to be kept. */
export interface PupilFolds {
  readonly id: string;
  readonly school: School;
  readonly folds: readonly FactFold[];
}

/** Keeps folds and what they say by each pupil's school. */
export function keepFolds(tx: RoomTx, pupils: readonly PupilFolds[]): void {
  const rows = pupils.flatMap(({ id, school, folds }) => {
    const untimed = isUntimed(school);
    return folds.map((fold) => {
      const { state, evidence, dueDay } = stateIn(fold, untimed);
      return {
        pupil_id: id,
        fact: fold.fact,
        state,
        answers: fold.answers,
        last_at: fold.lastAt,
        last_ms: fold.lastMs,
        evidence,
        due_day: dueDay,
        fold,
      };
    });
  });
  if (rows.length === 0) return;
  tx.runLast(
    `insert into fact_states (room_id, pupil_id, fact, state, answers, last_at, last_ms, evidence, due_day, fold)
     select $1, pupil_id, fact, state, answers, last_at, last_ms, evidence, due_day, fold
     from json_to_recordset($2) as t(pupil_id uuid, fact text, state text, answers int, last_at timestamptz, last_ms double precision,
       evidence int, due_day int, fold json)
     on conflict (room_id, pupil_id, fact) do update
     set state = excluded.state, answers = excluded.answers, last_at = excluded.last_at, last_ms = excluded.last_ms,
         evidence = excluded.evidence, due_day = excluded.due_day, fold = excluded.fold`,
    [tx.roomId, JSON.stringify(rows)],
  );
}

/** Works out the states of all facts of a pupil afresh from all their answers. */
export async function refreshAllFacts(
  tx: RoomTx,
  pupil: { readonly id: string; readonly school: School },
  timeZone: string,
): Promise<void> {
  const facts = await tx.rows<{ fact: string }>(
    `select distinct fact from answers where room_id = $1 and pupil_id = $2 and hidden = 'result'`,
    [tx.roomId, pupil.id],
  );
  const folds = await foldAfresh(
    tx,
    pupil.id,
    facts.map((row) => row.fact),
    timeZone,
  );
  keepFolds(tx, [{ ...pupil, folds: [...folds.values()] }]);
}
