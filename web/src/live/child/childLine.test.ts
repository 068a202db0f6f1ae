import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '../../app/api.ts';
import { latestOnly } from './childLine.ts';

afterEach(() => void vi.useRealTimers());

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
