import {
  firstRoomSchema,
  joinRoomSchema,
  newPasswordSchema,
  passSchema,
  signInSchema,
  type Me,
  type Pass,
} from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { v7 as uuid } from 'uuid';
import { addressOf } from '../auth/address.ts';
import { hashPassword, passwordFits } from '../auth/password.ts';
import {
  closeSession,
  cookieName,
  deviceCookieName,
  deviceName,
  findSession,
  hashOfToken,
  newToken,
  openSession,
  sessionDays,
  type Session,
} from '../auth/session.ts';
import type { Slot } from '../auth/throttle.ts';
import { inRoom } from '../db.ts';
import { refuse } from '../refusal.ts';
import { note } from '../store/journal.ts';
import { findPass, usePass, type FoundPass } from '../store/passes.ts';
import { addUser, setPassword } from '../store/people.ts';
import { body, inOwnRoom, refuseCommon, type Env, type House } from './context.ts';

const deviceDays = 400;

/** Routes open to anyone: is there a room yet, make the first, sign in, come in by a link. */
export function openRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/setup', async (c) =>
    c.json({ empty: !(await hasAnyRoom(house)), signedIn: (await sessionHere(house, c)) !== undefined }),
  );

  app.post('/first-room', async (c) => {
    // Before anything is read or reckoned: a house with a room costs nothing here.
    const taken = 'There is a room already: sign in, or ask for an invitation.';
    if (await hasAnyRoom(house)) refuse(409, taken);
    await house.throttle.take([['address', addressOf(c)]]);
    const input = await body(c, firstRoomSchema);
    refuseCommon(input.password);
    const passwordHash = await hashPassword(input.password);
    const roomId = uuid();
    const userId = await inRoom(house.db, roomId, async (tx) => {
      // Two first visitors at once: one waits here and then finds that there is a room.
      await tx.run('select pg_advisory_xact_lock(7130511)');
      const [row] = await tx.rows<{ has: boolean }>('select has_any_room() as has');
      if (row?.has) refuse(409, taken);
      await tx.run('insert into rooms (room_id, name, time_zone) values ($1, $2, $3)', [
        roomId,
        input.room.trim(),
        input.timeZone,
      ]);
      return addUser(tx, { ...input, passwordHash, invitedBy: null });
    });
    if (userId === undefined) return refuse(409, taken);
    await startSession(house, c, roomId, userId);
    return c.json({ ok: true }, 201);
  });

  app.post('/sign-in', async (c) => {
    const { email, password } = await body(c, signInSchema);
    const slots = await signInSlots(house, c, email);
    await house.throttle.take(slots);
    const { rows } = await house.db.query<{ room_id: string; id: string; password_hash: string }>(
      'select * from find_user_for_sign_in($1)',
      [email],
    );
    const user = rows[0];
    if (!(await passwordFits(user?.password_hash, password)) || !user)
      return refuse(401, 'That e-mail address and password do not fit together.');
    await house.throttle.giveBack(slots);
    await startSession(house, c, user.room_id, user.id);
    return c.json({ ok: true });
  });

  app.post('/passes/look', async (c) => {
    const { token } = await body(c, passSchema);
    const { kind, room, by, name, email } = await openPass(house, c, token);
    return c.json({ kind, room, by, name, email } satisfies Pass);
  });

  app.post('/passes/join', async (c) => {
    const input = await body(c, joinRoomSchema);
    const pass = await openPass(house, c, input.token, 'invite');
    refuseCommon(input.password);
    const passwordHash = await hashPassword(input.password);
    const userId = await inRoom(house.db, pass.roomId, async (tx) => {
      const { madeBy } = (await usePass(tx, pass.id)) ?? refuse(410, usedUp);
      const id = await addUser(tx, { ...input, passwordHash, invitedBy: madeBy });
      if (id === undefined)
        return refuse(409, 'This address has an account already. Take another, or sign in with it.', 'email');
      await note(tx, id, 'joined');
      return id;
    });
    await startSession(house, c, pass.roomId, userId);
    return c.json({ ok: true }, 201);
  });

  app.post('/passes/reset', async (c) => {
    const { token, password } = await body(c, newPasswordSchema);
    const pass = await openPass(house, c, token, 'reset');
    const { userId } = pass;
    if (userId === null) return refuse(404, unknownPass);
    refuseCommon(password);
    const passwordHash = await hashPassword(password);
    await inRoom(house.db, pass.roomId, async (tx) => {
      if (!(await usePass(tx, pass.id))) refuse(410, usedUp);
      await setPassword(tx, userId, passwordHash, null);
      await note(tx, userId, 'passwordReset');
    });
    await startSession(house, c, pass.roomId, userId);
    return c.json({ ok: true });
  });

  return app;
}

const unknownPass = 'This link is not known here. Copy all of it, or ask for a new one.';
const usedUp = 'This link was used already. Ask for a new one.';

/** The pass of a token, still to be used. Refuses, throttled by address, what is none. */
async function openPass(
  house: House,
  c: Context<Env>,
  token: string,
  kind?: FoundPass['kind'],
): Promise<FoundPass> {
  const slot = ['pass', addressOf(c)] as const;
  await house.throttle.take([slot]);
  const pass = await findPass(house.db, token);
  if (!pass || (kind !== undefined && pass.kind !== kind)) return refuse(404, unknownPass);
  await house.throttle.giveBack([slot]);
  if (pass.state === 'used') refuse(410, usedUp);
  if (pass.state === 'expired') refuse(410, 'This link has run out. Ask for a new one.');
  return pass;
}

/** Which slots a try to sign in takes. A device that its tutor signed in on before stands apart from all others' tries. */
async function signInSlots(house: House, c: Context<Env>, email: string): Promise<Slot[]> {
  const device = getCookie(c, deviceCookieName) ?? '';
  if (device !== '') {
    const { rows } = await house.db.query<{ known: boolean }>('select is_known_device($1, $2) as known', [
      email,
      hashOfToken(device),
    ]);
    if (rows[0]?.known) return [['device', `${email} ${device}`]];
  }
  const address = addressOf(c);
  return [
    ['pair', `${email} ${address}`],
    ['address', address],
    ['account', email],
  ];
}

async function sessionHere(house: House, c: Context<Env>): Promise<Session | undefined> {
  const token = getCookie(c, cookieName);
  return token === undefined ? undefined : findSession(house.db, token);
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
        const [user] = await tx.rows<{ seal_key: Buffer }>(
          'select seal_key from users where room_id = $1 and id = $2',
          [session.roomId, session.userId],
        );
        return {
          ...meOf(session),
          sealKey: (user?.seal_key ?? Buffer.alloc(32)).toString('base64'),
          judging: await latest('judging'),
          voice: await latest('voice'),
        };
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

function meOf(session: Session): Omit<Me, 'judging' | 'voice' | 'sealKey'> {
  return {
    userId: session.userId,
    name: session.name,
    roomId: session.roomId,
    room: session.room,
    timeZone: session.timeZone,
  };
}

/** Opens a session in this browser; one that was open here before, of whomever, ends. */
async function startSession(house: House, c: Context<Env>, roomId: string, userId: string): Promise<void> {
  const before = await sessionHere(house, c);
  if (before) await closeSession(house.db, before);
  const deviceToken = getCookie(c, deviceCookieName) ?? newToken();
  const token = await openSession(house.db, roomId, userId, {
    device: deviceName(c.req.header('user-agent')),
    deviceToken,
  });
  await inRoom(house.db, roomId, (tx) => note(tx, userId, 'signedIn'));
  const cookie = { path: '/', httpOnly: true, sameSite: 'Strict', secure: house.secure } as const;
  setCookie(c, cookieName, token, { ...cookie, maxAge: sessionDays * 86_400 });
  setCookie(c, deviceCookieName, deviceToken, { ...cookie, path: '/api', maxAge: deviceDays * 86_400 });
}
