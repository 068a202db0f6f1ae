import { childTellsSchema, type ChildShow, type ChildTells } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { lastWords, overId } from './childLine.ts';
import {
  goneAfterMs,
  openChildScreens,
  screenStatus,
  type KeptScreen,
  type ScreenTable,
} from './childScreens.ts';

/** Screens whose lines are lists: what was shown on each, and a way to tell from it. */
function room(kept: readonly KeptScreen[] = [], mayOpen = true) {
  const shown = new Map<string, ChildShow[]>();
  const tell = new Map<string, (tells: ChildTells) => void>();
  const lost = new Map<string, () => void>();
  const closed: string[] = [];
  const dropped: string[] = [];
  let written: readonly KeptScreen[] = kept;
  let now = 1000;
  let made = 0;
  let away = false;
  const line = (id: string, onTells: (tells: ChildTells) => void) => {
    tell.set(id, onTells);
    shown.set(id, []);
    return {
      show: (one: ChildShow) => void shown.get(id)?.push(one),
      close: () => {
        closed.push(id);
        return Promise.resolve();
      },
    };
  };
  const screens = openChildScreens({
    now: () => now,
    newName: () => `window-${(made += 1)}`,
    makeLink: () =>
      away
        ? Promise.reject(new Error('away'))
        : Promise.resolve({ id: `link-${(made += 1)}`, code: `0000000${made}`, expiresAt: '' }),
    dropLink: (id) => Promise.resolve(dropped.push(id)),
    deviceLine: (id, onTells, onLost) => {
      lost.set(id, onLost);
      return line(id, onTells);
    },
    windowLine: line,
    openWindow: () => mayOpen,
    kept,
    keep: (next) => {
      written = next;
    },
  });
  return {
    screens,
    last: (id: string) => shown.get(id)?.at(-1),
    count: (id: string) => shown.get(id)?.length ?? 0,
    tells: (id: string, more: Partial<ChildTells>) => tell.get(id)?.({ ...nothingTold, ...more }),
    lose: (id: string) => lost.get(id)?.(),
    ...{ closed, dropped },
    written: () => written,
    at: (ms: number) => {
      now = ms;
    },
    goAway: () => {
      away = true;
    },
  };
}
const nothingTold = childTellsSchema.cast({
  ...{ kind: 'here', promptId: '', typed: '', latencyMs: null, lastKeyMs: null, voided: false },
  paintedAtMs: null,
});
const tableOf = (pupils: readonly (string | null)[], over: Partial<ScreenTable['show']> = {}) => {
  const heard: unknown[] = [];
  const table: ScreenTable = {
    pupils,
    show: {
      ...{
        promptId: 'p1',
        fact: '7x8',
        hidden: 'result',
        chain: null,
        keypad: true,
        padLeft: false,
        says: '',
      },
      ...over,
    },
    onTells: (tells, from) => void heard.push([tells.kind, from.seat, from.kind]),
  };
  return { table, heard };
};

describe('screens of the children\u2019s own', () => {
  it('show what lies on the table, each from its seat, and are heard from that seat alone', async () => {
    const { screens, last, tells } = room();
    const { table, heard } = tableOf(['ada', null, 'bo']);
    screens.sit(table);
    await screens.offerCode('bo');
    screens.openWindow(null);
    expect(last('link-1')).toMatchObject({ promptId: 'p1', seat: 2 });
    expect(last('window-2')).toMatchObject({ promptId: 'p1', seat: null });
    tells('link-1', { kind: 'claim', promptId: 'p1', seat: 2, latencyMs: 700 });
    tells('window-2', { kind: 'answer', promptId: 'p1', typed: '56', latencyMs: 900 });
    // What was asked before is answered no more.
    tells('link-1', { kind: 'answer', promptId: 'p0', typed: '4', latencyMs: 900 });
    expect(heard).toEqual([
      ['claim', 2, 'device'],
      ['answer', null, 'window'],
    ]);
  });
  it('are told again what they missed, and count what they are told', async () => {
    const { screens, last, tells, count } = room();
    const { table } = tableOf(['ada']);
    screens.sit(table);
    await screens.offerCode(null);
    const before = last('link-1')?.seq ?? 0;
    tells('link-1', { kind: 'here', promptId: 'p1' });
    expect(count('link-1')).toBe(1);
    tells('link-1', { kind: 'here', promptId: 'p0' });
    expect(last('link-1')).toMatchObject({ promptId: 'p1', seq: before + 1 });
  });
  it('stay from one table to the next: they wait where their child is not at it', async () => {
    const { screens, last, tells } = room();
    const first = tableOf(['ada', 'bo']);
    screens.sit(first.table);
    await screens.offerCode('ada');
    await screens.offerCode('bo');
    screens.sit(null);
    screens.showAll();
    expect(last('link-1')).toMatchObject({ promptId: 'idle', says: lastWords, fact: null });
    const next = tableOf(['bo'], { promptId: 'p9' });
    screens.sit(next.table);
    screens.showAll();
    expect(last('link-1')).toMatchObject({ promptId: 'idle', says: 'Wait a little.' });
    expect(last('link-2')).toMatchObject({ promptId: 'p9', seat: 0 });
    // One who waits answers nothing.
    tells('link-1', { kind: 'answer', promptId: 'idle', typed: '3', latencyMs: 10 });
    expect([first.heard, next.heard]).toEqual([[], []]);
  });
  it('are found again by a page that was loaded anew', () => {
    const kept: KeptScreen[] = [
      { owner: 'ada', kind: 'device', id: 'link-old' },
      { owner: null, kind: 'window', id: 'window-old' },
    ];
    const { screens, last, tells } = room(kept);
    screens.sit(tableOf(['ada']).table);
    screens.showAll();
    expect(screens.list().map((one) => screenStatus(one, 1000))).toEqual(['gone', 'waiting']);
    expect(last('link-old')).toMatchObject({ promptId: 'p1', seat: 0 });
    tells('link-old', { kind: 'here', promptId: 'p1' });
    expect(screens.list()[0]).toMatchObject({ heardAt: 1000, code: null });
  });
  it('are here as long as they are heard of, and dropped out after that', async () => {
    const { screens, tells, at } = room();
    screens.sit(tableOf(['ada']).table);
    await screens.offerCode('ada');
    const status = (now: number) => screens.list().map((one) => screenStatus(one, now));
    expect(status(1000)).toEqual(['waiting']);
    at(2000);
    tells('link-1', { kind: 'here', promptId: 'p1' });
    expect(status(2000 + goneAfterMs)).toEqual(['here']);
    expect(status(2001 + goneAfterMs)).toEqual(['gone']);
  });
  it('are let go with last words, and one that takes the place of another lets that go', async () => {
    const { screens, last, closed, dropped, written } = room();
    screens.sit(tableOf(['ada']).table);
    await screens.offerCode('ada');
    await screens.offerCode('ada');
    expect(last('link-1')).toMatchObject({ promptId: overId, says: lastWords });
    expect(written()).toEqual([{ owner: 'ada', kind: 'device', id: 'link-2' }]);
    const done = screens.closeAll();
    expect(screens.list()).toEqual([]);
    await done;
    expect([closed, dropped]).toEqual([
      ['link-1', 'link-2'],
      ['link-1', 'link-2'],
    ]);
  });
  it('that the server knows no more are gone from the list; what cannot be had is said', async () => {
    const { screens, lose, goAway, written } = room([], false);
    await screens.offerCode('ada');
    lose('link-1');
    expect([screens.list(), written()]).toEqual([[], []]);
    screens.openWindow(null);
    expect(screens.trouble()).toMatch(/kept the second window shut/);
    expect(screens.list()).toEqual([]);
    goAway();
    await screens.offerCode(null);
    expect(screens.trouble()).toMatch(/needs the server/);
  });
  it('tell whoever looks of each change, until they look no more', async () => {
    const { screens } = room();
    let told = 0;
    const stop = screens.subscribe(() => (told += 1));
    await screens.offerCode('ada');
    expect(told).toBe(1);
    stop();
    void screens.close('ada');
    expect(told).toBe(1);
  });
});
