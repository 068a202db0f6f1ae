import type { Aid, PauseReason } from '@veldrift/core';
import type { GameState } from '@veldrift/core/games';
import type { TableEvent } from '@veldrift/wire';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { GameRow, GameTableState, KeptMove, SeatAnswer } from '../../app/deviceDb.ts';
import { watchFrames } from '../frameWatch.ts';
import type { Outbox } from '../outbox.ts';
import { useMovedScreen } from '../useMovedScreen.ts';
import { timesVoid } from '../tableTrouble.ts';
import { usePlayKeeper } from '../usePlayKeeper.ts';

/** A table as it stands: the game's state, its moves, and whether it is played. */
export interface TableNow {
  readonly state: GameState;
  readonly moves: readonly KeptMove[];
  readonly table: GameTableState;
  /** Answers set down by exception, to go on record with the next move. */
  readonly noted: readonly SeatAnswer[];
}

/** Keeps a game's table: what is in force, its time under way, pauses; on disk as it changes, with what is to be sent. */
export function useTableState(
  row: GameRow,
  first: TableNow,
  outbox: Outbox,
  elsewhere: boolean,
  /** Whether the clock of something asked runs now. */
  timing: () => boolean,
) {
  const [now, setNow] = useState(first);
  const [showing, setShowing] = useState(0);
  const live = useRef({
    ...now,
    runFrom: undefined as number | undefined,
    spoiled: false,
    aid: null as Aid | null,
    /** When real cards or dice were turned: with them the clock goes from the tutor's key. */
    turnedAt: undefined as number | undefined,
    /** When another screen showed what is asked, on this page's time line. */
    there: undefined as
      { readonly promptId: string; readonly at: number; readonly shared: boolean } | undefined,
    claimed: undefined as
      | { readonly at: number; readonly shownAt: number | undefined; readonly by: 'child' | 'tutor' }
      | undefined,
  });
  const keeper = usePlayKeeper(outbox);
  const playing = now.table.status === 'playing';

  const usedMs = useCallback(() => {
    const { table: at, runFrom } = live.current;
    return Math.round(at.usedMs + (runFrom === undefined ? 0 : Math.max(0, performance.now() - runFrom)));
  }, []);

  /** Puts what is new in force and on disk, with what is to be sent. */
  const put = useCallback(
    (next: Partial<TableNow>, sent: readonly TableEvent[], fresh = true) => {
      const { state, moves, table, noted } = { ...live.current, ...next };
      const all: TableNow = { state, moves, table, noted };
      Object.assign(live.current, all);
      if (fresh) {
        live.current.spoiled = false;
        live.current.aid = null;
        setShowing((one) => one + 1);
      }
      setNow(all);
      keeper({ ...row, moves, noted, state: table }, sent);
    },
    [keeper, row],
  );

  /** Changes how the table stands; its time runs while it is played. */
  const turnTable = useCallback(
    (change: Partial<GameTableState>, sent: readonly TableEvent[] = []) => {
      const table: GameTableState = { ...live.current.table, usedMs: usedMs(), ...change };
      live.current.runFrom = table.status === 'playing' ? performance.now() : undefined;
      put({ table }, sent);
    },
    [put, usedMs],
  );

  const pause = useCallback(
    (reason: PauseReason) => {
      if (live.current.table.status !== 'playing') return;
      turnTable({
        status: 'paused',
        pausedAt: new Date().toISOString(),
        pauseReason: reason,
        interrupted: live.current.table.interrupted || reason !== 'pause',
      });
    },
    [turnTable],
  );

  useMovedScreen(elsewhere, () => {
    live.current.spoiled = true;
  });
  useEffect(() => {
    if (!playing) return;
    const watch = watchFrames(() => {
      if (elsewhere) return;
      live.current.spoiled = true;
      if (timing() && !live.current.table.calm) timesVoid();
    });
    const hide = () => {
      if (document.visibilityState === 'hidden' && !elsewhere) pause('hidden');
    };
    document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [elsewhere, pause, playing, timing]);

  /** Changes what is not shown. */
  const touch = useCallback(
    (change: Partial<Omit<typeof live.current, keyof TableNow>>) => void Object.assign(live.current, change),
    [],
  );
  const read = useCallback(() => live.current, []);
  return { read, touch, now, showing, put, turnTable, usedMs, pause };
}
