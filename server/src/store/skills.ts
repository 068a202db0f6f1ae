import { skillStateOf, skillWindow, type SkillKey } from '@veldrift/core';
import type { KeptSkillAnswer, SkillOfPupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { groupBy } from '../groupBy.ts';

export interface SkillRow {
  id: string;
  play_id: string;
  skill: SkillKey;
  shown: string;
  answer: string;
  given: string | null;
  said_right: boolean;
  at: Date;
  latency_ms: number | null;
  voided: boolean;
  aided: boolean;
}

export const skillColumns =
  'id, play_id, skill, shown, answer, given, said_right, at, latency_ms, voided, aided';

export const skillOfRow = (row: SkillRow): KeptSkillAnswer => ({
  id: row.id,
  playId: row.play_id,
  skill: row.skill,
  shown: row.shown,
  answer: row.answer,
  given: row.given,
  right: row.said_right,
  at: row.at.toISOString(),
  latencyMs: row.latency_ms,
  voided: row.voided,
  aided: row.aided,
});

/** Answers to skills in a play, oldest first. */
export async function skillAnswersOfPlay(
  tx: RoomTx,
  playId: string,
  pupilId: string,
): Promise<KeptSkillAnswer[]> {
  const rows = await tx.rows<SkillRow>(
    `select ${skillColumns} from standing_skill_answers where room_id = $1 and play_id = $2 and pupil_id = $3 order by at, id`,
    [tx.roomId, playId, pupilId],
  );
  return rows.map(skillOfRow);
}

/** The latest answers looked at for a skill: those with help stand in no window. */
const latestLooked = 3 * skillWindow.latest;

/** The skills a pupil was asked, those asked last first, each by its latest answers; hops from skill to skill, however many answers there are. */
export async function skillsOfPupil(tx: RoomTx, pupilId: string): Promise<SkillOfPupil[]> {
  const rows = await tx.rows<SkillRow>(
    `with recursive met(skill) as (
       (select skill from skill_answers where room_id = $1 and pupil_id = $2 order by skill limit 1)
       union all
       select (select s.skill from skill_answers s where s.room_id = $1 and s.pupil_id = $2 and s.skill > met.skill
         order by s.skill limit 1) from met where met.skill is not null)
     select latest.* from met cross join lateral (
       select ${skillColumns} from standing_skill_answers s where s.room_id = $1 and s.pupil_id = $2 and s.skill = met.skill
       order by at desc, id desc limit $3) latest order by latest.at, latest.id`,
    [tx.roomId, pupilId, latestLooked],
  );
  return [...groupBy(rows.map(skillOfRow), (one) => one.skill)]
    .map(([skill, answers]) => ({ skill, state: skillStateOf(answers), answers }))
    .sort((a, b) => (b.answers.at(-1)?.at ?? '').localeCompare(a.answers.at(-1)?.at ?? ''));
}

/** Which skills of a play's answers counted as known before the first of them. */
export async function skillsKnownBefore(
  tx: RoomTx,
  pupilId: string,
  answers: readonly KeptSkillAnswer[],
): Promise<ReadonlySet<SkillKey>> {
  const [first] = answers;
  if (!first) return new Set();
  const rows = await tx.rows<SkillRow>(
    `select before.* from unnest($3::text[]) as met(skill) cross join lateral (
       select ${skillColumns} from standing_skill_answers s where s.room_id = $1 and s.pupil_id = $2 and s.skill = met.skill and s.at < $4
       order by at desc, id desc limit $5) before order by before.at, before.id`,
    [tx.roomId, pupilId, [...new Set(answers.map((one) => one.skill))], first.at, latestLooked],
  );
  return new Set(
    [...groupBy(rows.map(skillOfRow), (one) => one.skill)].flatMap(([skill, own]) =>
      skillStateOf(own) === 'secure' ? [skill] : [],
    ),
  );
}

/** Answers to skills by id, oldest first: those a step's sentence rests on. */
export async function skillAnswersById(
  tx: RoomTx,
  pupilId: string,
  ids: readonly string[],
): Promise<KeptSkillAnswer[]> {
  const rows = await tx.rows<SkillRow>(
    `select ${skillColumns} from standing_skill_answers where room_id = $1 and pupil_id = $2 and id = any($3) order by at, id`,
    [tx.roomId, pupilId, ids],
  );
  return rows.map(skillOfRow);
}
