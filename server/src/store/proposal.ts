import { createHash } from 'node:crypto';
import {
  childTimes,
  dayNumber,
  dayOf,
  decide,
  isUntimed,
  lookedBack,
  measuringOf,
  type EvidenceFolds,
  recallChance,
  type FactSet,
  type JudgedAnswer,
  type School,
} from '@veldrift/core';
import { gradeOf, policyOf, type FactChance, type Proposal, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { latestOnFacts, latestTimed } from './answers.ts';
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
  const timed = !isUntimed(pupil.school);
  const [rows, others] = await Promise.all([
    byFacts || timed ? latestOnFacts(tx, pupil.id, set.practises, lookedBack) : [],
    timed ? othersFor(tx, pupil.id, set.practises) : [],
  ]);
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
    others,
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

/** Plays looked back over, and answers taken, for how a child's own times lie. */
const timesFrom = { plays: 16, answers: 240 } as const;

/** The latest answers of a pupil on other facts than some. */
async function othersFor(tx: RoomTx, pupilId: string, facts: readonly string[]): Promise<JudgedAnswer[]> {
  const own = new Set(facts);
  const rows = await latestTimed(tx, pupilId, timesFrom.plays, timesFrom.answers);
  return rows.filter((row) => !own.has(row.fact)).map(classed);
}

/** The chance that a pupil recalls a fact now, by the answers to it and to the pupil's set, and what it rests on. */
export async function factChance(
  tx: RoomTx,
  pupil: Pupil,
  fact: string,
  timeZone: string,
): Promise<FactChance> {
  const book = await bookOf(tx);
  const facts = [...new Set([fact, ...(book.findSet(pupil.setId)?.practises ?? [])])];
  const [rows, others] = await Promise.all([
    latestOnFacts(tx, pupil.id, facts, lookedBack),
    othersFor(tx, pupil.id, facts),
  ]);
  const answers = rows.map(classed);
  const times = childTimes([...answers, ...others]);
  const own = answers.filter((one) => one.fact === fact);
  const today = dayNumber(dayOf(new Date().toISOString(), timeZone));
  return {
    chance: recallChance(own, times, timeZone, today),
    answers: own.length,
    recalledMs: Math.exp(times.recalled.mean),
    workedOutMs: Math.exp(times.workedOut.mean),
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

/** What a school said when it was last asked of a pupil. */
export interface Said {
  /** Null: it was never asked. */
  readonly proposal: Proposal | null;
  /** How often something had happened to the pupil by now. */
  readonly revision: number;
  /** Something has happened since it was asked. */
  readonly isStale: boolean;
  /** There are answers that are not taken into the states of their facts yet. */
  readonly hasUnfolded: boolean;
}

/** Undefined: there is no such pupil. */
export async function saidOf(tx: RoomTx, pupilId: string): Promise<Said | undefined> {
  const [row] = await tx.rows<{
    proposal: Proposal | null;
    revision: number;
    stale: boolean;
    unfolded: boolean;
  }>(
    `select s.proposal, p.revision, s.worked_revision is distinct from p.revision or s.listed is null as stale,
       exists (select 1 from unfolded u where u.room_id = p.room_id and u.pupil_id = p.id) as unfolded
     from pupils p left join standings s on s.room_id = p.room_id and s.pupil_id = p.id
     where p.room_id = $1 and p.id = $2`,
    [tx.roomId, pupilId],
  );
  return (
    row && {
      proposal: row.proposal,
      revision: row.revision,
      isStale: row.stale,
      hasUnfolded: row.unfolded,
    }
  );
}

/** Keeps what a school says, and `listed`, what lists tell of the pupil. `revision`: as of when it was asked. */
export async function keepSaid(
  tx: RoomTx,
  pupilId: string,
  proposal: Proposal,
  listed: object,
  revision: number,
): Promise<void> {
  const { verdict } = proposal.decision;
  const values = [tx.roomId, pupilId, verdict, JSON.stringify(proposal), JSON.stringify(listed), revision];
  // One that somebody else is keeping just now is theirs to keep.
  const [row] = await tx.rows<{ there: boolean }>(
    `with own as (select room_id, pupil_id, worked_revision from standings where room_id = $1 and pupil_id = $2 for update skip locked),
     kept as (update standings s set verdict = $3, proposal = $4, listed = $5, worked_revision = $6
       from own where s.room_id = own.room_id and s.pupil_id = own.pupil_id and own.worked_revision <= $6)
     select exists (select 1 from standings where room_id = $1 and pupil_id = $2) as there`,
    values,
  );
  if (row?.there) return;
  await tx.run(
    // A pupil deleted in the meantime has none; held, so that it is not deleted between.
    `insert into standings (room_id, pupil_id, verdict, proposal, listed, worked_revision)
     select $1, p.id, $3, $4, $5, $6 from (select id from pupils where room_id = $1 and id = $2 for key share) p on conflict do nothing`,
    values,
  );
}

/** Has the school asked again when it is next wanted: of one pupil, or of all in the room. */
export async function askAgain(tx: RoomTx, pupilId?: string): Promise<void> {
  // In the order of their ids, as all who hold several do: none waits for one who waits for them.
  await tx.run(
    `with own as (select room_id, id from pupils where room_id = $1 ${pupilId === undefined ? '' : 'and id = $2'} order by id for update)
     update pupils p set revision = p.revision + 1 from own where p.room_id = own.room_id and p.id = own.id`,
    pupilId === undefined ? [tx.roomId] : [tx.roomId, pupilId],
  );
}

/** What the school of a pupil just looked up says, with the tutor's word that settles it. */
export async function standingOf(tx: RoomTx, pupil: Pupil, timeZone: string): Promise<Proposal> {
  const said = await saidOf(tx, pupil.id);
  const kept = said?.isStale === false ? said.proposal : null;
  const proposal = kept ?? (await proposalFor(tx, pupil, timeZone));
  return { ...proposal, settled: await settledBy(tx, pupil.id, proposal) };
}
