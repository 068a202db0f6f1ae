import { describe, expect, it } from 'vitest';
import { createTableStore, moment } from './tableStore.ts';

interface Counted {
  readonly table: number;
  readonly by: number;
}
/** A table that counts; a press of 0 changes nothing. */
const counting = (by: number) =>
  createTableStore<number, number, { readonly by: number }, Counted>(
    1,
    (how: { readonly by: number }, table: number, press: number): Counted => ({
      table: table + press * how.by,
      by: how.by,
    }),
    { by },
  );

describe('a table outside React', () => {
  it('goes on from where it is, tells what came of a press, and tells who looks', () => {
    const store = counting(2);
    const heard: string[] = [];
    store.runAs({ by: 3 }, (step, before) => heard.push(`kept ${before} to ${step.table}`));
    const leave = store.subscribe(() => heard.push(`seen ${store.now()}`));
    expect(store.press(4)).toEqual({ table: 13, by: 3 });
    expect(store.now()).toBe(13);
    // What is kept is kept before anybody sees it.
    expect(heard).toEqual(['kept 1 to 13', 'seen 13']);
    leave();
    store.press(1);
    expect(heard).toEqual(['kept 1 to 13', 'seen 13', 'kept 13 to 16']);
  });
  it('tells nobody of a press that changed nothing', () => {
    const store = counting(2);
    const heard: unknown[] = [];
    store.runAs({ by: 2 }, (step) => heard.push(step));
    store.subscribe(() => heard.push('seen'));
    expect(store.press(0)).toEqual({ table: 1, by: 2 });
    expect(heard).toEqual([]);
  });
  it('runs as it was begun until it is told otherwise', () => {
    expect(counting(5).press(1)).toEqual({ table: 6, by: 5 });
  });
  it('names a moment by the page’s clock and the world’s, with an id of its own', () => {
    const before = [performance.now(), Date.now()] as const;
    const [one, other] = [moment(), moment()];
    expect(one.at).toBeGreaterThanOrEqual(before[0]);
    expect(Date.parse(one.now)).toBeGreaterThanOrEqual(before[1] - 1);
    expect(one.id).not.toBe(other.id);
  });
});
