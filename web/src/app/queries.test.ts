import 'fake-indexeddb/auto';
import { QueryObserver } from '@tanstack/react-query';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { forgetGone, queryClient } from './queries.ts';

afterEach(() => queryClient.clear());

describe('pupils who are gone', () => {
  it('are asked for to the end by the page that looks at one, which is then told', async () => {
    let refuse: (error: Error) => void = () => undefined;
    const observer = new QueryObserver(queryClient, {
      queryKey: ['pupil', 'gone'],
      queryFn: () => new Promise<string>((_, fail) => (refuse = fail)),
      retry: false,
    });
    const stop = observer.subscribe(() => undefined);
    await vi.waitFor(() => expect(observer.getCurrentResult().fetchStatus).toBe('fetching'));
    await forgetGone(new Set(['here']));
    refuse(new Error('There is no such pupil.'));
    await vi.waitFor(() => expect(observer.getCurrentResult().status).toBe('error'));
    stop();
  });

  it('leave nothing in the cache: what is looked at is asked for afresh, the rest is taken away', async () => {
    const asked = vi.fn(() => Promise.reject(new Error('There is no such pupil.')));
    for (const key of [
      ['pupil', 'gone'],
      ['answers', 'gone', '7x8'],
      ['pupilGames', 'gone'],
      ['pictures', 'gone'],
      ['packs', 'gone'],
      ['ceilingAnswers', 'gone', 24, 12],
      ['pupil', 'here'],
    ])
      // Lists do not say whose they are: that is in their key alone.
      queryClient.setQueryData(
        key,
        key[0] === 'pictures' || key[0] === 'packs' ? [] : { pupil: { id: key[1] } },
      );
    queryClient.setQueryData(['review', 'play'], { pupil: { id: 'gone' } });
    queryClient.setQueryData(['decisionAnswers', 'decision'], [{ pupilId: 'gone' }]);
    const observer = new QueryObserver(queryClient, {
      queryKey: ['pupil', 'gone'],
      queryFn: asked,
      retry: false,
      refetchOnMount: false,
    });
    const stop = observer.subscribe(() => undefined);
    await forgetGone(new Set(['here']));
    await vi.waitFor(() => expect(observer.getCurrentResult().status).toBe('error'));
    expect(observer.getCurrentResult().data).toBeUndefined();
    expect(asked).toHaveBeenCalledTimes(1);
    stop();
    const left = queryClient.getQueryCache().getAll();
    expect(left.filter((one) => one.state.data !== undefined).map((one) => one.queryKey)).toEqual([
      ['pupil', 'here'],
    ]);
  });
});
