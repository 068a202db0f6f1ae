import {
  childTellsSchema,
  classShowSchema,
  classTellsSchema,
  codeDigits,
  joinSchema,
  linkLastsHours,
  newLinkSchema,
  showSchema,
  type ChildTells,
  type Joined,
  type SeatTells,
} from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { streamSSE } from 'hono/streaming';
import { addressOf } from '../auth/address.ts';
import { openTurns } from '../auth/turns.ts';
import { openTellThrottle, type Slot } from '../auth/throttle.ts';
import { lookAgain, type LinkEnd } from '../live/linkHub.ts';
import {
  dropLink,
  isOwnLink,
  joinLink,
  linkOfToken,
  makeLink,
  newCode,
  showOnLink,
  shownOn,
  type FoundLink,
} from '../store/links.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, type Env, type House } from './context.ts';

const childCookie = 'veldrift_child';
const keepAliveMs = 10_000;
/** The first figures of a code name the hundredth of all codes it is in. */
const codeSpaceDigits = 2;
const spaceOf = (code: string): Slot => ['codeSpace', code.slice(0, codeSpaceDigits)];

/** What a child's screen may do without a sign-in: join by a code, see what is laid on it, tell what was typed. */
export function childRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();
  const mayTell = openTellThrottle();
  const inTurn = openTurns();

  /** The link of this screen. Looked up each time: one that was dropped is dead at once, on every server process. */
  const linkOf = async (c: Context<Env>): Promise<FoundLink> => {
    const token = getCookie(c, childCookie) ?? '';
    const link = token === '' ? undefined : await linkOfToken(house.db, token);
    return link ?? refuse(401, 'This screen is not joined to a table. Ask for a code.');
  };

  app.post('/child/join', async (c) => {
    const { code } = await body(c, joinSchema);
    const slots: Slot[] = [['code', addressOf(c)], spaceOf(code)];
    const known = getCookie(c, childCookie);
    // A class comes through one address all at once: one after another, none takes the slot that another is to give back.
    const joined = await inTurn(addressOf(c), async () => {
      await house.throttle.take(slots);
      const tried = await joinLink(house.db, code, known);
      if (tried !== 'unknown') await house.throttle.giveBack(slots);
      return tried;
    });
    if (joined === 'unknown')
      refuse(
        404,
        `There is no such code. Look at the ${codeDigits} figures again, or ask for a new one.`,
        'code',
      );
    if (joined === 'used') return refuse(409, 'This code was used already. Ask for a new one.', 'code');
    if (joined === 'expired') return refuse(409, 'This code has run out. Ask for a new one.', 'code');
    if (joined === 'full')
      return refuse(409, 'As many devices have joined this class as can. Look on with somebody.', 'code');
    setCookie(c, childCookie, joined.token, {
      path: '/api/child',
      httpOnly: true,
      sameSite: 'Strict',
      secure: house.secure,
      maxAge: linkLastsHours * 3600,
    });
    const { id, seat } = joined.link;
    await house.live.tell(
      id,
      'tutor',
      seat === null ? hereNow() : ({ kind: 'here', seat } satisfies SeatTells),
    );
    return c.json({ seat } satisfies Joined, 201);
  });

  app.get('/child/events', async (c) => {
    const link = await linkOf(c);
    return streamOf(house, c, link.id, 'child', async () => JSON.stringify(await shownOn(house.db, link)));
  });

  app.post('/child/tell', async (c) => {
    const link = await linkOf(c);
    await mayTell(link.id);
    if (link.seat !== null) refuse(409, 'This device has joined a class.');
    const tells = await body(c, childTellsSchema);
    await house.live.tell(link.id, 'tutor', tells);
    return c.json({ ok: true });
  });

  app.post('/child/class-tell', async (c) => {
    const link = await linkOf(c);
    await mayTell(`${link.id} ${link.seat}`);
    if (link.seat === null) refuse(409, 'This device has joined no class.');
    const tells = await body(c, classTellsSchema);
    await house.live.tell(link.id, 'tutor', { ...tells, seat: link.seat } satisfies SeatTells);
    return c.json({ ok: true });
  });

  return app;
}

/** What a tutor's table does with a child's screen. */
export function linkRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.post('/links', async (c) => {
    const { seats } = await body(c, newLinkSchema);
    for (let tries = 0; tries < 100; tries += 1) {
      const code = newCode();
      // A hundredth that is being guessed at is closed for a while: a code is made where it can be typed.
      if (tries < 50 && !(await house.throttle.isOpen(spaceOf(code)))) continue;
      const link = await inOwnRoom(house, c, (tx, session) =>
        makeLink(tx, session.userId, code, seats ?? null),
      );
      if (link) return c.json(link, 201);
    }
    throw new Error('No code is free.');
  });

  app.get('/links/:id/events', async (c) => {
    const id = idParam(c);
    const own = await inOwnRoom(house, c, (tx, session) => isOwnLink(tx, session.userId, id));
    if (!own) refuse(404, 'There is no such screen.');
    return streamOf(house, c, id, 'tutor');
  });

  app.post('/links/:id/show', async (c) => {
    const id = idParam(c);
    const shown = await body(c, showSchema);
    const kept = await inOwnRoom(house, c, (tx, session) =>
      showOnLink(tx, session.userId, id, shown, 'table'),
    );
    if (!kept) refuse(404, 'There is no such screen.');
    return c.json({ ok: true });
  });

  app.post('/links/:id/show-class', async (c) => {
    const id = idParam(c);
    const shown = await body(c, classShowSchema);
    const kept = await inOwnRoom(house, c, (tx, session) =>
      showOnLink(tx, session.userId, id, shown, 'class'),
    );
    if (!kept) refuse(404, 'There is no such class.');
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

/** One end of a link as server-sent events: what is there now, then each message as it comes; a screen taken away is let go. */
function streamOf(house: House, c: Context<Env>, link: string, end: LinkEnd, first?: () => Promise<string>) {
  return streamSSE(c, async (sse) => {
    let ended: () => void = () => undefined;
    const over = new Promise<void>((done) => {
      ended = done;
    });
    sse.onAbort(() => ended());
    // A stream that cannot be written to, or fed, ends: the other end asks again by itself.
    const write = (message: { readonly data: string; readonly event?: string }) => {
      void sse.writeSSE(message).catch(ended);
    };
    const deaf = house.live.hear(link, end, (data) => {
      if (end === 'child' && data === 'null') return void sse.writeSSE({ data }).then(ended, ended);
      if (data !== lookAgain || !first) return write({ data });
      // What is shown was too long to be told; it is kept with the link.
      first().then((kept) => write({ data: kept }), ended);
    });
    const still = () => write({ event: 'still', data: '' });
    const handle = setInterval(still, keepAliveMs);
    try {
      if (first) write({ data: await first() });
      else still();
      await over;
    } catch (error) {
      house.log.warn({ err: error }, 'a screen could not be shown what lies there');
    } finally {
      clearInterval(handle);
      deaf();
    }
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
