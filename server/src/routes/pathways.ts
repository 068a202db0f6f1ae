import { makeBook } from '@veldrift/core';
import { ownPathwaySchema } from '@veldrift/wire';
import { Hono } from 'hono';
import { dropPathway, keepPathway, ownPathways } from '../store/pathways.ts';
import { askAgain } from '../store/proposal.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

/** Pathways of a room's own. */
export function pathwayRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/pathways', async (c) => c.json(await inOwnRoom(house, c, ownPathways)));

  app.put('/pathways/:id', async (c) => {
    const id = idParam(c);
    const own = await body(c, ownPathwaySchema);
    if (own.id !== id) refuse(400, 'The id in the body is not the one in the address.', 'id');
    await inOwnRoom(house, c, async (tx, session) => {
      const pupils = await tx.rows<{ id: string; name: string; set_id: string }>(
        'select id, name, set_id from pupils where room_id = $1 and pathway_id = $2 order by lower(name)',
        [tx.roomId, id],
      );
      // A set that a pupil is on stays: the pupil would be nowhere.
      const after = makeBook([own]);
      const lost = pupils.filter((one) => after.findSet(one.set_id) === undefined).map((one) => one.name);
      if (lost.length > 0)
        refuse(
          409,
          `${lost.join(', ')} would be on a set that is gone. Move them to another set first, or keep theirs.`,
          'sets',
        );
      await keepPathway(tx, own, session.userId);
      for (const pupil of pupils) await askAgain(tx, pupil.id);
    });
    return c.json(own);
  });

  app.delete('/pathways/:id', async (c) => {
    const id = idParam(c);
    await inOwnRoom(house, c, async (tx) => {
      const [on] = await tx.rows<{ names: string }>(
        `select string_agg(name, ', ' order by name) as names from pupils where room_id = $1 and pathway_id = $2`,
        [tx.roomId, id],
      );
      if (on?.names) refuse(409, `${on.names} are on this pathway. Move them to another first.`);
      if (!(await dropPathway(tx, id))) refuse(404, 'There is no such pathway in this room.');
    });
    return c.json({ ok: true });
  });
  return app;
}
