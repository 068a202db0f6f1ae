import { findGame, rulesTrouble } from '@veldrift/core/games';
import { houseRulesSchema, stepSchema, tableStandsHours } from '@veldrift/wire';
import { Hono } from 'hono';
import { findPlay } from '../store/checks.ts';
import { findDecision, keepDecision } from '../store/decisions.ts';
import { dropHouseRules, gamesOfPupil, houseRulesOf, keepHouseRules, stepProposal } from '../store/games.ts';
import { openTablesOf, tableOnRecord } from '../store/openTables.ts';
import { findPupil, holdPupil } from '../store/pupilRecord.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

const standsSince = () => new Date(Date.now() - tableStandsHours * 3_600_000);

/** Games: the steps pupils are at, and the rules of the house. */
export function gameRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/tables', async (c) =>
    c.json(await inOwnRoom(house, c, (tx, session) => openTablesOf(tx, session.userId, standsSince()))),
  );

  app.get('/tables/:id', async (c) => {
    const id = idParam(c);
    return c.json(
      await inOwnRoom(
        house,
        c,
        async (tx, session) =>
          (await tableOnRecord(tx, session.userId, standsSince(), id)) ??
          refuse(404, 'There is no such game of yours that still stands.'),
      ),
    );
  });

  app.get('/pupils/:id/games', async (c) => {
    const id = idParam(c);
    return c.json(
      await inOwnRoom(house, c, async (tx, session) => {
        if (!(await findPupil(tx, session.timeZone, id))) refuse(404, 'There is no such pupil in this room.');
        return gamesOfPupil(tx, id);
      }),
    );
  });

  app.post('/pupils/:id/steps', async (c) => {
    const id = idParam(c);
    const input = await body(c, stepSchema);
    const kept = await inOwnRoom(house, c, async (tx, session) => {
      const pupil =
        (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      const before = await findDecision(tx, input.id);
      if (before) return before;
      const play = await findPlay(tx, input.playId);
      const game = play?.deal?.game && findGame(play.deal.game.plan.game);
      if (!play || play.pupilId !== id || !game) return refuse(404, 'There is no such game of this pupil.');
      const proposal =
        (await stepProposal(tx, play, pupil, session.timeZone)) ??
        refuse(409, 'No step hangs on this play: it went by house rules, or by cards that are not known.');
      if (input.toStep >= game.steps.length)
        refuse(400, `${game.name} has ${game.steps.length} steps.`, 'toStep');
      if (input.outcome === 'accepted' && input.toStep !== proposal.acceptedStep)
        refuse(409, 'The step rules say something else by now. Look again, then decide.', 'toStep');
      await keepDecision(
        tx,
        pupil,
        proposal.decision,
        { ...input, toSetId: pupil.setId },
        session.userId,
        new Date(),
        'step',
        {
          id: game.id,
          step: proposal.step,
          toStep: input.toStep,
        },
      );
      return findDecision(tx, input.id);
    });
    return c.json(kept, 201);
  });

  app.get('/houseRules', async (c) => c.json(await inOwnRoom(house, c, (tx) => houseRulesOf(tx))));

  app.post('/houseRules', async (c) => {
    const input = await body(c, houseRulesSchema);
    const game = findGame(input.game) ?? refuse(404, 'There is no such game on this shelf.', 'game');
    if (!game.steps[input.step])
      refuse(400, `${game.name} has ${game.steps.length} steps, counted from 0.`, 'step');
    const trouble = rulesTrouble(game, input.step, input.rules);
    if (trouble !== null) refuse(400, trouble, 'rules');
    await inOwnRoom(house, c, (tx, session) => keepHouseRules(tx, input, session.userId));
    return c.json({ ok: true }, 201);
  });

  app.delete('/houseRules/:id', async (c) => {
    const id = idParam(c);
    const gone = await inOwnRoom(house, c, (tx) => dropHouseRules(tx, id));
    if (!gone) refuse(404, 'There are no such house rules in this room.');
    return c.json({ ok: true });
  });

  return app;
}
