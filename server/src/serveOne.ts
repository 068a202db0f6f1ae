import { serve } from '@hono/node-server';
import type { Server } from 'node:http';
import { createApp } from './app.ts';
import { openThrottle } from './auth/throttle.ts';
import { openDb } from './db.ts';
import { openLinkHub } from './live/linkHub.ts';
import { openLog } from './logger.ts';
import { dropRoot } from './ownUser.ts';
import { servePages } from './pages.ts';

/**
 * A connection nobody speaks on is closed after so long, ms. Node's own 5 s is about the time between two answers of a child: what is
 * sent just as the server closes is reset.
 */
const keptOpenMs = 75_000;

/** One server process, from its environment: VELDRIFT_DB, VELDRIFT_PORT, VELDRIFT_HOST, VELDRIFT_PAGES, VELDRIFT_SECURE, VELDRIFT_LOG. */
export function serveOne(url: string, onListening: (port: number) => void): void {
  const log = openLog(process.env.VELDRIFT_LOG ?? 'warn');
  const db = openDb(url, (error) => log.warn({ err: error }, 'a database connection broke'));
  const live = openLinkHub(url, db, log);
  const secure = process.env.VELDRIFT_SECURE === '1';
  const app = createApp({ db, log, live, throttle: openThrottle(db), secure });
  if (process.env.VELDRIFT_PAGES) servePages(app, process.env.VELDRIFT_PAGES);
  const server = serve(
    {
      fetch: app.fetch,
      port: Number(process.env.VELDRIFT_PORT ?? 8080),
      hostname: process.env.VELDRIFT_HOST ?? '127.0.0.1',
    },
    ({ port }) => {
      dropRoot();
      onListening(port);
    },
  ) as Server;
  server.keepAliveTimeout = keptOpenMs;
  // Node closes a connection whose headers are this late; it has to be later than the other.
  server.headersTimeout = keptOpenMs + 1000;
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
  // Whoever started this is gone: nothing is left behind.
  process.on('disconnect', stop);
  // A promise nobody waited for is a fault of ours to be read about, and no reason to drop everyone's connections.
  process.on('unhandledRejection', (error) => log.error({ err: error }, 'a fault nobody waited for'));
}
