import type { Decision, Reason, Verdict } from '@veldrift/core';
import { policyOf, type DecideInput, type KeptDecision, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';

interface DecisionRow {
  id: string;
  at: Date;
  by: string;
  set_id: string;
  to_set_id: string;
  school: string;
  policy: Record<string, number>;
  verdict: Verdict;
  reasons: Reason[];
  missing: Reason[];
  would_settle: string;
  strays: string[];
  answer_ids: string[];
  check_ids: string[];
  outcome: 'accepted' | 'otherwise';
  other_reason: string;
  about: KeptDecision['about'];
  game: string | null;
  step: number | null;
  to_step: number | null;
}

const select = `select d.id, d.at, u.name as by, d.set_id, d.to_set_id, d.school, d.policy, d.verdict, d.reasons, d.missing, d.would_settle,
  d.strays, d.answer_ids, d.check_ids, d.outcome, d.other_reason, d.about, d.game, d.step, d.to_step
  from decisions d join users u on u.room_id = d.room_id and u.id = d.user_id where d.room_id = $1`;

function decisionOfRow(row: DecisionRow): KeptDecision {
  return {
    id: row.id,
    at: row.at.toISOString(),
    by: row.by,
    setId: row.set_id,
    toSetId: row.to_set_id,
    school: row.school,
    policy: row.policy,
    verdict: row.verdict,
    reasons: row.reasons,
    missing: row.missing,
    wouldSettle: row.would_settle,
    strays: row.strays,
    answerIds: row.answer_ids,
    checkIds: row.check_ids,
    outcome: row.outcome,
    otherReason: row.other_reason,
    about: row.about,
    game: row.game === null ? null : { id: row.game, step: row.step ?? 0, toStep: row.to_step ?? 0 },
  };
}

/** A pupil's decisions, newest first. */
export async function decisionsOfPupil(tx: RoomTx, pupilId: string): Promise<KeptDecision[]> {
  return (
    await tx.rows<DecisionRow>(`${select} and d.pupil_id = $2 order by d.at desc limit 100`, [
      tx.roomId,
      pupilId,
    ])
  ).map(decisionOfRow);
}

/** The decision taken on the review of a minute, if one was. */
export async function decisionOnPlay(tx: RoomTx, playId: string): Promise<KeptDecision | null> {
  const [row] = await tx.rows<DecisionRow>(
    `${select} and d.play_id = $2 and d.about <> 'step' order by d.at desc limit 1`,
    [tx.roomId, playId],
  );
  return row ? decisionOfRow(row) : null;
}

/** The decision on a game's step taken on the review of a play, if one was. */
export async function stepDecisionOn(tx: RoomTx, playId: string): Promise<KeptDecision | null> {
  const [row] = await tx.rows<DecisionRow>(
    `${select} and d.play_id = $2 and d.about = 'step' order by d.at desc limit 1`,
    [tx.roomId, playId],
  );
  return row ? decisionOfRow(row) : null;
}

export async function findDecision(tx: RoomTx, id: string): Promise<KeptDecision | null> {
  const [row] = await tx.rows<DecisionRow>(`${select} and d.id = $2`, [tx.roomId, id]);
  return row ? decisionOfRow(row) : null;
}

/** Puts a decision on record with the policy in force and the answers it rests on. */
export async function keepDecision(
  tx: RoomTx,
  pupil: Pupil,
  decision: Decision,
  input: Pick<DecideInput, 'id' | 'playId' | 'outcome' | 'toSetId' | 'reason'>,
  userId: string,
  at: Date = new Date(),
  about: KeptDecision['about'] = 'set',
  game: KeptDecision['game'] = null,
): Promise<void> {
  await tx.run(
    `insert into decisions (room_id, id, pupil_id, user_id, play_id, set_id, to_set_id, school, policy, verdict, reasons, missing,
       would_settle, strays, answer_ids, check_ids, outcome, other_reason, at, about, game, step, to_step)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23)`,
    [
      tx.roomId,
      input.id,
      pupil.id,
      userId,
      input.playId,
      pupil.setId,
      input.toSetId,
      pupil.school,
      JSON.stringify(policyOf(pupil)),
      decision.verdict,
      JSON.stringify(decision.reasons),
      JSON.stringify(decision.missing),
      decision.wouldSettle,
      input.toSetId === pupil.setId ? [] : decision.strays,
      decision.answerIds,
      decision.checkIds,
      input.outcome,
      input.reason.trim(),
      at,
      about,
      game?.id ?? null,
      game?.step ?? null,
      game?.toStep ?? null,
    ],
  );
}
