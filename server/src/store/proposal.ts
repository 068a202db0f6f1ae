import { createHash } from 'node:crypto';
import { decide, measuringOf, type FactSet } from '@veldrift/core';
import { gradeOf, policyOf, type Proposal, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { answersOnFacts } from './answers.ts';
import { bookOf } from './pathways.ts';
import { ownCeilingFor } from './ceiling.ts';
import { checksOnSet } from './checks.ts';
import { settledBy } from './decisions.ts';
import { classed } from './states.ts';

/** What the pupil's school says now of the pupil's set, from all that is kept. */
export async function proposalFor(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const book = await bookOf(tx);
  // A set that is gone (its pathway was taken away) leaves the first of the shipped pathway.
  const set = (book.findSet(pupil.setId) ?? book.pathways[0]?.sets[pupil.operation][0]) as FactSet;
  const rows = pupil.school === 'minuteAim' ? [] : await answersOnFacts(tx, pupil.id, set.practises);
  const now = new Date();
  const { ceiling } = measuringOf(
    {
      ...pupil,
      keypad: pupil.keypadCalibration,
      naming: pupil.naming,
      judging: null,
      ownCeiling: await ownCeilingFor(tx, pupil.id, pupil.capture, now),
    },
    now.toISOString(),
  );
  const policy = policyOf(pupil);
  const decision = decide({
    school: pupil.school,
    policy,
    set,
    answers: rows.map(classed),
    checks: await checksOnSet(tx, pupil.id, set.id, pupil.capture),
    ceiling,
    timeZone,
    grade: gradeOf(pupil),
  });
  const evidenceMark = createHash('sha256')
    .update(JSON.stringify([set.id, pupil.school, policy, decision]))
    .digest('base64url')
    .slice(0, 24);
  const place = book.placeOfSet(set.id);
  const accepted = { advance: place?.next, stepBack: place?.before }[decision.verdict as string] ?? set;
  return {
    decision,
    setId: set.id,
    nextSetId: place?.next?.id ?? null,
    acceptedSetId: accepted.id,
    ceiling,
    evidenceMark,
    settled: null,
  };
}

/** Works out a pupil's standing afresh and keeps it, so that pages and lists need not judge. */
export async function refreshStanding(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const proposal = await proposalFor(tx, pupil, timeZone);
  await tx.run(
    `insert into standings (room_id, pupil_id, verdict, proposal) values ($1, $2, $3, $4)
     on conflict (room_id, pupil_id) do update set verdict = excluded.verdict, proposal = excluded.proposal`,
    [tx.roomId, pupil.id, proposal.decision.verdict, JSON.stringify(proposal)],
  );
  return proposal;
}

/**
 * What the school said when it was last asked: after each event, change of the pupil and decision it is asked afresh, so
 * this is what it says now. Asked now where nothing is kept, as after a migration; only writes keep it.
 */
export async function standingOf(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const [row] = await tx.rows<{ proposal: Proposal }>(
    'select proposal from standings where room_id = $1 and pupil_id = $2',
    [tx.roomId, pupil.id],
  );
  const proposal = row?.proposal ?? (await proposalFor(tx, pupil, timeZone));
  return { ...proposal, settled: await settledBy(tx, pupil.id, proposal) };
}
