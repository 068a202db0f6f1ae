// npm start: everything up. Installs what is missing, then hands over to scripts/up.ts.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDebian, ensureNode, ensurePackages, giveUp, hasPostgres, root } from './ensure.mjs';

const help = `npm start [-- OPTIONS]

Brings up the database, the demo room and the application, and prints the address.

  --port N    the port to serve on (default 8080; the next free one when it is taken)
  --host H    the address to listen on (default 127.0.0.1)
  --empty     no demo room: a data folder of its own, where the first visitor makes an account and a room
  --data DIR  where the database is kept (default .veldrift, or .veldrift-empty with --empty)
  --help      this text

Ctrl-C stops what was started here, and nothing else. The data stays.
`;

const options = process.argv.slice(2);
if (options.includes('--help') || options.includes('-h')) {
  process.stdout.write(help);
  process.exit(0);
}
for (let at = 0; at < options.length; at += 1) {
  if (options[at] === '--empty') continue;
  if (!['--port', '--host', '--data'].includes(options[at]))
    giveUp(`"${options[at]}" is not an option here. See: npm start -- --help`);
  if (options[at] === '--port' && !/^\d{1,5}$/.test(options[at + 1] ?? ''))
    giveUp('--port should be followed by a number.');
  if (options[at + 1] === undefined) giveUp(`${options[at]} should be followed by a value.`);
  at += 1;
}
ensureNode();
ensureDebian(['postgresql'], hasPostgres);
ensurePackages();

/** Ended so, what brings everything up was built anew and is to be begun once more. */
const builtAnew = 75;
let child;
const begin = () => {
  const built = join(root, 'server/dist/up.js');
  // Built where it can be: the loader of TypeScript takes longer than all the rest.
  const what = existsSync(built) ? [built] : ['--import', 'tsx', 'scripts/up.ts'];
  child = spawn(process.execPath, [...what, ...options], {
    cwd: root,
    // With a line to it: when this process is gone, however that went, it stops by itself.
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
  });
  child.on('exit', (code) => (code === builtAnew ? begin() : process.exit(code ?? 0)));
};
begin();
// Ctrl-C reaches the child too; we wait for it to put things away.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
