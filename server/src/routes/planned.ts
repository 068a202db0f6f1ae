import { Hono } from 'hono';
import { plannedNow } from '../store/planned.ts';
import { inOwnRoom, type Env, type House } from './context.ts';

/** What is planned around today. Changes of it come as events. */
export function plannedRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/planned', async (c) =>
    c.json(await inOwnRoom(house, c, (tx, session) => plannedNow(tx, session.timeZone, new Date()))),
  );
  return app;
}
