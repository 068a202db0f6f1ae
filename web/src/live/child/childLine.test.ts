import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, ApiError } from '../../app/api.ts';
import {
  deviceScreenLine,
  deviceTableLine,
  latestOnly,
  windowChannel,
  windowScreenLine,
  windowTableLine,
} from './childLine.ts';

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('what is shown on a screen', () => {
  it('is sent one at a time, the latest only, and has been sent when it says so', async () => {
    const done: (() => void)[] = [];
    const got: string[] = [];
    const { send, sent } = latestOnly<string>((value) => {
      got.push(value);
      return new Promise<void>((finish) => done.push(finish));
    });
    await sent();
    for (const value of ['first', 'second', 'Done.']) send(value);
    let isSent = false;
    const all = sent().then(() => (isSent = true));
    expect(got).toEqual(['first']);
    done[0]?.();
    await vi.waitFor(() => expect(got).toEqual(['first', 'Done.']));
    expect(isSent).toBe(false);
    done[1]?.();
    await all;
    send('again');
    expect(got).toEqual(['first', 'Done.', 'again']);
  });

  it('is tried again where the server is away, and let be where it is refused', async () => {
    vi.useFakeTimers();
    const away = new ApiError(503, { message: 'busy' });
    const tries = vi
      .fn<(value: string) => Promise<void>>()
      .mockRejectedValueOnce(away)
      .mockRejectedValueOnce(new ApiError(404, { message: 'There is no such screen.' }))
      .mockResolvedValue(undefined);
    const { send, sent } = latestOnly(tries);
    send('first');
    await vi.advanceTimersByTimeAsync(1000);
    await sent();
    expect(tries.mock.calls).toEqual([['first'], ['first']]);
    send('next');
    await sent();
    expect(tries).toHaveBeenCalledTimes(3);
  });
});

describe('a window of the same machine', () => {
  it('hears what is shown, and is heard, over one channel; nobody else is', async () => {
    const told: unknown[] = [];
    const shown: unknown[] = [];
    const table = windowTableLine('a', (tells) => told.push(tells));
    const screen = windowScreenLine('a', (show) => shown.push(show));
    const other = windowScreenLine('b', (show) => shown.push(show));
    table.show({ seq: 1 } as never);
    screen.tell({ kind: 'here' } as never);
    await vi.waitFor(() => expect([shown, told]).toEqual([[{ seq: 1 }], [{ kind: 'here' }]]));
    // What is none of these is passed over.
    const noise = new BroadcastChannel(windowChannel('a'));
    noise.postMessage({});
    table.show({ seq: 2 } as never);
    await vi.waitFor(() => expect(shown).toHaveLength(2));
    expect(told).toHaveLength(1);
    noise.close();
    await table.close();
    screen.close();
    other.close();
  });
});

/** Server-sent events as told by hand. */
class Source {
  static open: Source[] = [];
  onmessage: (event: { data: string }) => void = () => undefined;
  onerror: () => void = () => undefined;
  closed = false;
  constructor(readonly address: string) {
    Source.open.push(this);
  }
  close() {
    this.closed = true;
  }
}

describe('a device joined by a code', () => {
  const answers = (status: number) =>
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.resolve({ status })),
    );
  const begin = () => {
    Source.open = [];
    vi.stubGlobal('EventSource', Source);
    vi.useFakeTimers();
  };
  const last = () => Source.open.at(-1) as Source;

  it('is listened to again whenever the line breaks, until it is closed', async () => {
    begin();
    answers(200);
    const told: unknown[] = [];
    const line = deviceTableLine('link', (tells) => told.push(tells));
    expect(last().address).toBe('/api/links/link/events');
    last().onmessage({ data: '{"kind":"here"}' });
    last().onmessage({ data: 'null' });
    expect(told).toEqual([{ kind: 'here' }]);
    last().onerror();
    expect(last().closed).toBe(true);
    await vi.advanceTimersByTimeAsync(699);
    expect(Source.open).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(1);
    expect(Source.open).toHaveLength(2);
    last().onerror();
    await line.close();
    await vi.advanceTimersByTimeAsync(5000);
    expect(Source.open).toHaveLength(2);
    const closed = deviceTableLine('link', () => undefined);
    await closed.close();
    expect(last().closed).toBe(true);
    last().onerror();
    await vi.advanceTimersByTimeAsync(5000);
    expect(Source.open).toHaveLength(3);
  });
  it('is told that the server knows it no more, and not where it only cannot be reached', async () => {
    begin();
    const lost = vi.fn();
    const shown: unknown[] = [];
    const line = deviceScreenLine((show) => shown.push(show), lost);
    expect(last().address).toBe('/api/child/events');
    last().onmessage({ data: 'null' });
    expect(shown).toEqual([null]);
    answers(503);
    last().onerror();
    await vi.advanceTimersByTimeAsync(700);
    vi.stubGlobal('fetch', () => Promise.reject(new Error('away')));
    last().onerror();
    await vi.advanceTimersByTimeAsync(700);
    expect(lost).not.toHaveBeenCalled();
    answers(401);
    last().onerror();
    await vi.advanceTimersByTimeAsync(700);
    expect(lost).toHaveBeenCalledTimes(1);
    line.close();
  });
  it('tells the table what happened there; a sign-in that is gone is heard of', async () => {
    begin();
    const lost = vi.fn();
    const tell = vi.spyOn(api, 'tellTable').mockResolvedValue(undefined as never);
    const line = deviceScreenLine(() => undefined, lost);
    line.tell({ kind: 'here' } as never);
    await vi.advanceTimersByTimeAsync(0);
    expect([tell.mock.calls, lost.mock.calls.length]).toEqual([[[{ kind: 'here' }]], 0]);
    for (const error of [new Error('away'), new ApiError(503, { message: 'busy' })]) {
      tell.mockRejectedValueOnce(error);
      line.tell({ kind: 'here' } as never);
      await vi.advanceTimersByTimeAsync(0);
    }
    expect(lost).not.toHaveBeenCalled();
    tell.mockRejectedValueOnce(new ApiError(401, { message: 'gone' }));
    line.tell({ kind: 'here' } as never);
    await vi.advanceTimersByTimeAsync(0);
    expect(lost).toHaveBeenCalledTimes(1);
    line.close();
  });
  it('has had what was last shown when the table lets go of it', async () => {
    begin();
    const shown: unknown[] = [];
    vi.spyOn(api, 'showOn').mockImplementation((link, show) => {
      shown.push([link, show]);
      return Promise.resolve(undefined as never);
    });
    const line = deviceTableLine('link', () => undefined);
    line.show({ seq: 1 } as never);
    line.show({ seq: 2 } as never);
    await line.close();
    expect(shown).toEqual([
      ['link', { seq: 1 }],
      ['link', { seq: 2 }],
    ]);
  });
});
