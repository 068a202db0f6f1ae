import { createRandom } from '@veldrift/core';
import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { oneAnswer } from './oneAnswer.ts';
import { demoPassword, demoTutors } from '../scripts/demo/house.ts';

export const writers = 14;
export const readers = 6;
const pause = (waitMs: number) => new Promise<void>((done) => setTimeout(done, waitMs));

/** Writers and readers at a house that is being broken, each insisting until it is answered. */
export interface Load {
  readonly playIds: readonly string[];
  /** Sends one answer and waits until it is acknowledged. Gives how long that took, ms. */
  readonly untilKept: () => Promise<number>;
  readonly stop: () => Promise<{
    readonly all: ReadonlySet<string>;
    readonly acknowledged: ReadonlySet<string>;
    readonly refused: number;
    /** Requests that were taken and never answered. */
    readonly hung: number;
  }>;
}

/** Begins the load on a house with the demo room in it. */
export async function beginLoad(address: string): Promise<Load> {
  const cookies: string[] = [];
  for (const tutor of demoTutors) {
    const response = await fetch(`${address}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: tutor.email, password: demoPassword }),
    });
    cookies.push(
      response.headers
        .getSetCookie()
        .map((one) => one.split(';')[0])
        .join('; '),
    );
  }
  const all = new Set<string>();
  const acknowledged = new Set<string>();
  let refused = 0;
  let hung = 0;
  let going = true;

  const ask = async (nth: number, path: string, body?: unknown) => {
    const response = await fetch(`${address}/api${path}`, {
      headers: { cookie: cookies[nth % cookies.length] as string, 'content-type': 'application/json' },
      signal: AbortSignal.timeout(15_000),
      ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as unknown };
  };
  /** Asks until it is answered, as the outbox does. */
  const insist = async (nth: number, path: string, body?: unknown): Promise<unknown> => {
    for (;;) {
      const found = await ask(nth, path, body).catch((error: unknown) => {
        if (error instanceof Error && error.name === 'TimeoutError') hung += 1;
        return undefined;
      });
      if (found && found.status < 300) return found.body;
      if (found && found.status !== 503)
        throw new Error(`${path} answered ${found.status}: ${JSON.stringify(found.body)}`);
      refused += 1;
      await pause(100);
    }
  };
  const heads = await Promise.all(
    Array.from({ length: writers + 1 }, async (_, nth) => {
      const pupil = {
        ...newPupilInput(uuid()),
        name: `Load ${nth}`,
        operation: 'mul',
        setId: 'strategy/mul/squares',
      };
      await insist(nth, '/pupils', pupil);
      return { pupilId: pupil.id, visitId: uuid(), playId: uuid() };
    }),
  );
  const facts = ['3x3', '4x4', '6x6', '7x7', '8x8', '9x9'];
  const write = async (nth: number, count: number) => {
    const events = Array.from({ length: count }, (_, at) =>
      oneAnswer({ ...(heads[nth] as (typeof heads)[number]), fact: facts[(at + nth) % 6] as string }),
    );
    events.forEach((one) => all.add(one.id));
    const { results } = (await insist(nth, '/events', { deviceNow: new Date().toISOString(), events })) as {
      results: { id: string; status: string; message?: string }[];
    };
    for (const one of results) {
      if (one.status === 'refused') throw new Error(`An answer was refused: ${one.message}`);
      acknowledged.add(one.id);
    }
  };
  const loops = [
    ...Array.from({ length: writers }, async (_, nth) => {
      const random = createRandom(nth);
      while (going) await write(nth, random.int(1, 5));
    }),
    ...Array.from({ length: readers }, async (_, nth) => {
      for (let at = 0; going; at += 1)
        await insist(nth, at % 3 === 0 ? '/pupils' : `/pupils/${heads[(nth + at) % writers]?.pupilId}`);
    }),
  ];
  // A loop that fails is heard of at the end; until then it must not end the process.
  const ended = Promise.all(loops);
  ended.catch(() => undefined);
  return {
    playIds: heads.map((one) => one.playId),
    untilKept: async () => {
      const begun = performance.now();
      await write(writers, 1);
      return performance.now() - begun;
    },
    stop: async () => {
      going = false;
      await ended;
      return { all, acknowledged, refused, hung };
    },
  };
}
