import { expect, it } from 'vitest';
import { createBackoff } from './backoff.ts';

it('waits twice as long each time, no longer than the longest, and begins anew when it has held', () => {
  const backoff = createBackoff(50, 300);
  expect([1, 2, 3, 4, 5].map(() => backoff.next())).toEqual([50, 100, 200, 300, 300]);
  backoff.reset();
  expect([backoff.next(), backoff.next()]).toEqual([50, 100]);
});
