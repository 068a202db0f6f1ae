import { pictureOfFactSchema, pictureSchema } from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import type { RoomTx } from '../db.ts';
import { refuse } from '../refusal.ts';
import { dropPicture, keepPicture, picturesOf } from '../store/pictures.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

/** What children made of facts: a picture and a sentence, kept with the fact for one pupil, and deleted for good. */
export function pictureRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  const ofPupil = <T>(c: Context<Env>, work: (tx: RoomTx, pupilId: string) => Promise<T>): Promise<T> => {
    const id = idParam(c);
    return inOwnRoom(house, c, async (tx) => {
      // Held, so that a picture is not kept of a pupil who is being deleted.
      const known = await tx.rows('select 1 from pupils where room_id = $1 and id = $2 for share', [
        tx.roomId,
        id,
      ]);
      if (known.length === 0) refuse(404, 'There is no such pupil in this room.');
      return work(tx, id);
    });
  };

  app.get('/pupils/:id/pictures', async (c) => c.json(await ofPupil(c, picturesOf)));

  app.put('/pupils/:id/pictures', async (c) => {
    const picture = await body(c, pictureSchema);
    const pictures = await ofPupil(c, async (tx, id) => {
      if (!(await keepPicture(tx, id, picture)))
        refuse(409, 'There are as many pictures as are kept for a pupil. Delete one first.');
      return picturesOf(tx, id);
    });
    return c.json(pictures);
  });

  app.delete('/pupils/:id/pictures', async (c) => {
    const { fact } = await body(c, pictureOfFactSchema);
    const pictures = await ofPupil(c, async (tx, id) => {
      await dropPicture(tx, id, fact);
      return picturesOf(tx, id);
    });
    return c.json(pictures);
  });

  return app;
}
