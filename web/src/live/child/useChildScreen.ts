import type { ChildShow, ChildTells } from '@veldrift/wire';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api } from '../../app/api.ts';
import {
  deviceTableLine,
  lastWords,
  overId,
  windowTableLine,
  type LineKind,
  type TableLine,
} from './childLine.ts';

/** A screen not heard of for so long has dropped out: the table goes side by side. */
export const goneAfterMs = 1600;
const lookEveryMs = 200;

/** A child's own screen, as the table sees it. */
export interface ChildScreen {
  /** `waiting`: offered, not joined yet; `here`: it shows the prompt; `gone`: dropped out, the table shows it meanwhile. */
  readonly status: 'none' | 'waiting' | 'here' | 'gone';
  readonly kind: LineKind | null;
  /** The code to type on another device, while one is offered. */
  readonly code: string | null;
  readonly trouble: string | null;
  readonly openWindow: () => void;
  readonly offerCode: () => void;
  readonly close: () => void;
}

interface Hears {
  readonly onAnswer: (tells: ChildTells) => void;
  /** A prompt was painted there; `at` as a time stamp of this page where the clock is shared, else when it was heard of. */
  readonly onShown: (promptId: string, at: number, sameClock: boolean) => void;
  /** A move or a claim made there, in a game. */
  readonly onMove?: (tells: ChildTells) => void;
}

/** Offers the table's prompt to a second window or another device, and hears from it. `show`: what it is to show now. */
export function useChildScreen(show: Omit<ChildShow, 'seq'>, hears: Hears): ChildScreen {
  const [kind, setKind] = useState<LineKind | null>(null);
  const [code, setCode] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [heardAt, setHeardAt] = useState<number>();
  const [now, setNow] = useState(0);
  const line = useRef<{ readonly line: TableLine; readonly link: string | null }>(undefined);
  const seq = useRef(0);
  const kindNow = useRef<LineKind | null>(null);
  const heard = useRef(hears);
  const shown = useRef(show);
  useEffect(() => {
    heard.current = hears;
    shown.current = show;
  });

  const send = useCallback(() => {
    seq.current += 1;
    line.current?.line.show({ ...shown.current, seq: seq.current });
  }, []);
  const onTells = useCallback(
    (tells: ChildTells) => {
      setHeardAt(performance.now());
      setCode(null);
      if (tells.kind === 'here' && tells.promptId !== shown.current.promptId) send();
      if (tells.kind === 'shown') {
        const sameClock = kindNow.current === 'window' && tells.paintedAtMs !== null;
        const at = sameClock ? (tells.paintedAtMs as number) - performance.timeOrigin : performance.now();
        heard.current.onShown(tells.promptId, at, sameClock);
      }
      if (tells.kind === 'answer') heard.current.onAnswer(tells);
      if (tells.kind === 'move' || tells.kind === 'claim') heard.current.onMove?.(tells);
    },
    [send],
  );

  const close = useCallback(() => {
    const open = line.current;
    line.current = undefined;
    open?.line.show({
      ...shown.current,
      fact: null,
      says: lastWords,
      game: null,
      keypad: false,
      promptId: overId,
      seq: (seq.current += 1),
    });
    // The screen keeps these last words; it is let go when it has them.
    void open?.line
      .close()
      .then(() => (open.link === null ? undefined : api.dropLink(open.link)))
      .catch(() => undefined);
    kindNow.current = null;
    setKind(null);
    setCode(null);
    setHeardAt(undefined);
  }, []);
  const take = useCallback((made: TableLine, link: string | null, by: LineKind) => {
    line.current = { line: made, link };
    kindNow.current = by;
    setKind(by);
    setTrouble(null);
  }, []);

  const openWindow = useCallback(() => {
    close();
    const name = uuid();
    take(windowTableLine(name, onTells), null, 'window');
    if (!window.open(`/child?window=${name}`, '_blank', 'popup,width=1000,height=760'))
      setTrouble(
        'The browser kept the second window shut. Allow it to open windows for this page, then try again.',
      );
  }, [close, onTells, take]);

  const offerCode = useCallback(() => {
    close();
    api.newLink().then(
      (link) => {
        take(deviceTableLine(link.id, onTells), link.id, 'device');
        setCode(link.code);
      },
      () =>
        setTrouble(
          'A code needs the server, and it cannot be reached now. A second window works without it.',
        ),
    );
  }, [close, onTells, take]);

  // Whatever is to be shown is sent when it changes.
  const { promptId, fact, says, keypad, hidden, padLeft, aid, game } = show;
  const gameKey = game ? `${game.claimed.join()} ${game.frozen ?? ''}` : '';
  useEffect(send, [send, promptId, fact, says, keypad, hidden, padLeft, aid, gameKey, kind]);

  useEffect(() => {
    if (kind === null) return;
    const handle = setInterval(() => setNow(performance.now()), lookEveryMs);
    return () => clearInterval(handle);
  }, [kind]);
  useEffect(() => close, [close]);

  const status =
    kind === null
      ? 'none'
      : heardAt === undefined
        ? 'waiting'
        : now - heardAt > goneAfterMs
          ? 'gone'
          : 'here';
  return { status, kind, code, trouble, openWindow, offerCode, close };
}
