import { ensureDatabase, inRoom, makePass, migrate, note, openDb } from '@veldrift/server';
import { join, resolve } from 'node:path';
import { openData } from './openData.ts';

const root = resolve(import.meta.dirname, '..');
const help = `npm run -s reset -- --email ADDRESS [--data DIR] [--address URL]

Makes a link by which the tutor of that address chooses a new password: once, within 24 hours. It stands in the room's journal.
For whoever has the machine; a tutor of the room can make one too, under Room, People.

  --email ADDRESS  whose password
  --data DIR       where the database is kept (default .veldrift)
  --address URL    where the application is reached (default http://localhost:8080)
`;

async function main(args: readonly string[]): Promise<void> {
  if (args.includes('--help')) return void process.stdout.write(help);
  const value = (name: string) => (args.includes(name) ? args[args.indexOf(name) + 1] : undefined);
  const email = value('--email');
  if (email === undefined) return fail('--email should be followed by the address of the account.');
  const data = await openData(resolve(root, value('--data') ?? '.veldrift'));
  try {
    await ensureDatabase(data.cluster, 'veldrift');
    await migrate(data.cluster.adminUrl('veldrift'), join(root, 'server/migrations'));
    const db = openDb(data.cluster.appUrl('veldrift'));
    try {
      const { rows } = await db.query<{ room_id: string; id: string; name: string }>(
        'select room_id, id, name from find_user_for_sign_in($1)',
        [email],
      );
      const [user] = rows;
      if (!user) return fail(`There is no account with the address ${email} here.`);
      const pass = await inRoom(db, user.room_id, async (tx) => {
        await note(tx, null, 'resetMade', user.name);
        return makePass(tx, 'reset', user.id, null);
      });
      process.stdout.write(`${value('--address') ?? 'http://localhost:8080'}/door#${pass.token}\n`);
    } finally {
      await db.end();
    }
  } finally {
    await data.close();
  }
}

/** Says one sentence, and ends with 1 once everything is closed. */
function fail(sentence: string): void {
  process.stderr.write(`${sentence}\n`);
  process.exitCode = 1;
}

await main(process.argv.slice(2));
