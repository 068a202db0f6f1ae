import { createHash } from 'node:crypto';
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { countText } from '@veldrift/core';
import type { Db } from '../db.ts';
import { Refusal } from '../refusal.ts';

/** What is counted, how many tries it allows in a quarter of an hour, and how long the wait after them is at first, s. */
const kinds = {
  /** One account from one network address. */
  pair: { points: 8, waitS: 60 },
  /** One account from a device that its tutor signed in on before: nobody else's failures count there. */
  device: { points: 8, waitS: 60 },
  /** One account from all unknown devices together. */
  account: { points: 60, waitS: 30 },
  /** One network address, whatever it tries. */
  address: { points: 40, waitS: 60 },
  /** Codes of children's screens from one network address. */
  code: { points: 10, waitS: 60 },
  /** One hundredth of all codes, from everywhere together: whoever guesses comes to the end of it, and closes no other. */
  codeSpace: { points: 30, waitS: 60 },
  /** Invitations and links for a new password, from one network address. */
  pass: { points: 20, waitS: 60 },
} as const;
export type ThrottleKind = keyof typeof kinds;
export const allowedTries = (kind: ThrottleKind): number => kinds[kind].points;

export type Slot = readonly [ThrottleKind, string];

const windowS = 900;
const longestWaitS = 3600;
/** A wait that has to be repeated within so long is twice as long. */
const remembersS = 86_400;

/** Tries that cost or could guess something. The slot is taken before the work, so that no number of tries at once passes it. */
export interface Throttle {
  /** Takes a slot of each, in one statement each. Throws a refusal with the seconds to wait where one has none left. */
  readonly take: (slots: readonly Slot[]) => Promise<void>;
  /** Whether a slot has not come to its end. */
  readonly isOpen: (slot: Slot) => Promise<boolean>;
  /** Gives slots back after a try that was right. */
  readonly giveBack: (slots: readonly Slot[]) => Promise<void>;
}

/** A throttle that holds over all server processes: it is kept in the database, by hashes only. */
export function openThrottle(db: Db): Throttle {
  const storeClient = db;
  const made = (points: number, duration: number) =>
    new RateLimiterPostgres({
      storeClient,
      storeType: 'pool',
      tableName: 'throttle',
      tableCreated: true,
      keyPrefix: '',
      points,
      duration,
    });
  const limiters = Object.fromEntries(
    Object.entries(kinds).map(([kind, { points }]) => [kind, made(points, windowS)]),
  ) as Record<ThrottleKind, RateLimiterPostgres>;
  const waits = made(1_000_000, remembersS);

  return {
    take: async (slots) => {
      for (const slot of slots) {
        const [kind] = slot;
        const key = keyOf(slot);
        try {
          await limiters[kind].consume(key);
        } catch (error) {
          if (!(error instanceof RateLimiterRes)) throw error;
          let waitS = Math.ceil(error.msBeforeNext / 1000);
          // The first try too many begins the wait; those after it only hear of it.
          if (error.consumedPoints === kinds[kind].points + 1) {
            const nth = (await waits.consume(`${key}:waits`)).consumedPoints;
            waitS = Math.min(longestWaitS, kinds[kind].waitS * 2 ** (nth - 1));
            await limiters[kind].block(key, waitS);
          }
          throw tooMany(waitS);
        }
      }
    },
    isOpen: async (slot) => {
      const found = await limiters[slot[0]].get(keyOf(slot));
      return found === null || found.consumedPoints < kinds[slot[0]].points;
    },
    giveBack: async (slots) => {
      for (const slot of slots) {
        const [kind] = slot;
        const key = keyOf(slot);
        // Whoever knows the password begins anew; of what many share only this one try is given back.
        if (kind === 'pair' || kind === 'device') {
          await limiters[kind].delete(key);
          await waits.delete(`${key}:waits`);
        } else await limiters[kind].reward(key);
      }
    },
  };
}

/** Under which a slot is counted. */
export const keyOf = ([kind, value]: Slot): string =>
  createHash('sha256').update(`${kind}:${value.toLowerCase()}`).digest('base64url');

function tooMany(waitS: number): Refusal {
  const wait =
    waitS < 90
      ? countText(waitS, 'second', 'seconds')
      : countText(Math.ceil(waitS / 60), 'minute', 'minutes');
  return new Refusal(429, { message: `Too many tries. Wait ${wait}, then try again.` }, waitS);
}

/** What one child's screen may tell: more than fingers can type, less than keeps a server busy. */
const tells = { points: 300, durationS: 10 } as const;

/** A throttle of one process, for what is frequent and guesses nothing. */
export function openTellThrottle(): (link: string) => Promise<void> {
  const limiter = new RateLimiterMemory({ points: tells.points, duration: tells.durationS });
  return async (link) => {
    try {
      await limiter.consume(link);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw new Refusal(
        429,
        { message: 'This screen tells too much at once.' },
        Math.ceil(error.msBeforeNext / 1000),
      );
    }
  };
}
