import type { Decision } from '@veldrift/core';
import { placeSchema, undoSchema, type KeptDecision, type Play, type Pupil } from '@veldrift/wire';
import { Hono } from 'hono';
import type { RoomTx } from '../db.ts';
import { findPlay } from '../store/checks.ts';
import { decisionsOfPupil, findDecision, keepDecision, mayUndo } from '../store/decisions.ts';
import { lookBackDecision } from '../store/lookBacks.ts';
import { bookOf } from '../store/pathways.ts';
import { placementProposal } from '../store/placements.ts';
import { askAgain } from '../store/proposal.ts';
import { holdPupil } from '../store/pupilRecord.ts';
import { movePupil } from '../store/pupils.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

/** What a play of its own kind says: the decision, and the set the pupil is on when it is accepted. */
interface Outcome {
  readonly decision: Decision;
  readonly toSetId: string;
  /** The set it is about. */
  readonly setId: string;
}

interface Kind {
  readonly purpose: Play['purpose'];
  readonly about: KeptDecision['about'];
  readonly name: string;
  readonly outcome: (tx: RoomTx, play: Play, pupil: Pupil) => Promise<Outcome>;
}

const kinds: Readonly<Record<'placements' | 'lookBacks', Kind>> = {
  placements: {
    purpose: 'placement',
    about: 'placement',
    name: 'placement',
    outcome: async (tx, play, pupil) => ({
      setId: pupil.setId,
      ...((await placementProposal(tx, play)) ??
        refuse(409, 'Nothing is known from this placement yet: every answer was in doubt.')),
    }),
  },
  lookBacks: {
    purpose: 'retention',
    about: 'retention',
    name: 'look back',
    outcome: async (tx, play, pupil) => {
      const decision = await lookBackDecision(tx, play, pupil);
      if (decision.verdict === 'notEnough')
        refuse(409, `The look back is not complete: ${decision.missing.map((one) => one.text).join(' ')}`);
      return { decision, toSetId: pupil.setId, setId: play.setId };
    },
  },
};

/** The tutor's word on what a placement or a look back says. A placement accepted sets the pupil's starting set. */
export function outcomeRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  for (const [path, kind] of Object.entries(kinds))
    app.post(`/pupils/:id/${path}`, async (c) => {
      const id = idParam(c);
      const input = await body(c, placeSchema);
      const kept = await inOwnRoom(house, c, async (tx, session) => {
        const pupil =
          (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
        const before = await findDecision(tx, input.id);
        if (before) return before;
        const play = await findPlay(tx, input.playId);
        if (!play || play.pupilId !== id || play.purpose !== kind.purpose)
          return refuse(404, `There is no such ${kind.name} of this pupil.`);
        const { decision, toSetId, setId } = await kind.outcome(tx, play, pupil);
        if (input.outcome === 'accepted' && input.toSetId !== toSetId)
          refuse(409, `The ${kind.name} names another set by now. Look again, then decide.`, 'toSetId');
        if ((await bookOf(tx)).findSet(input.toSetId)?.operation !== play.deal?.operation)
          refuse(400, `The set is of another operation than the ${kind.name}.`, 'toSetId');
        await keepDecision(tx, { ...pupil, setId }, decision, input, session.userId, new Date(), kind.about);
        await movePupil(tx, id, input.toSetId);
        await askAgain(tx, id);
        return findDecision(tx, input.id);
      });
      return c.json(kept, 201);
    });

  app.post('/pupils/:id/decisions/:decision/undo', async (c) => {
    const id = idParam(c);
    const undoneId = idParam(c, 'decision');
    const input = await body(c, undoSchema);
    const kept = await inOwnRoom(house, c, async (tx, session) => {
      const pupil =
        (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      const before = await findDecision(tx, input.id);
      if (before) return before;
      const undone = (await decisionsOfPupil(tx, id)).find((one) => one.id === undoneId);
      if (!undone) return refuse(404, 'There is no such decision of this pupil.');
      if (!(await mayUndo(tx, pupil, undone)))
        refuse(
          409,
          'This can be undone no more: only a placement can, until its visit is over or something else is decided.',
        );
      const { verdict, reasons, missing, wouldSettle, answerIds, checkIds } = undone;
      await keepDecision(
        tx,
        { ...pupil, setId: undone.toSetId },
        { about: 'set', verdict, reasons, missing, wouldSettle, strays: [], answerIds, checkIds },
        { id: input.id, playId: null, outcome: 'otherwise', toSetId: undone.setId, reason: '' },
        session.userId,
        new Date(),
        'undo',
        null,
        { undoes: undone.id },
      );
      await movePupil(tx, id, undone.setId);
      await askAgain(tx, id);
      return findDecision(tx, input.id);
    });
    return c.json(kept, 201);
  });
  return app;
}
