import { afterEach, describe, expect, it, vi } from 'vitest';
import { alone, hold, isHeld } from './pageLock.ts';

/** Locks as a browser has them: one holder a name, the others in their order. */
function fakeLocks() {
  const queues = new Map<string, (() => Promise<unknown>)[]>();
  const held = new Set<string>();
  const next = (name: string): void => {
    const work = queues.get(name)?.shift();
    if (!work) return;
    held.add(name);
    void work().finally(() => {
      held.delete(name);
      next(name);
    });
  };
  const request = (name: string, ...rest: readonly unknown[]): Promise<unknown> =>
    new Promise((done, failed) => {
      const work = rest.at(-1) as () => Promise<unknown>;
      const { signal } = (rest.length > 1 ? rest[0] : {}) as { signal?: AbortSignal };
      const job = () => work().then(done, failed);
      const queue = queues.get(name) ?? [];
      queues.set(name, queue);
      queue.push(job);
      signal?.addEventListener('abort', () => {
        const at = queue.indexOf(job);
        if (at >= 0) queue.splice(at, 1);
        failed(new Error('aborted'));
      });
      if (!held.has(name)) next(name);
    });
  return { request, query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }) };
}
const moment = () => new Promise((done) => setTimeout(done));
afterEach(() => vi.unstubAllGlobals());

describe('one page at a time', () => {
  it('holds a name until it lets go; whoever waits has it then, and who gave up never', async () => {
    vi.stubGlobal('navigator', { locks: fakeLocks() });
    const heard: string[] = [];
    const first = hold('minute', () => heard.push('first'));
    const second = hold('minute', () => heard.push('second'));
    const third = hold('minute', () => heard.push('third'));
    await moment();
    expect([heard, await isHeld('minute'), await isHeld('other')]).toEqual([['first'], true, false]);
    second();
    first();
    await moment();
    expect(heard).toEqual(['first', 'third']);
    third();
    await moment();
    expect(await isHeld('minute')).toBe(false);
  });
  it('works alone under a name, one after another', async () => {
    vi.stubGlobal('navigator', { locks: fakeLocks() });
    const done: string[] = [];
    const work = (name: string) => async () => {
      done.push(`${name} begins`);
      await moment();
      done.push(`${name} ends`);
      return name;
    };
    expect(await Promise.all([alone('send', work('a')), alone('send', work('b'))])).toEqual(['a', 'b']);
    expect(done).toEqual(['a begins', 'a ends', 'b begins', 'b ends']);
  });
  it('cannot be told where the browser has no locks: all goes on', async () => {
    vi.stubGlobal('navigator', {});
    const heard: string[] = [];
    hold('minute', () => heard.push('held'))();
    expect(heard).toEqual(['held']);
    expect(await isHeld('minute')).toBeUndefined();
    expect(await alone('send', () => Promise.resolve(7))).toBe(7);
  });
});
