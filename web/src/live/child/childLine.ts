import type { ChildShow, ChildTells } from '@veldrift/wire';
import { api, ApiError } from '../../app/api.ts';

/** What a table shows last of all, and by what a screen knows it. */
export const lastWords = 'Done. Thank you.';
export const overId = 'over';

/** The table's end of a line to a child's screen. */
export interface TableLine {
  readonly show: (shown: ChildShow) => void;
  /** Lets go of the other end, once it has what was last shown. */
  readonly close: () => Promise<void>;
}

/** The child's end. */
export interface ScreenLine {
  readonly tell: (tells: ChildTells) => void;
  readonly close: () => void;
}

/** Whether the other end is a window of this machine, which shares its clock. */
export type LineKind = 'window' | 'device';

/** The name of the channel between a table and a window of the same machine. */
export const windowChannel = (name: string): string => `veldrift-child-${name}`;

/** To a second window of this machine: no server between. */
export function windowTableLine(name: string, onTells: (tells: ChildTells) => void): TableLine {
  const channel = new BroadcastChannel(windowChannel(name));
  channel.onmessage = ({ data }: MessageEvent<{ tells?: ChildTells }>) => data.tells && onTells(data.tells);
  return { show: (show) => channel.postMessage({ show }), close: () => Promise.resolve(channel.close()) };
}

export function windowScreenLine(name: string, onShow: (shown: ChildShow) => void): ScreenLine {
  const channel = new BroadcastChannel(windowChannel(name));
  channel.onmessage = ({ data }: MessageEvent<{ show?: ChildShow }>) => data.show && onShow(data.show);
  return { tell: (tells) => channel.postMessage({ tells }), close: () => channel.close() };
}

/** To any device that joined by a code, over the server. What is shown is sent in order, the latest only. */
export function deviceTableLine(
  link: string,
  onTells: (tells: ChildTells) => void,
  onLost: () => void = () => undefined,
): TableLine {
  const stop = listen(
    `/api/links/${link}/events`,
    (data) => data !== null && onTells(data as ChildTells),
    onLost,
  );
  const { send, sent } = latestOnly<ChildShow>((shown) => api.showOn(link, shown));
  return {
    show: send,
    close: () => {
      stop();
      return sent();
    },
  };
}

export function deviceScreenLine(onShow: (shown: ChildShow | null) => void, onLost: () => void): ScreenLine {
  const stop = listen('/api/child/events', (data) => onShow(data as ChildShow | null), onLost);
  return {
    tell: (tells) =>
      void api.tellTable(tells).catch((error: unknown) => {
        if (error instanceof ApiError && error.status === 401) onLost();
      }),
    close: stop,
  };
}

const reconnectMs = 700;

/** Listens to server-sent events, and again whenever the connection breaks. `onRefused`: the server knows this end no more. */
export function listen(
  address: string,
  onData: (data: unknown) => void,
  onRefused: () => void = () => undefined,
): () => void {
  let source: EventSource | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let closed = false;
  const open = () => {
    if (closed) return;
    source = new EventSource(address);
    source.onmessage = ({ data }: MessageEvent<string>) => onData(JSON.parse(data));
    source.onerror = () => {
      source?.close();
      if (closed) return;
      timer = setTimeout(() => {
        void fetch(address, { method: 'HEAD' })
          .then((answer) => (answer.status === 401 || answer.status === 404 ? onRefused() : undefined))
          .catch(() => undefined);
        open();
      }, reconnectMs);
    };
  };
  open();
  return () => {
    closed = true;
    clearTimeout(timer);
    source?.close();
  };
}

/**
 * One request at a time; what came meanwhile is sent after it, the latest only. A failed one is tried again. `sent`: once there
 * is nothing more to send.
 */
export function latestOnly<T>(request: (value: T) => Promise<void>): {
  readonly send: (value: T) => void;
  readonly sent: () => Promise<void>;
} {
  let waiting: { readonly value: T } | undefined;
  let working: Promise<void> | undefined;
  const work = async () => {
    while (waiting) {
      const { value } = waiting;
      waiting = undefined;
      try {
        await request(value);
      } catch (error) {
        if (error instanceof ApiError && !error.away && error.status < 500) continue;
        waiting ??= { value };
        await new Promise((done) => setTimeout(done, reconnectMs));
      }
    }
    working = undefined;
  };
  return {
    send: (value) => {
      waiting = { value };
      working ??= work();
    },
    sent: () => working ?? Promise.resolve(),
  };
}
