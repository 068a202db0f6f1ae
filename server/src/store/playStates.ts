import { factFoldOf, statesIn, type StatesOfFact } from '@veldrift/core';
import type { RoomTx } from '../db.ts';
import { answersOnFacts, type AnswerRow } from './answers.ts';
import { factFolds, folded } from './states.ts';

/** The states of a play's facts before its first answer and after its last, by fact. */
export type PlayStates = Readonly<
  Record<string, { readonly before: StatesOfFact; readonly after: StatesOfFact }>
>;

/**
 * The states around plays that end just now, from the folds as they are; none of a play that others of the pupil came between or
 * after, which are worked out when looked at. `answers`: of each play.
 */
export async function statesAtEnd(
  tx: RoomTx,
  pupilId: string,
  answers: ReadonlyMap<string, readonly AnswerRow[]>,
  timeZone: string,
): Promise<Map<string, PlayStates>> {
  const found = new Map<string, PlayStates>();
  for (const [playId, rows] of answers) {
    const facts = [...new Set(rows.map((row) => row.fact))];
    const first = Math.min(...rows.map((row) => row.at.getTime()));
    const others = await tx.rows(
      `select 1 from answers where room_id = $1 and pupil_id = $2 and fact = any($3) and at >= $4 and play_id <> $5 limit 1`,
      [tx.roomId, pupilId, facts, new Date(first), playId],
    );
    if (others.length > 0) continue;
    const folds = await factFolds(tx, pupilId, facts, timeZone);
    const states = facts.flatMap((fact) => {
      const fold = folds.get(fact);
      return fold?.latestPlay?.id === playId
        ? [[fact, { before: fold.latestPlay.before, after: statesIn(fold) }] as const]
        : [];
    });
    if (states.length === facts.length) found.set(playId, Object.fromEntries(states));
  }
  return found;
}

/** The states around one play, as they were kept at its end; else from all answers to its facts up to its last. */
export async function statesAround(
  tx: RoomTx,
  pupilId: string,
  playId: string,
  answers: readonly AnswerRow[],
  timeZone: string,
): Promise<PlayStates> {
  const facts = [...new Set(answers.map((row) => row.fact))];
  const [kept] = await tx.rows<{ states: PlayStates | null }>(
    'select states from checks where room_id = $1 and play_id = $2 and pupil_id = $3',
    [tx.roomId, playId, pupilId],
  );
  const { states } = kept ?? {};
  if (states && facts.every((fact) => fact in states)) return states;
  const [first, last] = [answers[0]?.at, answers.at(-1)?.at];
  if (!first || !last) return {};
  const here = new Set(answers.map((row) => row.id));
  const all = (await answersOnFacts(tx, pupilId, facts)).filter((row) => row.at <= last);
  return Object.fromEntries(
    facts.map((fact) => {
      const own = all.filter((row) => row.fact === fact);
      const statesOf = (rows: readonly AnswerRow[]) => statesIn(factFoldOf(fact, rows.map(folded), timeZone));
      const before = own.filter((row) => row.at < first && !here.has(row.id));
      return [fact, { before: statesOf(before), after: statesOf(own) }];
    }),
  );
}
