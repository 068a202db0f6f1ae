import { changePasswordSchema, type People } from '@veldrift/wire';
import { Hono } from 'hono';
import { hashPassword, passwordFits } from '../auth/password.ts';
import { refuse } from '../refusal.ts';
import { journalOf, note } from '../store/journal.ts';
import { makePass, openInvites, withdrawInvite } from '../store/passes.ts';
import {
  endSession,
  membersOf,
  passwordHashOf,
  removeUser,
  sessionsOf,
  setPassword,
} from '../store/people.ts';
import { body, idParam, inOwnRoom, refuseCommon, type Env, type House } from './context.ts';

/** The people of a room, one's own password and sign-ins. */
export function peopleRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/people', async (c) =>
    c.json(
      await inOwnRoom(house, c, async (tx, session): Promise<People> => ({
        members: await membersOf(tx, session.userId),
        invites: await openInvites(tx),
        journal: await journalOf(tx),
      })),
    ),
  );

  app.post('/people/invites', async (c) =>
    c.json(
      await inOwnRoom(house, c, async (tx, session) => {
        const pass = await makePass(tx, 'invite', null, session.userId);
        await note(tx, session.userId, 'invited');
        return pass;
      }),
      201,
    ),
  );

  app.delete('/people/invites/:id', async (c) => {
    const id = idParam(c);
    await inOwnRoom(house, c, async (tx, session) => {
      if (!(await withdrawInvite(tx, id)))
        refuse(404, 'There is no such invitation: it was used, withdrawn, or has run out.');
      await note(tx, session.userId, 'inviteWithdrawn');
    });
    return c.json({ ok: true });
  });

  app.delete('/people/:id', async (c) => {
    const id = idParam(c);
    await inOwnRoom(house, c, async (tx, session) => {
      const member = (await membersOf(tx, session.userId)).find((one) => one.id === id);
      if (!member) return refuse(404, 'There is no such tutor in this room.');
      if (!member.mayRemove) refuse(403, 'You can take out those you asked in, and those they asked in.');
      await removeUser(tx, id);
      await note(tx, session.userId, 'removed', member.name);
    });
    return c.json({ ok: true });
  });

  app.post('/people/:id/reset', async (c) => {
    const id = idParam(c);
    const pass = await inOwnRoom(house, c, async (tx, session) => {
      const member = (await membersOf(tx, session.userId)).find((one) => one.id === id);
      if (!member) return refuse(404, 'There is no such tutor in this room.');
      if (id === session.userId) refuse(409, 'Change your own password in Settings.');
      await note(tx, session.userId, 'resetMade', member.name);
      return makePass(tx, 'reset', id, session.userId);
    });
    return c.json(pass, 201);
  });

  app.post('/account/password', async (c) => {
    const { old, password } = await body(c, changePasswordSchema);
    const { userId, id: here } = c.get('session');
    const slot = ['pair', `password:${userId}`] as const;
    await house.throttle.take([slot]);
    const hash = await inOwnRoom(house, c, (tx) => passwordHashOf(tx, userId));
    if (!(await passwordFits(hash, old))) refuse(400, 'That is not your password now.', 'old');
    refuseCommon(password);
    const fresh = await hashPassword(password);
    await inOwnRoom(house, c, async (tx) => {
      await setPassword(tx, userId, fresh, here);
      await note(tx, userId, 'passwordChanged');
    });
    await house.throttle.giveBack([slot]);
    return c.json({ ok: true });
  });

  app.get('/account/sessions', async (c) =>
    c.json(await inOwnRoom(house, c, (tx, session) => sessionsOf(tx, session.userId, session.id))),
  );

  app.delete('/account/sessions/:id', async (c) => {
    const id = idParam(c);
    await inOwnRoom(house, c, async (tx, session) => {
      if (!(await endSession(tx, session.userId, id))) refuse(404, 'There is no such sign-in of yours.');
      await note(tx, session.userId, 'sessionEnded');
    });
    return c.json({ ok: true });
  });

  return app;
}
