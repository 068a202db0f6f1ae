import { calendarLinkSchema } from '@veldrift/wire';
import { Hono } from 'hono';
import { refuse } from '../refusal.ts';
import { calendarAt, calendarLinks, dropCalendarLink, makeCalendarLink } from '../store/calendars.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

/** The longest secret that is looked for. */
const longestToken = 80;

/** A calendar by its secret address, without a sign-in: other programs read it. */
export function openCalendarRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/calendar/:id', async (c) => {
    const token = (c.req.param('id') ?? '').replace(/\.ics$/, '');
    const text = token.length > longestToken ? undefined : await calendarAt(house.db, token, new Date());
    if (text === undefined)
      return refuse(404, 'There is no calendar at this address; perhaps it was withdrawn.');
    return c.body(text, 200, { 'Content-Type': 'text/calendar; charset=utf-8' });
  });
  return app;
}

/** Addresses of one's own: made, listed, withdrawn. */
export function calendarRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/calendar-links', async (c) =>
    c.json(await inOwnRoom(house, c, (tx, { userId }) => calendarLinks(tx, userId))),
  );
  app.post('/calendar-links', async (c) => {
    const input = await body(c, calendarLinkSchema);
    const token = await inOwnRoom(house, c, (tx, { userId }) => makeCalendarLink(tx, userId, input));
    if (token === undefined) return refuse(409, 'Ten addresses are in use: withdraw one first.');
    return c.json({ token }, 201);
  });
  app.delete('/calendar-links/:id', async (c) => {
    const id = idParam(c);
    const gone = await inOwnRoom(house, c, (tx, { userId }) => dropCalendarLink(tx, userId, id));
    if (!gone) refuse(404, 'There is no such address of yours.');
    return c.json({ ok: true });
  });
  return app;
}
