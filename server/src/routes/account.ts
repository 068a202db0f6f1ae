import { firstRoomSchema, signInSchema, type Me } from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import { getConnInfo } from '@hono/node-server/conninfo';
import { deleteCookie, setCookie } from 'hono/cookie';
import { v7 as uuid } from 'uuid';
import { hashPassword, passwordFits } from '../auth/password.ts';
import { closeSession, cookieName, openSession, sessionHours, type Session } from '../auth/session.ts';
import { forgetFailures, mayTry, noteFailure } from '../auth/throttle.ts';
import { inRoom } from '../db.ts';
import { body, inOwnRoom, refuse, type Env, type House } from './context.ts';

/** Routes open to anyone: is there a room yet, make the first, sign in. */
export function openRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/setup', async (c) => c.json({ empty: !(await hasAnyRoom(house)) }));

  app.post('/first-room', async (c) => {
    const input = await body(c, firstRoomSchema);
    const passwordHash = await hashPassword(input.password);
    const roomId = uuid();
    const userId = uuid();
    await inRoom(house.db, roomId, async (tx) => {
      // Two first visitors at once: one waits here and then finds that there is a room.
      await tx.run('select pg_advisory_xact_lock(7130511)');
      const [row] = await tx.rows<{ has: boolean }>('select has_any_room() as has');
      if (row?.has) refuse(409, 'There is a room already: sign in, or ask for an account.');
      await tx.run('insert into rooms (room_id, name, time_zone) values ($1, $2, $3)', [
        roomId,
        input.room.trim(),
        input.timeZone,
      ]);
      await tx.run(
        'insert into users (room_id, id, email, name, password_hash) values ($1, $2, $3, $4, $5)',
        [roomId, userId, input.email, input.name.trim(), passwordHash],
      );
    });
    startSession(house, c, await openSession(house.db, roomId, userId));
    return c.json({ ok: true }, 201);
  });

  app.post('/sign-in', async (c) => {
    const { email, password } = await body(c, signInSchema);
    const address = addressOf(c);
    if (!(await mayTry(house.db, email, address)))
      refuse(429, 'Too many tries. Wait a quarter of an hour, then try again.');
    const { rows } = await house.db.query<{ room_id: string; id: string; password_hash: string }>(
      'select * from find_user_for_sign_in($1)',
      [email],
    );
    const user = rows[0];
    if (!(await passwordFits(user?.password_hash, password)) || !user) {
      await noteFailure(house.db, email, address);
      return refuse(401, 'That e-mail address and password do not fit together.');
    }
    await forgetFailures(house.db, email);
    startSession(house, c, await openSession(house.db, user.room_id, user.id));
    return c.json({ ok: true });
  });

  return app;
}

/** Routes of one's own account. */
export function accountRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/me', async (c) =>
    c.json(
      await inOwnRoom(house, c, async (tx, session): Promise<Me> => {
        const latest = async (kind: 'judging' | 'voice') => {
          const [row] = await tx.rows<{ at: Date; samples: number[] }>(
            'select at, samples from calibrations where room_id = $1 and user_id = $2 and kind = $3 order by at desc limit 1',
            [session.roomId, session.userId, kind],
          );
          return row ? { at: row.at.toISOString(), timesMs: row.samples } : null;
        };
        return { ...meOf(session), judging: await latest('judging'), voice: await latest('voice') };
      }),
    ),
  );

  app.post('/sign-out', async (c) => {
    await closeSession(house.db, c.get('session'));
    deleteCookie(c, cookieName, { path: '/' });
    return c.json({ ok: true });
  });

  return app;
}

async function hasAnyRoom(house: House): Promise<boolean> {
  const { rows } = await house.db.query<{ has: boolean }>('select has_any_room() as has');
  return rows[0]?.has ?? false;
}

function meOf(session: Session): Omit<Me, 'judging' | 'voice'> {
  return {
    userId: session.userId,
    name: session.name,
    roomId: session.roomId,
    room: session.room,
    timeZone: session.timeZone,
  };
}

function startSession(house: House, c: Context<Env>, token: string): void {
  setCookie(c, cookieName, token, {
    path: '/',
    httpOnly: true,
    sameSite: 'Strict',
    secure: house.secure,
    maxAge: sessionHours * 3600 * 14,
  });
}

function addressOf(c: Context<Env>): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    // In tests requests come without a connection.
    return 'unknown';
  }
}
