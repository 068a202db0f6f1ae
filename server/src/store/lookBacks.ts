import { classifyAnswer, judgeRetention, type Decision } from '@veldrift/core';
import { policyOf, type Play, type Pupil } from '@veldrift/wire';
import type { RoomTx } from '../db.ts';
import { answersOfPlay, keptAnswerOfRow } from './answers.ts';
import { bookOf } from './pathways.ts';

/** What a look back at a set passed says, by the numbers the pupil is judged by. */
export async function lookBackDecision(tx: RoomTx, play: Play, pupil: Pupil): Promise<Decision> {
  const answers = (await answersOfPlay(tx, play.id)).map(keptAnswerOfRow);
  return judgeRetention(
    answers.map((one) => ({ id: one.id, fact: one.fact, class: classifyAnswer(one).class })),
    policyOf(pupil),
    (await bookOf(tx)).findSet(play.setId)?.practises.length,
  );
}
