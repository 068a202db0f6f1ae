import {
  dayNumber,
  dayOf,
  isSettled,
  keySigns,
  measuredOverheads,
  type LastWord,
  type Policy,
  type TriedFact,
} from '@veldrift/core';
import { recordInShort, type ListedRecord, type Proposal, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { lastWord } from './decisions.ts';
import { easyKeypadTimes, easyTimes, quickestTenthFor } from './overheads.ts';
import { keepSaid, proposalFor, saidOf } from './proposal.ts';
import { inputOfRow, pupilColumns, type PupilRow } from './pupils.ts';
import { foldNew } from './unfolded.ts';

/** What is kept of a pupil for lists: the record, with what the school says before the tutor's word on it. */
export interface KeptForLists {
  readonly record: ListedRecord;
  readonly word: LastWord | null;
}

/** One pupil with all that the screens hold. Answers not taken into states yet are; what the school says is asked afresh, and kept, where something has happened since it was asked. */
export async function findPupil(tx: RoomTx, timeZone: string, id: string): Promise<Pupil | undefined> {
  // First up to what is asked now, then all that it rests on: what happens in between has the school asked once more.
  const [said, found, word] = await Promise.all([
    saidOf(tx, id),
    recordOf(tx, timeZone, id),
    lastWord(tx, id),
  ]);
  if (!found || !said) return undefined;
  let pupil = found;
  if (said.hasUnfolded) {
    await foldNew(tx, id, timeZone);
    pupil = (await recordOf(tx, timeZone, id)) ?? found;
  }
  let { proposal } = said;
  if (!proposal || said.isStale) {
    proposal = await proposalFor(tx, pupil, timeZone);
    const kept: KeptForLists = {
      record: recordInShort(withSaid(pupil, proposal), mondayOf(new Date(), timeZone)),
      word,
    };
    await keepSaid(tx, id, proposal, kept, said.revision);
  }
  return settle(withSaid(pupil, proposal), proposal.setId, word);
}

/** The same, held until the transaction ends: one decision or batch a pupil at a time. */
export async function holdPupil(tx: RoomTx, timeZone: string, id: string): Promise<Pupil | undefined> {
  await tx.rows('select 1 from pupils where room_id = $1 and id = $2 for update', [tx.roomId, id]);
  return findPupil(tx, timeZone, id);
}

const withSaid = (pupil: Pupil, { decision, ceiling }: Proposal): Pupil => ({
  ...pupil,
  // The ceiling in force when the school was asked, where it rests on the pupil's own answers.
  ownCeiling: ceiling?.from === 'ownAnswers' ? ceiling : null,
  offer: decision.offer ?? null,
  verdict: decision.verdict,
});

/** What the tutor has settled is nothing to be told of. */
export function settle<T extends Pick<Pupil, 'offer' | 'verdict'>>(
  said: T,
  setId: string,
  word: LastWord | null,
): T {
  const settled = isSettled(word, said.verdict as never, setId, new Date().toISOString());
  return settled ? { ...said, offer: null, verdict: null } : said;
}

/** The day number of the Monday of an instant's week. */
export function mondayOf(now: Date, timeZone: string): number {
  const day = dayNumber(dayOf(now.toISOString(), timeZone));
  // Day 0 was a Thursday.
  return day - ((day + 3) % 7);
}

/** The latest checks in a list's line. */
const latestRates = 12;

/** A pupil without what the school says; asked for at once, in one flight. */
async function recordOf(tx: RoomTx, timeZone: string, id: string): Promise<Pupil | undefined> {
  const own = [tx.roomId, id];
  const [rows, states, policies, rates, minutes, calibrations, passed, probes] = await Promise.all([
    tx.rows<PupilRow>(`select ${pupilColumns} from pupils p where p.room_id = $1 and p.id = $2`, own),
    tx.rows<{ fact: string; state: TriedFact['state']; evidence: number; due_day: number | null }>(
      'select fact, state, evidence, due_day from fact_states where room_id = $1 and pupil_id = $2',
      own,
    ),
    tx.rows<{ policy: Partial<Policy> }>('select policy from policies where room_id = $1', [tx.roomId]),
    tx.rows<{ at: Date; right_per_minute: number; way: string }>(
      `select at, right_per_minute, way from checks where room_id = $1 and pupil_id = $2
         and purpose = 'check' and right_per_minute is not null order by at desc limit $3`,
      [...own, latestRates],
    ),
    tx.rows<{ minutes: number | null }>(
      `select sum(practice_ms) / 60000 as minutes from checks
       where room_id = $1 and pupil_id = $2 and at >= date_trunc('week', now() at time zone $3) at time zone $3`,
      [...own, timeZone],
    ),
    tx.rows<{ kind: string; at: Date; samples: unknown }>(
      `select distinct on (kind) kind, at, samples from calibrations where room_id = $1 and pupil_id = $2 order by kind, at desc`,
      own,
    ),
    tx.rows<{ set_id: string; at: Date; looks: Date[] | null }>(
      `select d.set_id, max(d.at) as at,
         (select array_agg(p.started_at order by p.started_at) from real_plays p where p.room_id = $1 and p.pupil_id = $2
            and p.set_id = d.set_id and p.purpose = 'retention') as looks
       from decisions d where d.room_id = $1 and d.pupil_id = $2 and d.about = 'set' and d.verdict = 'advance' and d.to_set_id <> d.set_id
       group by d.set_id order by max(d.at)`,
      own,
    ),
    tx.rows<{ at: Date | null }>(
      `select max(started_at) as at from real_plays where room_id = $1 and pupil_id = $2 and purpose = 'probe'`,
      own,
    ),
  ]);
  const [row] = rows;
  if (!row) return undefined;
  const ofOperation = states.filter((one) => one.fact.includes(keySigns[row.operation]));
  const calibration = (kind: string) => calibrations.find((one) => one.kind === kind);
  const keypad = calibration('keypad');
  const naming = calibration('naming');
  const keypadCalibration: Pupil['keypadCalibration'] = keypad
    ? { at: keypad.at.toISOString(), samples: keypad.samples as never }
    : null;
  const measured = measuredOverheads({ capture: row.capture, keypad: keypadCalibration, judging: null });
  const isKeypadUnknown = row.capture === 'keypad' && ![1, 2, 3].every((one) => measured(one).calibrated);
  const [easyTimesMs, easyKeypadMs, quickestTenthMs] = await Promise.all([
    row.recall_limit === 'own' ? easyTimes(tx, id) : [],
    isKeypadUnknown ? easyKeypadTimes(tx, id, new Date()) : null,
    quickestTenthFor(tx, id, row.capture, keypadCalibration),
  ]);
  return {
    ...inputOfRow(row),
    createdAt: row.created_at.toISOString(),
    tried: Object.fromEntries(
      ofOperation.map((one) => [one.fact, { state: one.state, evidence: one.evidence, dueDay: one.due_day }]),
    ),
    roomPolicy: policies[0]?.policy ?? {},
    recentRates: rates.map((one) => ({ ratePerMinute: one.right_per_minute, way: one.way })).reverse(),
    lastCheckAt: rates[0]?.at.toISOString() ?? null,
    lastProbeAt: probes[0]?.at?.toISOString() ?? null,
    passed: passed.map((one) => ({
      setId: one.set_id,
      at: one.at.toISOString(),
      looksAt: (one.looks ?? []).map((at) => at.toISOString()),
    })),
    minutesThisWeek: minutes[0]?.minutes ?? 0,
    easyTimesMs,
    easyKeypadMs,
    quickestTenthMs,
    keypadCalibration,
    naming: naming ? { at: naming.at.toISOString(), promptToPromptMs: naming.samples as never } : null,
    ways: row.ways,
    ownCeiling: null,
    offer: null,
    verdict: null,
  };
}
