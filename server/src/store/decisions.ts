import { isSettled, type Decision, type LastWord, type Reason, type Verdict } from '@veldrift/core';
import { policyOf, type DecideInput, type KeptDecision, type Proposal, type Pupil } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
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
  to_school: string | null;
  undone: boolean;
}

const select = `select d.id, d.at, u.name as by, d.set_id, d.to_set_id, d.school, d.policy, d.verdict, d.reasons, d.missing, d.would_settle,
  d.strays, d.answer_ids, d.check_ids, d.outcome, d.other_reason, d.about, d.game, d.step, d.to_step, d.to_school,
  exists (select 1 from decisions n where n.room_id = d.room_id and n.undoes = d.id) as undone
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
    toSchool: row.to_school,
    undone: row.undone,
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
    `${select} and d.play_id = $2 and d.about not in ('step', 'undo')
       and not exists (select 1 from decisions n where n.room_id = d.room_id and n.undoes = d.id) order by d.at desc limit 1`,
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
  more: { readonly toSchool?: string; readonly undoes?: string } = {},
): Promise<void> {
  await tx.run(
    `with again as (update pupils set revision = revision + 1 where room_id = $1 and id = $3)
     insert into decisions (room_id, id, pupil_id, user_id, play_id, set_id, to_set_id, school, policy, verdict, reasons, missing,
       would_settle, strays, answer_ids, check_ids, outcome, other_reason, at, about, game, step, to_step, to_school, undoes)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23, $24, $25)`,
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
      more.toSchool ?? null,
      more.undoes ?? null,
    ],
  );
}

/** Decisions after which an earlier word on the set is history. */
const movesTheSet = (of: string) => `${of}.about in ('set', 'form', 'placement', 'undo')`;

/** What was last said of a pupil's set, where that was a tutor's word on what the school said. */
export async function lastWord(tx: RoomTx, pupilId: string): Promise<LastWord | null> {
  const [row] = await tx.rows<{
    at: Date;
    about: string;
    verdict: Verdict;
    set_id: string;
    to_set_id: string;
  }>(
    `select at, about, verdict, set_id, to_set_id from decisions d
     where room_id = $1 and pupil_id = $2 and ${movesTheSet('d')} order by at desc, id desc limit 1`,
    [tx.roomId, pupilId],
  );
  if (row?.about !== 'set') return null;
  return { at: row.at.toISOString(), verdict: row.verdict, setId: row.set_id, toSetId: row.to_set_id };
}

/** The tutor's word that settles a proposal now; null: it is open. */
export async function settledBy(
  tx: RoomTx,
  pupilId: string,
  { decision, setId }: Pick<Proposal, 'decision' | 'setId'>,
): Promise<Proposal['settled']> {
  const [row] = await tx.rows<DecisionRow>(
    `${select} and d.pupil_id = $2 and ${movesTheSet('d')} order by d.at desc, d.id desc limit 1`,
    [tx.roomId, pupilId],
  );
  const word = row?.about === 'set' ? decisionOfRow(row) : null;
  if (!row || !isSettled(word, decision.verdict, setId, new Date().toISOString())) return null;
  return { at: row.at.toISOString(), by: row.by, outcome: row.outcome, reason: row.other_reason };
}

/** A placement may be undone for the rest of its visit: so long after it, unless another visit has begun, ms. */
const undoWithinMs = 3 * 3_600_000;

/** Whether a placement on record may be undone now: the pupil is where it led, nothing was decided since, and the visit goes on. */
export async function mayUndo(tx: RoomTx, pupil: Pupil, decision: KeptDecision): Promise<boolean> {
  if (decision.about !== 'placement' || decision.undone || pupil.setId !== decision.toSetId) return false;
  if (Date.now() - Date.parse(decision.at) > undoWithinMs) return false;
  const [row] = await tx.rows<{ over: boolean }>(
    `select exists (select 1 from decisions n where n.room_id = $1 and n.pupil_id = $2 and n.at > d.at and n.about <> 'step')
         or exists (select 1 from plays p where p.room_id = $1 and p.pupil_id = $2 and p.started_at > d.at
              and p.visit_id <> (select o.visit_id from plays o where o.room_id = $1 and o.id = d.play_id)) as over
     from decisions d where d.room_id = $1 and d.id = $3`,
    [tx.roomId, pupil.id, decision.id],
  );
  return row?.over === false;
}

/** Puts on record that the form moved a pupil to another set or school, with what the school said then. */
export async function keepFormChange(
  tx: RoomTx,
  before: Pupil,
  proposal: Proposal,
  to: Pick<Pupil, 'setId' | 'school'>,
  userId: string,
): Promise<void> {
  await keepDecision(
    tx,
    before,
    proposal.decision,
    { id: uuid(), playId: null, outcome: 'otherwise', toSetId: to.setId, reason: '' },
    userId,
    new Date(),
    'form',
    null,
    { toSchool: to.school },
  );
}
