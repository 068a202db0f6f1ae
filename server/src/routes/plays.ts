import { isUntimed } from '@veldrift/core';
import type { ReviewPage } from '@veldrift/wire';
import { Hono } from 'hono';
import type { RoomTx } from '../db.ts';
import { answersBehind, answersOfPlay, keptAnswerOfRow, slipsUpTo } from '../store/answers.ts';
import { findPlay } from '../store/checks.ts';
import { decisionOnPlay, mayUndo } from '../store/decisions.ts';
import { earlierAnswers, placementProposal } from '../store/placements.ts';
import { gameReviewOf, stepProposal } from '../store/games.ts';
import { bookOf } from '../store/pathways.ts';
import { standingOf } from '../store/proposal.ts';
import { findPupil } from '../store/pupilRecord.ts';
import { statesAround, type PlayStates } from '../store/playStates.ts';
import { skillAnswersById, skillAnswersOfPlay } from '../store/skills.ts';
import { keepBatch } from '../events/keepBatch.ts';
import { openKeeper } from '../events/keeper.ts';
import { refuse } from '../refusal.ts';
import { idParam, inOwnRoom, json, type Env, type House } from './context.ts';

/** Wrong answers looked back over for patterns. */
const mostSlips = 40;
/** Answers listed behind a sentence. */
const mostAnswers = 2000;

export function playRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  const keeper = openKeeper(house.db, house.log);

  app.post('/events', async (c) => {
    const outcome = await keepBatch(keeper, c.get('session'), await json(c));
    if ('problem' in outcome) return refuse(400, outcome.problem.message, outcome.problem.field);
    return c.json({ serverNow: new Date().toISOString(), results: outcome.results });
  });

  app.get('/plays/:id', async (c) => {
    const id = idParam(c);
    return c.json(await inOwnRoom(house, c, (tx, session) => reviewOf(tx, id, session.timeZone)));
  });

  app.get('/plays/:id/stepAnswers', async (c) => {
    const id = idParam(c);
    const rows = await inOwnRoom(house, c, async (tx, session) => {
      const play = await findPlay(tx, id);
      const pupil = play && (await findPupil(tx, session.timeZone, play.pupilId));
      const proposal = play && pupil ? await stepProposal(tx, play, pupil, session.timeZone) : null;
      if (!play || !proposal) return refuse(404, 'There is no such game with a step in this room.');
      const { decision } = proposal;
      const answers = await answersBehind(tx, play.pupilId, decision, 'facts', mostAnswers);
      return [
        ...answers.map(keptAnswerOfRow),
        ...(await skillAnswersById(tx, play.pupilId, decision.answerIds)),
      ];
    });
    return c.json(rows);
  });

  return app;
}

async function reviewOf(tx: RoomTx, playId: string, timeZone: string): Promise<ReviewPage> {
  const play = (await findPlay(tx, playId)) ?? refuse(404, 'There is no such minute in this room.');
  const pupil =
    (await findPupil(tx, timeZone, play.pupilId)) ?? refuse(404, 'There is no such minute in this room.');
  const rows = await answersOfPlay(tx, playId);
  const facts = [...new Set(rows.map((row) => row.fact))];
  const first = rows[0]?.at ?? new Date(play.startedAt);
  const operation = (await bookOf(tx)).findSet(play.setId)?.operation ?? pupil.operation;
  const decision = await decisionOnPlay(tx, playId);
  const around = await statesAround(tx, pupil.id, playId, rows, timeZone);
  // By the school's own kind of state.
  const kind = isUntimed(pupil.school) ? 'untimed' : 'timed';
  return {
    play,
    pupil,
    answers: rows.map(keptAnswerOfRow),
    skills: play.purpose === 'game' ? await skillAnswersOfPlay(tx, playId, pupil.id) : [],
    states: facts.map((fact) => {
      const { before, after } = around[fact] as PlayStates[string];
      return { fact, before: before[kind], after: after[kind] };
    }),
    proposal: await standingOf(tx, pupil, timeZone),
    decision,
    mayUndo: decision !== null && (await mayUndo(tx, pupil, decision)),
    game: await gameReviewOf(tx, play, pupil, timeZone),
    placing: play.purpose === 'placement' ? ((await placementProposal(tx, play)) ?? null) : null,
    earlierAnswers: await earlierAnswers(tx, play),
    earlierSlips: (await slipsUpTo(tx, pupil.id, operation, first, mostSlips)).map(keptAnswerOfRow),
  };
}
