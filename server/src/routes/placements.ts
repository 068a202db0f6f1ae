import { placeSchema } from '@veldrift/wire';
import { Hono } from 'hono';
import { findPlay } from '../store/checks.ts';
import { findDecision, keepDecision } from '../store/decisions.ts';
import { bookOf } from '../store/pathways.ts';
import { placementProposal } from '../store/placements.ts';
import { refreshStanding } from '../store/proposal.ts';
import { findPupil, movePupil } from '../store/pupils.ts';
import { body, idParam, inOwnRoom, refuse, type Env, type House } from './context.ts';

/** Acceptance of a placement: it sets the pupil's starting set. */
export function placementRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  app.post('/pupils/:id/placements', async (c) => {
    const id = idParam(c);
    const input = await body(c, placeSchema);
    const kept = await inOwnRoom(house, c, async (tx, session) => {
      await tx.rows('select 1 from pupils where room_id = $1 and id = $2 for update', [session.roomId, id]);
      const pupil =
        (await findPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      const before = await findDecision(tx, input.id);
      if (before) return before;
      const play = await findPlay(tx, input.playId);
      if (!play || play.pupilId !== id || play.purpose !== 'placement')
        return refuse(404, 'There is no such placement of this pupil.');
      const placing =
        (await placementProposal(tx, play)) ??
        refuse(409, 'Nothing is known from this placement yet: every answer was in doubt.');
      if (input.outcome === 'accepted' && input.toSetId !== placing.toSetId)
        refuse(409, 'The placement names another set by now. Look again, then decide.', 'toSetId');
      if ((await bookOf(tx)).findSet(input.toSetId)?.operation !== play.deal?.operation)
        refuse(400, 'The set is of another operation than the placement.', 'toSetId');
      await keepDecision(tx, pupil, placing.decision, input, session.userId, new Date(), 'placement');
      await movePupil(tx, id, input.toSetId);
      const moved = await findPupil(tx, session.timeZone, id);
      if (moved) await refreshStanding(tx, moved, session.timeZone);
      return findDecision(tx, input.id);
    });
    return c.json(kept, 201);
  });
  return app;
}
