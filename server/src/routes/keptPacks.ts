import { keptPackSchema } from '@veldrift/wire';
import { Hono } from 'hono';
import { dropPack, keepPack, mostPacks, packsFor } from '../store/keptPacks.ts';
import { findPupil } from '../store/pupilRecord.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

/** Packs that were put together and kept under a name. */
export function keptPackRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  const noPupil = 'There is no such pupil in this room.';

  app.get('/pupils/:id/packs', async (c) => {
    const id = idParam(c);
    return c.json(
      await inOwnRoom(house, c, async (tx, session) => {
        if (!(await findPupil(tx, session.timeZone, id))) refuse(404, noPupil);
        return packsFor(tx, id);
      }),
    );
  });

  app.post('/packs', async (c) => {
    const input = await body(c, keptPackSchema);
    await inOwnRoom(house, c, async (tx, session) => {
      if (input.pupilId !== null && !(await findPupil(tx, session.timeZone, input.pupilId)))
        refuse(404, noPupil, 'pupilId');
      if (!(await keepPack(tx, input)))
        refuse(409, `The room keeps ${mostPacks} packs, and no more: let one go first.`);
    });
    return c.json({ ok: true }, 201);
  });

  app.delete('/packs/:id', async (c) => {
    const id = idParam(c);
    const gone = await inOwnRoom(house, c, (tx) => dropPack(tx, id));
    if (!gone) refuse(404, 'There is no such pack in this room.');
    return c.json({ ok: true });
  });

  return app;
}
