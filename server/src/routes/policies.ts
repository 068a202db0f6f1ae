import { roomPolicySchema } from '@veldrift/wire';
import { Hono } from 'hono';
import { askAgain } from '../store/proposal.ts';
import { body, inOwnRoom, type Env, type House } from './context.ts';

/** The numbers the whole room goes by. */
export function policyRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/policy', async (c) =>
    c.json(
      await inOwnRoom(house, c, async (tx) => {
        const [row] = await tx.rows<{ policy: object }>('select policy from policies where room_id = $1', [
          tx.roomId,
        ]);
        return { policy: row?.policy ?? {} };
      }),
    ),
  );
  app.put('/policy', async (c) => {
    const { policy } = await body(c, roomPolicySchema);
    await inOwnRoom(house, c, async (tx, session) => {
      await tx.run(
        `insert into policies (room_id, policy, user_id) values ($1, $2, $3)
         on conflict (room_id) do update set policy = excluded.policy, user_id = excluded.user_id, changed_at = now()`,
        [session.roomId, JSON.stringify(policy), session.userId],
      );
      // What the schools say hangs on these numbers.
      await askAgain(tx);
    });
    return c.json({ policy });
  });
  return app;
}
