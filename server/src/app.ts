import { Hono } from 'hono';
import { DatabaseError } from 'pg';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { routePath } from 'hono/route';
import { getCookie } from 'hono/cookie';
import { secureHeaders } from 'hono/secure-headers';
import { cookieName, findSession } from './auth/session.ts';
import { accountRoutes, openRoutes } from './routes/account.ts';
import { calendarRoutes, openCalendarRoutes } from './routes/calendar.ts';
import { childRoutes, linkRoutes } from './routes/child.ts';
import { isOutage, Outage } from './outage.ts';
import { Refusal, refuse } from './refusal.ts';
import type { Env, House } from './routes/context.ts';
import { pathwayRoutes } from './routes/pathways.ts';
import { gameRoutes } from './routes/games.ts';
import { keptPackRoutes } from './routes/keptPacks.ts';
import { outcomeRoutes } from './routes/outcomes.ts';
import { peopleRoutes } from './routes/people.ts';
import { plannedRoutes } from './routes/planned.ts';
import { playRoutes } from './routes/plays.ts';
import { policyRoutes } from './routes/policies.ts';
import { pictureRoutes } from './routes/pictures.ts';
import { pupilRoutes } from './routes/pupils.ts';

/** The largest body taken: a megabyte. */
export const largestBody = 1_048_576;

/** The whole API under /api. What serves the built pages is added by main. */
export function createApp(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.use(
    secureHeaders({
      crossOriginEmbedderPolicy: 'require-corp',
      crossOriginOpenerPolicy: 'same-origin',
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
      permissionsPolicy: {
        // The voice key listens on our own pages; nothing else of a device is asked for.
        microphone: ['self'],
        screenWakeLock: ['self'],
        fullscreen: ['self'],
        clipboardWrite: ['self'],
        camera: [],
        geolocation: [],
        payment: [],
        usb: [],
        serial: [],
        displayCapture: [],
        browsingTopics: [],
      },
      // Plain http on loopback has nothing to upgrade to; behind https the proxy sets this.
      strictTransportSecurity: false,
    }),
  );

  app.onError((error, c) => {
    if (error instanceof Refusal) {
      if (error.retryAfterS !== undefined) c.header('Retry-After', String(error.retryAfterS));
      return c.json(error.problem, error.status);
    }
    if (error instanceof Outage || (error instanceof DatabaseError && isOutage(error))) {
      house.log.warn({ err: error, route: routePath(c) }, 'the database is away or overworked');
      c.header('Retry-After', String(error instanceof Outage ? error.retryAfterS : 1));
      return c.json(
        { message: 'Too much at once, or the database is away. Nothing was lost; try again.' },
        503,
      );
    }
    house.log.error({ err: error, route: routePath(c) }, 'a request failed');
    return c.json(
      { message: 'Something failed here, and it is on record. Nothing was lost; try again.' },
      500,
    );
  });
  // Streams are left alone by it.
  app.use(compress());

  const api = new Hono<Env>();
  const tooLarge = () => refuse(413, 'The body is larger than a megabyte.');
  const limitRead = bodyLimit({ maxSize: largestBody, onError: tooLarge });
  api.use((c, next) => {
    const length = Number(c.req.header('content-length'));
    // Of a body whose length is told no more is read than that; asking for it as a stream would cost as much as keeping an answer.
    if (c.req.header('transfer-encoding') !== undefined || !Number.isInteger(length))
      return limitRead(c, next);
    return length > largestBody ? tooLarge() : next();
  });
  api.use(async (c, next) => {
    c.header('Cache-Control', 'no-store');
    if (!['GET', 'HEAD'].includes(c.req.method))
      guardWrite(
        c.req.header('origin'),
        c.req.header('host'),
        c.req.header('content-type'),
        c.req.header('sec-fetch-site'),
      );
    await next();
  });
  api.get('/health', async (c) => {
    await house.db.query('select 1');
    return c.json({ ok: true });
  });
  api.route('/', openRoutes(house));
  api.route('/', childRoutes(house));
  api.route('/', openCalendarRoutes(house));
  api.use(async (c, next) => {
    const token = getCookie(c, cookieName);
    const session = token === undefined ? undefined : await findSession(house.db, token);
    if (!session) refuse(401, 'Sign in to go on.');
    c.set('session', session);
    await next();
  });
  api.route('/', accountRoutes(house));
  api.route('/', peopleRoutes(house));
  api.route('/', pupilRoutes(house));
  api.route('/', pictureRoutes(house));
  api.route('/', playRoutes(house));
  api.route('/', outcomeRoutes(house));
  api.route('/', gameRoutes(house));
  api.route('/', keptPackRoutes(house));
  api.route('/', plannedRoutes(house));
  api.route('/', calendarRoutes(house));
  api.route('/', policyRoutes(house));
  api.route('/', linkRoutes(house));
  api.route('/', pathwayRoutes(house));
  api.all('*', () => refuse(404, 'There is nothing at this address.'));
  app.route('/api', api);
  return app;
}

/** Writes come from our own pages only: same origin, and as JSON, which no foreign form can send unasked. */
function guardWrite(
  origin: string | undefined,
  host: string | undefined,
  type: string | undefined,
  site: string | undefined,
): void {
  if (site !== undefined && site !== 'same-origin' && site !== 'none')
    refuse(403, 'This request came from another site.');
  if (origin !== undefined && hostOf(origin) !== host) refuse(403, 'This request came from another site.');
  if (!(type ?? '').startsWith('application/json')) refuse(415, 'The body should be JSON.');
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
