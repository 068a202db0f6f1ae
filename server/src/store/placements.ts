import {
  classifyAnswer,
  placementDecision,
  placementResult,
  readPlacement,
  type Decision,
  type PlacementPlan,
} from '@veldrift/core';
import type { KeptAnswer, OpenPlacement, Play } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { answersOfPlay, keptAnswerOfRow } from './answers.ts';
import { bookOf } from './pathways.ts';
import { findPlay, playsOfPupil } from './checks.ts';

/** A placement may go on at another visit within so many days. */
export const placementGoesOnDays = 14;
/** Plays looked back over for a placement to go on with. */
const lookBack = 12;
/** A placement is split over two visits, not more; a few short tries are let pass. */
const mostParts = 4;

/** The answers of the earlier parts of a placement, oldest first. */
export async function earlierAnswers(tx: RoomTx, play: Play): Promise<KeptAnswer[]> {
  const parts: KeptAnswer[][] = [];
  let before = play.deal?.continues ?? null;
  while (before !== null && parts.length < mostParts) {
    const part = await findPlay(tx, before);
    if (!part || part.pupilId !== play.pupilId || part.purpose !== 'placement') break;
    parts.unshift((await answersOfPlay(tx, part.id)).map(keptAnswerOfRow));
    before = part.deal?.continues ?? null;
  }
  return parts.flat();
}

/** The plan of a placement, from how it was dealt; undefined when its pathway is gone. */
export async function planOfPlacement(
  tx: RoomTx,
  play: Pick<Play, 'deal' | 'seed'>,
): Promise<PlacementPlan | undefined> {
  const { deal, seed } = play;
  const sets = deal && (await bookOf(tx)).findPathway(deal.pathwayId)?.sets[deal.operation];
  if (!sets) return undefined;
  return {
    sets,
    startAt: deal.startAt ?? 0,
    seed,
    timed: deal.timed ?? true,
    opens: deal.opens ?? false,
    warmsUp: deal.warmsUp ?? false,
  };
}

/** What a placement says, as a decision on the set to begin with; undefined when nothing is known yet. */
export async function placementProposal(
  tx: RoomTx,
  play: Play,
): Promise<{ readonly decision: Decision; readonly toSetId: string } | undefined> {
  const plan = await planOfPlacement(tx, play);
  if (!plan) return undefined;
  const answers = [
    ...(await earlierAnswers(tx, play)),
    ...(await answersOfPlay(tx, play.id)).map(keptAnswerOfRow),
  ];
  const reading = readPlacement(
    plan,
    answers.map((one) => ({ fact: one.fact, class: classifyAnswer(one).class })),
  );
  const result = placementResult(plan, reading);
  return (
    result &&
    placementDecision(
      plan,
      result,
      answers.map((one) => one.id),
    )
  );
}

/** The pupil's placement that may still go on: stopped before its end, lately, on the same pathway, not yet decided. */
export async function openPlacement(
  tx: RoomTx,
  pupil: { readonly id: string; readonly pathwayId: string; readonly operation: string },
  now: number,
): Promise<OpenPlacement | null> {
  const plays = await playsOfPupil(tx, pupil.id, lookBack);
  const last = plays.filter((one) => one.purpose === 'placement').at(-1);
  if (!last || last.endedAt === null || now - Date.parse(last.startedAt) > placementGoesOnDays * 86_400_000)
    return null;
  if (last.deal?.pathwayId !== pupil.pathwayId || last.deal.operation !== pupil.operation) return null;
  const [decided] = await tx.rows(
    `select 1 from decisions d where d.room_id = $1 and d.pupil_id = $2 and d.about = 'placement' and d.at >= $3
       and not exists (select 1 from decisions n where n.room_id = d.room_id and n.undoes = d.id)`,
    [tx.roomId, pupil.id, last.startedAt],
  );
  const plan = await planOfPlacement(tx, last);
  if (decided || !plan) return null;
  const answers = [
    ...(await earlierAnswers(tx, last)),
    ...(await answersOfPlay(tx, last.id)).map(keptAnswerOfRow),
  ];
  const reading = readPlacement(
    plan,
    answers.map((one) => ({ fact: one.fact, class: classifyAnswer(one).class })),
  );
  if (!reading.next || answers.length === 0) return null;
  return {
    playId: last.id,
    at: last.startedAt,
    seed: last.seed,
    startAt: plan.startAt,
    opens: plan.opens ?? false,
    warmsUp: plan.warmsUp ?? false,
    answers,
  };
}
