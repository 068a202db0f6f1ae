import { createHash } from 'node:crypto';
import {
  decide,
  lookedBack,
  measuringOf,
  type Ceiling,
  type EvidenceFolds,
  type FactSet,
  type Offer,
  type School,
  type Verdict,
} from '@veldrift/core';
import { gradeOf, policyOf, type Proposal, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { latestOnFacts } from './answers.ts';
import { bookOf } from './pathways.ts';
import { ownCeilingFor } from './ceiling.ts';
import { checksOnSet } from './checks.ts';
import { settledBy } from './decisions.ts';
import { classed, factFolds } from './states.ts';

/** What the pupil's school says now of the pupil's set, from all that is kept. */
export async function proposalFor(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const book = await bookOf(tx);
  // A set that is gone (its pathway was taken away) leaves the first of the shipped pathway.
  const set = (book.findSet(pupil.setId) ?? book.pathways[0]?.sets[pupil.operation][0]) as FactSet;
  const byFacts = factSchools.has(pupil.school);
  const rows = byFacts ? await latestOnFacts(tx, pupil.id, set.practises, lookedBack) : [];
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
    ...(byFacts ? { folds: await evidenceFolds(tx, pupil.id, set.practises, timeZone) } : {}),
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

/** Schools that judge by the states of facts. */
const factSchools: ReadonlySet<School> = new Set(['eachFactInstant', 'accurateExplained']);

/** What is kept of all answers to a set's facts; those not folded yet, as after an upgrade, are read. */
async function evidenceFolds(
  tx: RoomTx,
  pupilId: string,
  facts: readonly string[],
  timeZone: string,
): Promise<EvidenceFolds> {
  const folds = await factFolds(tx, pupilId, [...new Set(facts)], timeZone);
  return {
    timed: new Map([...folds].map(([fact, fold]) => [fact, fold.timed])),
    untimed: new Map([...folds].map(([fact, fold]) => [fact, fold.untimed])),
  };
}

interface StandingRow {
  proposal: Proposal;
  revision: number;
  worked_revision: number;
}

/**
 * What a pupil's school says now: as it was kept when it was last asked, or, where something has happened to the pupil since,
 * asked afresh and kept.
 */
export async function schoolSays(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const [row] = await tx.rows<StandingRow>(
    'select proposal, revision, worked_revision from standings where room_id = $1 and pupil_id = $2',
    [tx.roomId, pupil.id],
  );
  if (row && row.worked_revision >= row.revision) return row.proposal;
  const proposal = await proposalFor(tx, pupil, timeZone);
  const values = [tx.roomId, pupil.id, proposal.decision.verdict, JSON.stringify(proposal)];
  if (!row)
    await tx.run(
      `insert into standings (room_id, pupil_id, verdict, proposal) values ($1, $2, $3, $4) on conflict do nothing`,
      values,
    );
  // One that somebody else is keeping just now is theirs to keep.
  else
    await tx.run(
      `update standings set verdict = $3, proposal = $4, worked_revision = $5 where (room_id, pupil_id) in (
         select room_id, pupil_id from standings where room_id = $1 and pupil_id = $2 and worked_revision < $5 for update skip locked)`,
      [...values, row.revision],
    );
  return proposal;
}

/** The part of what a school says that a list tells. */
export interface Standing {
  readonly verdict: Verdict;
  readonly setId: string;
  readonly ceiling: Ceiling | null;
  readonly offer: Offer | null;
}

/** What the schools of some pupils say now; asked afresh, and kept, only of those to whom something has happened since. */
export async function standingsOf(
  tx: RoomTx,
  pupils: readonly Pupil[],
  timeZone: string,
): Promise<Map<string, Standing>> {
  const rows = await tx.rows<{
    pupil_id: string;
    verdict: Verdict;
    set_id: string;
    ceiling: Ceiling | null;
    offer: Offer | null;
  }>(
    `select pupil_id, verdict, proposal->>'setId' as set_id, proposal->'ceiling' as ceiling, proposal->'decision'->'offer' as offer
     from standings where room_id = $1 and pupil_id = any($2) and worked_revision >= revision`,
    [tx.roomId, pupils.map((pupil) => pupil.id)],
  );
  const found = new Map<string, Standing>(
    rows.map(({ pupil_id: id, set_id: setId, ...row }) => [id, { ...row, setId }]),
  );
  for (const pupil of pupils) {
    if (found.has(pupil.id)) continue;
    const { decision, setId, ceiling } = await schoolSays(tx, pupil, timeZone);
    found.set(pupil.id, { verdict: decision.verdict, setId, ceiling, offer: decision.offer ?? null });
  }
  return found;
}

/** Has the school asked again when it is next wanted: of one pupil, or of all in the room. */
export async function askAgain(tx: RoomTx, pupilId?: string): Promise<void> {
  await tx.run(
    `update standings set revision = revision + 1 where room_id = $1 ${pupilId === undefined ? '' : 'and pupil_id = $2'}`,
    pupilId === undefined ? [tx.roomId] : [tx.roomId, pupilId],
  );
}

/** What the school says now, with the tutor's word that settles it. */
export async function standingOf(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const proposal = await schoolSays(tx, pupil, timeZone);
  return { ...proposal, settled: await settledBy(tx, pupil.id, proposal) };
}
