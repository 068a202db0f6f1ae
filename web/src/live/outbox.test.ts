import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TableEvent } from '@veldrift/wire';
import { openDeviceDb, type DeviceDb, type PlayRow } from '../app/deviceDb.ts';
import { createOutbox, type Outbox, type SendOutcome } from './outbox.ts';

let nth = 0;
let db: DeviceDb;
let open: Outbox[] = [];
beforeEach(async () => {
  nth += 1;
  db = await openDeviceDb(`test-${nth}`);
});
afterEach(() => {
  open.forEach((one) => one.close());
  open = [];
  db.close();
});

const event = (id: string, pupilId = 'p1'): TableEvent => ({
  id,
  v: 1,
  kind: 'visitStarted',
  pupilId,
  visitId: 'v',
  at: '2026-11-24T09:00:00.000Z',
});
const all = (events: readonly TableEvent[], status: 'kept' | 'refused' = 'kept'): SendOutcome => ({
  kind: 'sent',
  result: {
    serverNow: '',
    results: events.map(({ id }) => ({ id, status, message: 'No.' })),
  },
});
const outbox = (send: (events: readonly TableEvent[]) => Promise<SendOutcome>, user = 'u1'): Outbox => {
  const made = createOutbox(db, user, send);
  open.push(made);
  return made;
};
const waitingIds = async () => (await db.getAll('outbox')).map((row) => row.id).sort();

describe('the outbox', () => {
  it('has events and their minute on disk before it tells of them, and sends them in order', async () => {
    const sent: string[][] = [];
    let release: () => void = () => undefined;
    const held = new Promise<void>((done) => (release = done));
    const box = outbox(async (events) => {
      await held;
      sent.push(events.map((one) => one.id));
      return all(events);
    });
    await box.add([event('a'), event('b')], { playId: 'm1', state: { answers: [] } } as unknown as PlayRow);
    expect(await waitingIds()).toEqual(['a', 'b']);
    expect(await db.get('plays', 'm1')).toMatchObject({ playId: 'm1' });
    expect(box.state().waiting).toBe(2);
    await box.add([event('c')]);
    release();
    await vi.waitFor(async () => expect(await waitingIds()).toEqual([]));
    expect(sent.flat()).toEqual(['a', 'b', 'c']);
    await vi.waitFor(() => expect(box.state()).toEqual({ waiting: 0, refused: 0, held: null }));
  });

  it('waits as long as the server asks it to', async () => {
    const at: number[] = [];
    const box = outbox((events) => {
      at.push(performance.now());
      return Promise.resolve(at.length === 1 ? { kind: 'away', retryAfterMs: 1600 } : all(events));
    });
    await box.add([event('a')]);
    await vi.waitFor(() => expect(at).toHaveLength(2), { timeout: 5000 });
    // By itself it would have come back after a second.
    expect((at[1] as number) - (at[0] as number)).toBeGreaterThanOrEqual(1590);
  });

  it('waits twice as long each time, and after it got through as little as at first', async () => {
    const waits: number[] = [];
    const real = globalThis.setTimeout;
    vi.stubGlobal('setTimeout', (work: () => void, ms?: number) => {
      // Its own waits are over at once, and written down.
      if (ms !== undefined && ms >= 1000) waits.push(ms);
      return real(work, ms !== undefined && ms >= 1000 ? 0 : ms);
    });
    const answers: SendOutcome['kind'][] = ['away', 'away', 'away', 'sent', 'away', 'sent'];
    const box = outbox((events) =>
      Promise.resolve(answers.shift() === 'away' ? { kind: 'away' } : all(events)),
    );
    await box.add([event('a')]);
    await vi.waitFor(async () => expect(await waitingIds()).toEqual([]));
    await box.add([event('b')]);
    await vi.waitFor(async () => expect(await waitingIds()).toEqual([]));
    vi.unstubAllGlobals();
    expect(waits).toEqual([1000, 2000, 4000, 1000]);
  });

  it('keeps everything while the server is away or the sign-in has ended, and says which', async () => {
    let answer: SendOutcome = { kind: 'away' };
    const box = outbox((events) => Promise.resolve(answer.kind === 'sent' ? all(events) : answer));
    await box.add([event('a')]);
    await vi.waitFor(() => expect(box.state()).toEqual({ waiting: 1, refused: 0, held: 'away' }));
    answer = { kind: 'signIn' };
    await box.flush();
    expect(box.state()).toEqual({ waiting: 1, refused: 0, held: 'signIn' });
    answer = all([]);
    await box.flush();
    expect(box.state()).toEqual({ waiting: 0, refused: 0, held: null });
  });

  it('keeps a refused event with its reason; it blocks no other and can be taken away', async () => {
    const box = outbox((events) =>
      Promise.resolve({
        kind: 'sent',
        result: {
          serverNow: '',
          results: events.map(({ id }) =>
            id === 'bad'
              ? { id, status: 'refused', field: 'fact', message: 'No such fact.' }
              : { id, status: 'kept' },
          ),
        },
      } as SendOutcome),
    );
    await box.add([event('a'), event('bad'), event('c')]);
    await box.flush();
    expect(await waitingIds()).toEqual(['bad']);
    expect(box.state()).toMatchObject({ waiting: 0, refused: 1 });
    expect((await box.refusedRows())[0]?.refused).toEqual({ message: 'No such fact.', field: 'fact' });
    await box.add([event('d')]);
    await box.flush();
    expect(await waitingIds()).toEqual(['bad']);
    await box.discard('bad');
    expect(box.state().refused).toBe(0);
  });

  it('finds the one event for which a whole batch is refused', async () => {
    const box = outbox((events) =>
      Promise.resolve(
        events.some((one) => one.id === 'huge') ? { kind: 'refused', message: 'Too large.' } : all(events),
      ),
    );
    await box.add([event('a'), event('huge'), event('c')]);
    await box.flush();
    expect(await waitingIds()).toEqual(['huge']);
    expect((await box.refusedRows())[0]?.refused?.message).toBe('Too large.');
  });

  it('belongs to one user: another\u2019s events wait for them', async () => {
    const away = outbox(() => Promise.resolve({ kind: 'away' }), 'u1');
    await away.add([event('mine')]);
    const sent: string[] = [];
    const box = outbox((events) => {
      sent.push(...events.map((one) => one.id));
      return Promise.resolve(all(events));
    }, 'u2');
    await box.add([event('theirs')]);
    await box.flush();
    expect(sent).toEqual(['theirs']);
    expect(await waitingIds()).toEqual(['mine']);
  });

  it('sends in order whatever year the device believes in, 1900 among them', async () => {
    vi.spyOn(Date, 'now').mockReturnValue(Date.parse('1900-03-01T10:00:00Z'));
    const sent: string[] = [];
    const box = outbox((events) => {
      sent.push(...events.map((one) => one.id));
      return Promise.resolve(all(events));
    });
    for (const id of ['a', 'b', 'c']) await box.add([event(id)]);
    await box.flush();
    vi.restoreAllMocks();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(await waitingIds()).toEqual([]);
  });

  it('forgets a pupil deleted for good, and no other', async () => {
    const box = outbox(() => Promise.resolve({ kind: 'away' }));
    await box.add([event('a', 'gone'), event('b', 'stays')], {
      playId: 'm1',
      pupilId: 'gone',
      state: { answers: [] },
    } as unknown as PlayRow);
    await box.add([], { playId: 'm2', pupilId: 'stays', state: { answers: [] } } as unknown as PlayRow);
    await box.forgetPupil('gone');
    expect(await waitingIds()).toEqual(['b']);
    expect((await db.getAll('plays')).map((one) => one.playId)).toEqual(['m2']);
    expect(box.state().waiting).toBe(1);
  });

  it('forgets the games at which a deleted pupil sat, whoever began them', async () => {
    const box = outbox(() => Promise.resolve({ kind: 'away' }));
    const game = (playId: string, ...ids: readonly (string | null)[]) =>
      ({
        ...{ playId, kind: 'game', pupilId: 'stays', moves: [{ id: 'm' }], state: { status: 'paused' } },
        seats: ids.map((id) => ({ pupil: id === null ? null : { id } })),
      }) as unknown as PlayRow;
    await box.add([], game('both', 'stays', 'gone'));
    await box.add([], game('other', 'stays', null));
    await box.forgetPupil('gone');
    expect((await db.getAll('plays')).map((one) => one.playId)).toEqual(['other']);
    expect((await db.getAll('parts')).map((one) => one.playId)).toEqual(['other']);
  });

  it('tells those who listen, until they leave, and keeps the order of what came at once', async () => {
    const box = outbox(() => Promise.resolve({ kind: 'away' }));
    let heard = 0;
    const leave = box.subscribe(() => (heard += 1));
    await box.add([event('a'), event('b')]);
    await box.add([event('c')]);
    await vi.waitFor(() => expect(heard).toBeGreaterThan(1));
    const orders = (await db.getAll('outbox')).map((one) => [one.id, one.order] as const);
    const ordered = orders.toSorted((one, other) => one[1] - other[1]).map(([id]) => id);
    expect(ordered).toEqual(['a', 'b', 'c']);
    expect(new Set(orders.map(([, order]) => order)).size).toBe(3);
    expect(Math.abs((orders[0]?.[1] ?? 0) / 1000 - Date.now())).toBeLessThan(60_000);
    leave();
    const before = heard;
    await box.add([event('d')]);
    expect(heard).toBe(before);
  });

  it('sends what came while it was sending without being asked, and nothing once it is closed', async () => {
    const sent: string[][] = [];
    const held: (() => void)[] = [];
    const box = outbox(async (events) => {
      sent.push(events.map((one) => one.id));
      await new Promise<void>((done) => held.push(done));
      return all(events);
    });
    await box.add([event('a')]);
    await vi.waitFor(() => expect(held).toHaveLength(1));
    await box.add([event('b')]);
    held[0]?.();
    await vi.waitFor(() => expect(sent).toEqual([['a'], ['b']]));
    held[1]?.();
    await vi.waitFor(async () => expect(await waitingIds()).toEqual([]));
    box.close();
    await box.add([event('c')]);
    await box.flush();
    expect(sent).toHaveLength(2);
  });

  it('loses nothing and doubles nothing, whatever the network does', async () => {
    // Each try either arrives and is acknowledged, arrives and its answer is lost, or does not arrive.
    const fates = fc.array(fc.constantFrom('ok', 'answerLost', 'lost', 'signIn'), { maxLength: 12 });
    await fc.assert(
      fc.asyncProperty(fates, fc.integer({ min: 1, max: 30 }), async (script, count) => {
        nth += 1;
        const own = await openDeviceDb(`test-${nth}`);
        const kept = new Map<string, number>();
        const order: string[] = [];
        const box = createOutbox(own, 'u1', (events) => {
          const fate = script.shift() ?? 'ok';
          if (fate === 'signIn') return Promise.resolve({ kind: 'signIn' });
          if (fate !== 'lost')
            for (const { id } of events) {
              if (!kept.has(id)) order.push(id);
              kept.set(id, (kept.get(id) ?? 0) + 1);
            }
          return Promise.resolve(fate === 'ok' ? all(events) : { kind: 'away' });
        });
        const ids = Array.from({ length: count }, (_, at) => `e${String(at).padStart(3, '0')}`);
        for (const id of ids) await box.add([event(id)]);
        for (let tries = 0; (await own.count('outbox')) > 0; tries += 1) {
          expect(tries).toBeLessThan(60);
          await box.flush();
        }
        box.close();
        own.close();
        expect(order).toEqual(ids);
      }),
      { numRuns: 25 },
    );
  });
});
