import {
  calibrationLastsDays,
  easyAnswersNeeded,
  easyRawMs,
  factKey,
  factsWithoutThought,
  isEasyAnswer,
  leastCorrectedMs,
  measuredOverheads,
  operations,
  overheadWatched,
  quickestTenth,
  type CaptureWay,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';
import { answerColumnsOf, answerOfRow, latestOnFacts, type AnswerRow } from './answers.ts';
import { classed } from './states.ts';

const easyFacts = operations.flatMap((one) => factsWithoutThought(one).map(factKey));
/** Answers on facts that need no thought that a limit of one's own goes by. */
const latestEasy = 40;
/** Plays looked back over for the latest answers: more than they lie in. */
const latestPlays = 16;

/** Corrected times on facts that need no thought, newest first, at most forty. */
export async function easyTimes(tx: RoomTx, pupilId: string): Promise<number[]> {
  return (await latestOnFacts(tx, pupilId, easyFacts, latestEasy))
    .filter((row) => row.judgement === 'right')
    .map(classed)
    .flatMap((one) => one.correctedMs ?? [])
    .filter((ms) => ms >= leastCorrectedMs)
    .reverse()
    .slice(0, latestEasy);
}

/** Raw times of the first answers by keypad that needed no thought, of the latest placement within a month that has enough; null: none has. */
export async function easyKeypadTimes(tx: RoomTx, pupilId: string, now: Date): Promise<number[] | null> {
  const since = new Date(now.getTime() - calibrationLastsDays * 86_400_000);
  const rows = await tx.rows<AnswerRow>(
    `select ${answerColumnsOf('s')}
     from (select room_id, id from plays where room_id = $1 and pupil_id = $2 and started_at > $3 and purpose = 'placement'
           order by started_at desc limit $4) p
     join standing_answers s on s.room_id = p.room_id and s.play_id = p.id and s.pupil_id = $2
     where s.fact = any($5) and s.way = 'keypad' order by s.at, s.id`,
    [tx.roomId, pupilId, since, latestPlays, easyFacts],
  );
  const placements = groupBy(
    rows.filter((row) => isEasyAnswer(answerOfRow(row))),
    (row) => row.play_id,
  );
  const latest = [...placements.values()].filter((one) => one.length >= easyAnswersNeeded).at(-1);
  return latest ? easyRawMs(latest.map(answerOfRow)).slice(0, easyAnswersNeeded) : null;
}

/** A right answer, with what its tutor was measured to take. */
interface WatchedRow extends AnswerRow {
  measured_at: Date | null;
  samples: number[] | null;
}

/** How the time a tutor, or the way of a sound, takes is kept. */
const measuredAs: Readonly<Record<CaptureWay, string | null>> = {
  keypad: null,
  tutor: 'judging',
  voice: 'voice',
};

/**
 * The fastest tenth of a pupil's latest right answers in a way of capture, ms beyond the overhead as it was measured; null where it
 * was not, or too few answers were given since.
 */
export async function quickestTenthFor(
  tx: RoomTx,
  pupilId: string,
  capture: CaptureWay,
  keypad: Pupil['keypadCalibration'],
): Promise<number | null> {
  if (capture === 'keypad' && keypad === null) return null;
  const rows = await tx.rows<WatchedRow>(
    `select ${answerColumnsOf('s')}, c.at as measured_at, c.samples
     from (select room_id, id, user_id from plays where room_id = $1 and pupil_id = $2 and way = $3
           order by started_at desc limit $4) p
     left join lateral (select at, samples from calibrations m where m.room_id = p.room_id and m.user_id = p.user_id and m.kind = $6
           order by m.at desc limit 1) c on true
     join standing_answers s on s.room_id = p.room_id and s.play_id = p.id and s.pupil_id = $2
     where s.way = $3 and s.judgement = 'right' and s.latency_ms is not null and not s.voided and not s.aided and s.hidden = 'result'
     order by s.at desc, s.id desc limit $5`,
    [tx.roomId, pupilId, capture, latestPlays, overheadWatched.answers, measuredAs[capture]],
  );
  const beyondMs = rows.flatMap((row) => {
    const tutors =
      row.measured_at && row.samples ? { at: row.measured_at.toISOString(), timesMs: row.samples } : null;
    const since = capture === 'keypad' ? keypad?.at : tutors?.at;
    if (since === undefined || row.at.getTime() <= Date.parse(since)) return [];
    const overheadFor = measuredOverheads({ capture, keypad, judging: tutors, voice: tutors });
    const overhead = overheadFor(row.given?.length ?? 1);
    return overhead.calibrated ? [(row.latency_ms as number) - overhead.overheadMs] : [];
  });
  return quickestTenth(beyondMs);
}
