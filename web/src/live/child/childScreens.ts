import type { ChildShow, ChildTells, NewLink } from '@veldrift/wire';
import { lastWords, overId, type LineKind, type TableLine } from './childLine.ts';

/** A screen not heard of for so long has dropped out: the table goes side by side. */
export const goneAfterMs = 1600;

/** Whose screen it is: a pupil's own, by id; null: everyone's at the table. */
export type ScreenOwner = string | null;

/** What is laid on a screen, but for what is each screen's own. */
export type ShowBody = Omit<ChildShow, 'seq' | 'seat'>;

/** A table and those who sit at it. */
export interface ScreenTable {
  /** Pupils by seat; null: a grown-up. */
  readonly pupils: readonly ScreenOwner[];
  readonly show: ShowBody;
  /** `seat`: the seat whose own screen it came from; null: everyone's. `at`: when it was heard, a time stamp of the page, ms. */
  readonly onTells: (
    tells: ChildTells,
    from: { readonly seat: number | null; readonly kind: LineKind; readonly at: number },
  ) => void;
}

/** A screen as it stands. */
export interface ScreenNow {
  readonly owner: ScreenOwner;
  readonly kind: LineKind;
  /** To be typed on the device, while it is not joined; null: joined, or still being made. */
  readonly code: string | null;
  /** When it was last heard of, a time stamp of the page, ms; null: not yet. */
  readonly heardAt: number | null;
}

/** How a screen was reached, so that a table that is loaded anew finds it again. */
export interface KeptScreen {
  readonly owner: ScreenOwner;
  readonly kind: LineKind;
  /** Of a link on the server, or the name of a window. */
  readonly id: string;
}

/** What screens are reached by. */
export interface ScreensHow {
  readonly now: () => number;
  readonly newName: () => string;
  readonly makeLink: () => Promise<NewLink>;
  readonly dropLink: (id: string) => Promise<unknown>;
  readonly deviceLine: (link: string, onTells: (tells: ChildTells) => void, onLost: () => void) => TableLine;
  readonly windowLine: (name: string, onTells: (tells: ChildTells) => void) => TableLine;
  /** Opens a window of a name; false: the browser kept it shut. */
  readonly openWindow: (name: string) => boolean;
  readonly kept: readonly KeptScreen[];
  readonly keep: (screens: readonly KeptScreen[]) => void;
}

interface Screen extends ScreenNow {
  readonly id: string;
  readonly line: TableLine;
  readonly seq: number;
}

/** What a screen shows while its child is at no table: the one it was at is done, or has begun without it. */
const idle = (says: string): ShowBody => ({
  promptId: 'idle',
  fact: null,
  hidden: 'result',
  chain: null,
  keypad: false,
  padLeft: false,
  says,
  game: null,
});
const awaits = 'Wait a little.';

/**
 * The children's own screens, from one table to the next: each is given once and stays until it is let go. Knows no React: it is
 * read by `list` and tells of changes.
 */
export function openChildScreens(how: ScreensHow) {
  let table: ScreenTable | null = null;
  let screens: readonly Screen[] = [];
  let faces: readonly ScreenNow[] = [];
  let trouble: string | null = null;
  const listeners = new Set<() => void>();

  const put = (next: readonly Screen[]) => {
    const reached = (all: readonly Screen[]) => all.map(({ owner, kind, id }) => ({ owner, kind, id }));
    if (JSON.stringify(reached(next)) !== JSON.stringify(reached(screens))) how.keep(reached(next));
    screens = next;
    faces = next.map(({ owner, kind, code, heardAt }) => ({ owner, kind, code, heardAt }));
    listeners.forEach((listener) => listener());
  };
  const seatOf = (owner: ScreenOwner): number | null | undefined => {
    if (owner === null) return null;
    const seat = table?.pupils.indexOf(owner) ?? -1;
    return seat < 0 ? undefined : seat;
  };
  const bodyFor = (owner: ScreenOwner): Omit<ChildShow, 'seq'> => {
    if (!table) return { ...idle(lastWords), seat: null };
    const seat = seatOf(owner);
    return seat === undefined ? { ...idle(awaits), seat: null } : { ...table.show, seat };
  };
  const say = (screen: Screen, body: Omit<ChildShow, 'seq'>): Screen => {
    const seq = screen.seq + 1;
    screen.line.show({ ...body, seq });
    return { ...screen, seq };
  };
  const showAll = () => put(screens.map((screen) => say(screen, bodyFor(screen.owner))));

  const onTells = (id: string) => (tells: ChildTells) => {
    const screen = screens.find((one) => one.id === id);
    if (!screen) return;
    const { owner, kind } = screen;
    const body = bodyFor(owner);
    const heard = { ...screen, heardAt: how.now(), code: null };
    // A screen that shows something else has missed a word.
    const told = tells.kind === 'here' && tells.promptId !== body.promptId ? say(heard, body) : heard;
    put(screens.map((one) => (one.id === id ? told : one)));
    const seat = seatOf(owner);
    if (seat !== undefined && tells.promptId === body.promptId)
      table?.onTells(tells, { seat, kind, at: heard.heardAt });
  };
  const take = (owner: ScreenOwner, kind: LineKind, id: string, code: string | null) => {
    const line =
      kind === 'window' ? how.windowLine(id, onTells(id)) : how.deviceLine(id, onTells(id), () => forget(id));
    const screen: Screen = { owner, kind, id, code, heardAt: null, line, seq: 0 };
    trouble = null;
    put([...screens, say(screen, bodyFor(owner))]);
  };
  const forget = (id: string) => {
    const lost = screens.find((one) => one.id === id);
    if (!lost) return;
    void lost.line.close();
    put(screens.filter((one) => one.id !== id));
  };
  const close = async (owner: ScreenOwner): Promise<void> => {
    const closing = screens.find((one) => one.owner === owner);
    if (!closing) return;
    say(closing, { ...idle(lastWords), seat: null, promptId: overId });
    put(screens.filter((one) => one !== closing));
    // The screen keeps these last words; it is let go when it has them.
    try {
      await closing.line.close();
      if (closing.kind === 'device') await how.dropLink(closing.id);
    } catch {
      // The server is away, or knows it no more: it runs out by itself.
    }
  };
  const refuse = (says: string) => {
    trouble = says;
    put(screens);
  };
  for (const { owner, kind, id } of how.kept) take(owner, kind, id, null);

  return {
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    list: () => faces,
    trouble: () => trouble,
    /** The table that stands now; null: none does, and the screens wait for the next one. */
    sit: (next: ScreenTable | null) => {
      table = next;
    },
    showAll,
    openWindow: (owner: ScreenOwner) => {
      void close(owner);
      const name = how.newName();
      take(owner, 'window', name, null);
      if (how.openWindow(name)) return;
      forget(name);
      refuse(
        'The browser kept the second window shut. Allow it to open windows for this page, then try again.',
      );
    },
    offerCode: (owner: ScreenOwner): Promise<void> => {
      void close(owner);
      return how.makeLink().then(
        ({ id, code }) => take(owner, 'device', id, code),
        () =>
          refuse('A code needs the server, and it cannot be reached now. A second window works without it.'),
      );
    },
    close,
    /** Lets all go; done when each has its last words. */
    closeAll: async (): Promise<void> => {
      await Promise.all(screens.map(({ owner }) => close(owner)));
    },
  };
}
export type ChildScreensStore = ReturnType<typeof openChildScreens>;

/** How a screen stands at a moment, a time stamp of the page, ms. */
export function screenStatus({ heardAt, code, kind }: ScreenNow, now: number): 'waiting' | 'here' | 'gone' {
  if (heardAt === null) return code === null && kind === 'device' ? 'gone' : 'waiting';
  return now - heardAt > goneAfterMs ? 'gone' : 'here';
}
