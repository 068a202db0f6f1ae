import { serve } from '@hono/node-server';
import type { Server } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openDb } from './db.ts';
import { openLinkHub } from './live/linkHub.ts';
import { servePages } from './pages.ts';

/** Starts the server from its environment: VELDRIFT_DB, VELDRIFT_PORT, VELDRIFT_HOST, VELDRIFT_PAGES, VELDRIFT_SECURE, VELDRIFT_LOG. */
function main(): void {
  const url = process.env.VELDRIFT_DB;
  if (!url) throw new Error('VELDRIFT_DB should be the address of the database.');
  const log = pino({ level: process.env.VELDRIFT_LOG ?? 'warn' });
  const db = openDb(url, (error) => log.warn({ err: error }, 'a database connection broke'));
  const live = openLinkHub(url, db, log);
  const app = createApp({ db, log, live, secure: process.env.VELDRIFT_SECURE === '1' });
  if (process.env.VELDRIFT_PAGES) servePages(app, process.env.VELDRIFT_PAGES);
  const server = serve(
    {
      fetch: app.fetch,
      port: Number(process.env.VELDRIFT_PORT ?? 8080),
      hostname: process.env.VELDRIFT_HOST ?? '127.0.0.1',
    },
    (info) => {
      process.send?.({ ready: true, port: info.port });
    },
  ) as Server;
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.close(
      () =>
        void live
          .close()
          .then(() => db.end())
          .then(() => process.exit(0)),
    );
    server.closeAllConnections();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
}

main();
