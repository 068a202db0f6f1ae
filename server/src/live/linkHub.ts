import { Client } from 'pg';
import type { Logger } from 'pino';
import type { Db } from '../db.ts';

/** Which end of a link a message is for. */
export type LinkEnd = 'child' | 'tutor';

/** Carries messages between a tutor's table and a child's screen, over all server processes. */
export interface LinkHub {
  /** Hears messages for one end of a link until the function given back is called. */
  readonly hear: (link: string, end: LinkEnd, listener: (data: string) => void) => () => void;
  /** Sends a message to whoever hears it in any process; of one that is too long, that there is something to look at. */
  readonly tell: (link: string, end: LinkEnd, data: unknown) => Promise<void>;
  readonly close: () => Promise<void>;
}

/** PostgreSQL's channel for all links. */
export const channel = 'veldrift_links';
const longestPayload = 7500;

/** Said in the place of a message that is too long for NOTIFY: look at what is kept. */
export const lookAgain = '"look again"';

/** A message as it goes over the channel. One too long for NOTIFY (8,000 bytes) only says that there is something to look at. */
export function livePayload(link: string, end: LinkEnd, data: unknown): string {
  const payload = `${link} ${end} ${JSON.stringify(data)}`;
  return Buffer.byteLength(payload) > longestPayload ? `${link} ${end} ${lookAgain}` : payload;
}
const reconnectMs = 500;

/** Opens the hub: one connection that listens, and PostgreSQL's NOTIFY to fan out. A connection that breaks is made anew. */
export function openLinkHub(url: string, db: Db, log: Logger): LinkHub {
  const listeners = new Map<string, Set<(data: string) => void>>();
  let closed = false;
  let client: Client | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const deliver = (payload: string) => {
    const [link, end, ...rest] = payload.split(' ');
    listeners.get(`${link} ${end}`)?.forEach((listener) => listener(rest.join(' ')));
  };
  const connect = async (): Promise<void> => {
    if (closed) return;
    const made = new Client({ connectionString: url });
    made.on('notification', (message) => message.payload && deliver(message.payload));
    const again = () => {
      if (client === made) client = undefined;
      made.removeAllListeners();
      made.on('error', () => undefined);
      void made.end().catch(() => undefined);
      if (!closed) timer = setTimeout(() => void connect(), reconnectMs);
    };
    made.on('error', (error) => {
      log.warn({ err: error }, 'the live channel broke; it is made anew');
      again();
    });
    try {
      await made.connect();
      await made.query(`listen ${channel}`);
      client = made;
      // What was said before it listened, or while it could not, was heard by nobody: each screen looks at what is kept.
      for (const [key, set] of listeners)
        if (key.endsWith(' child')) set.forEach((listener) => listener(lookAgain));
    } catch (error) {
      log.warn({ err: error }, 'the live channel could not be opened; it is tried again');
      again();
    }
  };
  void connect();

  return {
    hear: (link, end, listener) => {
      const key = `${link} ${end}`;
      const set = listeners.get(key) ?? new Set();
      set.add(listener);
      listeners.set(key, set);
      return () => {
        set.delete(listener);
        if (set.size === 0) listeners.delete(key);
      };
    },
    tell: async (link, end, data) => {
      // Nothing to be kept is written: there is no disk to wait for.
      await db.query(`select set_config('synchronous_commit', 'off', true), pg_notify($1, $2)`, [
        channel,
        livePayload(link, end, data),
      ]);
    },
    close: async () => {
      closed = true;
      clearTimeout(timer);
      listeners.clear();
      await client?.end().catch(() => undefined);
    },
  };
}
