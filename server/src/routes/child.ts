import { childTellsSchema, joinSchema, linkLastsHours, showSchema, type ChildTells } from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import { getConnInfo } from '@hono/node-server/conninfo';
import { getCookie, setCookie } from 'hono/cookie';
import { streamSSE } from 'hono/streaming';
import { mayTry, noteFailure } from '../auth/throttle.ts';
import { lookAgain, type LinkEnd } from '../live/linkHub.ts';
import {
  dropLink,
  isOwnLink,
  joinLink,
  linkOfToken,
  makeLink,
  showOnLink,
  shownOn,
  type FoundLink,
} from '../store/links.ts';
import { body, idParam, inOwnRoom, refuse, type Env, type House } from './context.ts';

const childCookie = 'veldrift_child';
const keepAliveMs = 10_000;
/** A token looked up is trusted for so long before it is looked up again, ms. */
const trustedMs = 5000;

/** What a child's screen may do without a sign-in: join by a code, see what is laid on it, tell what was typed. */
export function childRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  const trusted = new Map<string, { readonly link: FoundLink; readonly until: number }>();

  const linkOf = async (c: Context<Env>): Promise<FoundLink> => {
    const token = getCookie(c, childCookie) ?? '';
    const known = trusted.get(token);
    if (known && known.until > Date.now()) return known.link;
    trusted.delete(token);
    const link = token === '' ? undefined : await linkOfToken(house.db, token);
    if (!link) return refuse(401, 'This screen is not joined to a table. Ask for a code.');
    if (trusted.size > 1000) trusted.clear();
    trusted.set(token, { link, until: Date.now() + trustedMs });
    return link;
  };

  app.post('/child/join', async (c) => {
    const { code } = await body(c, joinSchema);
    const address = addressOf(c);
    if (!(await mayTry(house.db, `code:${address}`, address)))
      refuse(429, 'Too many codes were wrong. Wait a quarter of an hour, then ask for a new one.');
    const joined = await joinLink(house.db, code);
    if (joined === 'unknown') {
      await noteFailure(house.db, `code:${address}`, address);
      return refuse(
        404,
        'There is no such code. Look at the six digits again, or ask for a new one.',
        'code',
      );
    }
    if (joined === 'used') return refuse(409, 'This code was used already. Ask for a new one.', 'code');
    if (joined === 'expired') return refuse(409, 'This code has run out. Ask for a new one.', 'code');
    setCookie(c, childCookie, joined.token, {
      path: '/api/child',
      httpOnly: true,
      sameSite: 'Strict',
      secure: house.secure,
      maxAge: linkLastsHours * 3600,
    });
    await house.live.tell(joined.link.id, 'tutor', hereNow());
    return c.json({ ok: true }, 201);
  });

  app.get('/child/events', async (c) => {
    const link = await linkOf(c);
    return streamOf(house, c, link.id, 'child', async () => JSON.stringify(await shownOn(house.db, link)));
  });

  app.post('/child/tell', async (c) => {
    const tells = await body(c, childTellsSchema);
    const link = await linkOf(c);
    await house.live.tell(link.id, 'tutor', tells);
    return c.json({ ok: true });
  });

  return app;
}

/** What a tutor's table does with a child's screen. */
export function linkRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.post('/links', async (c) =>
    c.json(await inOwnRoom(house, c, (tx, session) => makeLink(tx, session.userId)), 201),
  );

  app.get('/links/:id/events', async (c) => {
    const id = idParam(c);
    const own = await inOwnRoom(house, c, (tx, session) => isOwnLink(tx, session.userId, id));
    if (!own) refuse(404, 'There is no such screen.');
    return streamOf(house, c, id, 'tutor');
  });

  app.post('/links/:id/show', async (c) => {
    const id = idParam(c);
    const shown = await body(c, showSchema);
    const kept = await inOwnRoom(house, c, (tx, session) => showOnLink(tx, session.userId, id, shown));
    if (!kept) refuse(404, 'There is no such screen.');
    return c.json({ ok: true });
  });

  app.delete('/links/:id', async (c) => {
    const id = idParam(c);
    await inOwnRoom(house, c, async (tx, session) => {
      if (!(await isOwnLink(tx, session.userId, id))) refuse(404, 'There is no such screen.');
      await dropLink(tx, session.userId, id);
    });
    await house.live.tell(id, 'child', null);
    return c.json({ ok: true });
  });
  return app;
}

/** One end of a link as server-sent events: what is there now, then each message as it comes. */
function streamOf(house: House, c: Context<Env>, link: string, end: LinkEnd, first?: () => Promise<string>) {
  return streamSSE(c, async (sse) => {
    let ended: () => void = () => undefined;
    const over = new Promise<void>((done) => {
      ended = done;
    });
    sse.onAbort(() => ended());
    const deaf = house.live.hear(link, end, (data) => {
      if (data !== lookAgain || !first) return void sse.writeSSE({ data });
      // What is shown was too long to be told; it is kept with the link.
      void first().then((kept) => sse.writeSSE({ data: kept }));
    });
    const still = () => void sse.writeSSE({ event: 'still', data: '' });
    const handle = setInterval(still, keepAliveMs);
    if (first) await sse.writeSSE({ data: await first() });
    else still();
    await over;
    clearInterval(handle);
    deaf();
  });
}

const hereNow = (): ChildTells => ({
  kind: 'here',
  promptId: '',
  typed: '',
  latencyMs: null,
  lastKeyMs: null,
  voided: false,
  paintedAtMs: null,
});

function addressOf(c: Context<Env>): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    // In tests requests come without a connection.
    return 'unknown';
  }
}
