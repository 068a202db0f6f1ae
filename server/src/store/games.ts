import {
  classifyAnswer,
  dayNumber,
  dayOf,
  decideStep,
  isRecalled,
  isUntimed,
  type Decision,
  type Move,
  type StepPlay,
} from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import type { GameReview, HouseRules, HouseRulesInput, Play, Pupil, PupilGame } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { answersOfPlay, keptAnswerOfRow } from './answers.ts';
import { findPlay } from './checks.ts';
import { stepDecisionOn } from './decisions.ts';
import { statesAround } from './playStates.ts';
import { skillAnswersOfPlay, skillsKnownBefore } from './skills.ts';

/** Plays of a game looked back over for its step. */
const mostPlays = 12;

/** The games a pupil has played, each with the step it is at: that of the last play, or as decided since. */
export async function gamesOfPupil(tx: RoomTx, pupilId: string): Promise<PupilGame[]> {
  const rows = await tx.rows<{
    game: string;
    step: number;
    plays: number;
    last_at: Date;
    last_play: string | null;
  }>(
    `select distinct on (game) game, step, sum(plays) over (partition by game)::int as plays, last_at,
       first_value(id) over (partition by game order by (id is null), last_at desc) as last_play from (
       select p.deal->'game'->'plan'->>'game' as game, (p.deal->'game'->'plan'->>'step')::int as step, 1 as plays, p.started_at as last_at, p.id
       from real_plays p where p.room_id = $1 and p.pupil_id = $2 and p.purpose = 'game' and p.deal->'game' is not null
       union all
       select d.game, d.to_step, 0, d.at, null::uuid from decisions d where d.room_id = $1 and d.pupil_id = $2 and d.about = 'step'
     ) both_kinds order by game, last_at desc`,
    [tx.roomId, pupilId],
  );
  return rows.map((row) => ({
    game: row.game,
    step: row.step,
    plays: row.plays,
    lastAt: row.last_at.toISOString(),
    lastPlayId: row.last_play,
  }));
}

/** Moves of a table, in order, those taken back left out. */
async function movesOf(tx: RoomTx, tableId: string): Promise<GameReview['moves']> {
  const rows = await tx.rows<{ id: string; move: Move; used_ms: number }>(
    `select id, move, used_ms from moves where room_id = $1 and play_id = $2 and not taken_back order by nth`,
    [tx.roomId, tableId],
  );
  return rows.map((row) => ({ id: row.id, move: row.move, usedMs: row.used_ms }));
}

/** What a review tells of a game beside its answers. */
export async function gameReviewOf(
  tx: RoomTx,
  play: Play,
  pupil: Pupil,
  timeZone: string,
): Promise<GameReview | null> {
  const deal = play.deal?.game;
  if (!deal) return null;
  const table = await tx.rows<{ id: string; name: string; pupil_id: string }>(
    `select p.id, u.name, p.pupil_id from plays p join pupils u on u.room_id = p.room_id and u.id = p.pupil_id
     where p.room_id = $1 and p.purpose = 'game' and p.deal->'game'->>'tableId' = $2 and p.pupil_id = any($3)`,
    [tx.roomId, deal.tableId, deal.pupilIds.filter((id) => id !== null)],
  );
  return {
    moves: await movesOf(tx, deal.tableId),
    table: table
      .map((row) => ({ seat: deal.pupilIds.indexOf(row.pupil_id), playId: row.id, name: row.name }))
      .sort((a, b) => a.seat - b.seat),
    stepping: await stepProposal(tx, play, pupil, timeZone),
    stepDecision: await stepDecisionOn(tx, play.id),
  };
}

/** What the step rules say after a play of a game; null where no step hangs on it. */
export async function stepProposal(
  tx: RoomTx,
  play: Play,
  pupil: Pupil,
  timeZone: string,
): Promise<{ readonly decision: Decision; readonly step: number; readonly acceptedStep: number } | null> {
  const deal = play.deal?.game;
  const game = deal && findGame(deal.plan.game);
  if (!deal || !game || deal.plan.house !== null || deal.plan.mode === 'loose') return null;
  const rows = await tx.rows<{ id: string }>(
    `select p.id from real_plays p where p.room_id = $1 and p.pupil_id = $2 and p.purpose = 'game'
       and p.deal->'game'->'plan'->>'game' = $3 and p.deal->'game'->'plan'->>'house' is null and p.started_at <= $4
     order by p.started_at desc limit $5`,
    [tx.roomId, pupil.id, game.id, play.startedAt, mostPlays],
  );
  const plays: StepPlay[] = [];
  for (const { id } of rows.reverse()) {
    const one = await findPlay(tx, id);
    if (one) plays.push(await stepPlayOf(tx, one, pupil, timeZone));
  }
  const day = dayNumber(dayOf(play.startedAt, timeZone));
  const changes = await tx.rows<{ at: Date }>(
    `select at from decisions where room_id = $1 and pupil_id = $2 and at <= $3
       and (to_set_id <> set_id or (about = 'step' and to_step <> step)) order by at desc limit 50`,
    [tx.roomId, pupil.id, new Date()],
  );
  const decision = decideStep({
    game: game.name,
    steps: game.steps.map((step) => step.name),
    step: deal.plan.step,
    plays,
    today: day,
    changeDays: changes.map((row) => dayNumber(dayOf(row.at.toISOString(), timeZone))),
    timed: !isUntimed(pupil.school),
  });
  const by = { advance: 1, stepBack: -1 }[decision.verdict as string] ?? 0;
  const acceptedStep = Math.max(0, Math.min(game.steps.length - 1, deal.plan.step + by));
  return { decision, step: deal.plan.step, acceptedStep };
}

async function stepPlayOf(tx: RoomTx, play: Play, pupil: Pupil, timeZone: string): Promise<StepPlay> {
  const rows = (await answersOfPlay(tx, play.id)).filter((row) => row.pupil_id === pupil.id);
  const around = await statesAround(tx, pupil.id, play.id, rows, timeZone);
  const untimed = isUntimed(pupil.school);
  const known = (fact: string): boolean => {
    const before = around[fact]?.before;
    if (before === undefined) return false;
    return untimed ? before.untimed === 'secure' : isRecalled(before.timed);
  };
  const ofFacts = rows.map((row) => {
    const answer = keptAnswerOfRow(row);
    return {
      id: answer.id,
      at: answer.at,
      item: { kind: 'fact', key: answer.fact } as const,
      class: classifyAnswer(answer).class,
      known: known(answer.fact),
      seen: answer.seen,
      aided: answer.aided,
    };
  });
  const ofSkills = await skillAnswersOfPlay(tx, play.id, pupil.id);
  const knownSkills = await skillsKnownBefore(tx, pupil.id, ofSkills);
  return {
    playId: play.id,
    day: dayNumber(dayOf(play.startedAt, timeZone)),
    step: play.deal?.game?.plan.step ?? 0,
    answers: [
      ...ofFacts,
      ...ofSkills.map((answer) => ({
        id: answer.id,
        at: answer.at,
        item: { kind: 'skill', key: answer.skill } as const,
        class: answer.right ? ('right' as const) : ('missed' as const),
        known: knownSkills.has(answer.skill),
        seen: [],
        aided: answer.aided,
      })),
    ].sort((a, b) => a.at.localeCompare(b.at)),
  };
}

interface HouseRow {
  id: string;
  game: string;
  step: number;
  name: string;
  proposed_by: string;
  rules: object;
  at: Date;
}

export async function houseRulesOf(tx: RoomTx): Promise<HouseRules[]> {
  const rows = await tx.rows<HouseRow>(
    'select id, game, step, name, proposed_by, rules, at from house_rules where room_id = $1 order by name, id',
    [tx.roomId],
  );
  return rows.map(({ proposed_by: by, at, ...row }) => ({ ...row, by, at: at.toISOString() }));
}

export async function keepHouseRules(tx: RoomTx, input: HouseRulesInput, userId: string): Promise<void> {
  await tx.run(
    `insert into house_rules (room_id, id, game, step, name, proposed_by, rules, user_id) values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (room_id, id) do update set name = excluded.name, proposed_by = excluded.proposed_by, rules = excluded.rules, step = excluded.step, at = now()`,
    [
      tx.roomId,
      input.id,
      input.game,
      input.step,
      input.name.trim(),
      input.by.trim(),
      JSON.stringify(input.rules),
      userId,
    ],
  );
}

/** Gives whether there were such rules. */
export async function dropHouseRules(tx: RoomTx, id: string): Promise<boolean> {
  const gone = await tx.rows('delete from house_rules where room_id = $1 and id = $2 returning id', [
    tx.roomId,
    id,
  ]);
  return gone.length > 0;
}
