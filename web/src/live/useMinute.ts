import {
  advanceMinuteTable,
  minuteDeadline,
  minuteGraceMs,
  minutePromptId,
  newMinuteTable,
  timeLeftMs,
  type Measuring,
  type MinutePress,
  type MinuteTable,
  type MinuteTableFrame,
  type TableHow,
} from '@veldrift/core';
import { useLayoutEffect, useMemo, useRef } from 'react';
import type { MinuteRow } from '../app/deviceDb.ts';
import type { LiveMinute } from './liveMinute.ts';
import type { Outbox } from './outbox.ts';
import { sentEvents } from './tableEvents.ts';
import type { TableOptions } from './tableOptions.ts';
import { moment, useTableStore } from './tableStore.ts';
import { useMinuteWatch } from './useMinuteWatch.ts';
import { useMovedScreen } from './useMovedScreen.ts';
import { usePaintClock } from './usePaintClock.ts';
import { usePlayKeeper } from './usePlayKeeper.ts';

/** Runs a minute from its row: what the machine in core makes of each press is shown, and kept on disk as it comes. */
export function useMinute(
  row: MinuteRow,
  measuring: Measuring,
  outbox: Outbox,
  { untimed, way, onsetAfter, elsewhere = false }: TableOptions,
): LiveMinute {
  const frame = useMemo(
    (): MinuteTableFrame => ({ playId: row.playId, limitMs: row.limitMs }),
    [row.limitMs, row.playId],
  );
  const keepRow = usePlayKeeper(outbox);
  const how = { measuring, untimed, way, elsewhere, onsetAfter };
  const { table, now, press } = useTableStore(
    () => newMinuteTable(row.state),
    (as: TableHow, at: MinuteTable, what: MinutePress) => advanceMinuteTable(frame, as, at, what),
    how,
    ({ table: { play }, sent }, before) => {
      if (play !== before.play) keepRow({ ...row, state: play }, sentEvents(row, sent));
    },
  );
  const { play: state } = table;
  const running = state.status === 'running';
  const promptId = minutePromptId(frame, table);
  const clock = usePaintClock(
    running && !elsewhere ? promptId : undefined,
    (_, at) => void press({ kind: 'painted', at, when: moment() }),
  );
  const shownAt = () => clock.current?.paintedAt(minutePromptId(frame, now()));
  const plain = (kind: 'start' | 'undo' | 'resume' | 'calm') => () => void press({ kind, when: moment() });

  useMovedScreen(elsewhere, () => void press({ kind: 'moved', when: moment() }));
  const latest = useRef(how);
  useLayoutEffect(() => {
    latest.current = how;
  });
  const watched = useMemo(
    () => ({
      deadline: () => minuteDeadline(now()),
      graceMs: () => minuteGraceMs(latest.current, now()),
      onClosing: () => void press({ kind: 'closing', when: moment() }),
      onTimeUp: () => void press({ kind: 'end', reason: 'time', when: moment() }),
      // The tutor's view of the time, and what a crash would fall back on.
      onTick: () => void press({ kind: 'tick', when: moment() }),
      onGap: (gapMs: number, beganAt: number) => void press({ kind: 'gap', gapMs, beganAt, when: moment() }),
      onLapsed: () => void press({ kind: 'end', reason: 'closed', when: moment() }),
      onHidden: () => {
        if (!latest.current.elsewhere) press({ kind: 'pause', reason: 'hidden', when: moment() });
      },
    }),
    [now, press],
  );
  const catchUp = useMinuteWatch({ running, calm: state.calm, pausedAt: state.pausedAt, ...watched });

  return {
    state,
    promptId,
    leftMs: timeLeftMs(state),
    // A key pressed before the prompt was painted belongs to the one before.
    isShownAt: (at) => at >= (shownAt() ?? Infinity),
    start: plain('start'),
    typing: (typed) => void press({ kind: 'typing', typed, when: moment() }),
    answerTyped: (typed) => {
      catchUp();
      return press({ kind: 'typed', typed, shownAt: shownAt(), when: moment() }).taken;
    },
    judge: (judgement, at, typed = []) => {
      catchUp();
      return press({ kind: 'judge', judgement, at, typed, shownAt: shownAt(), when: moment() }).taken;
    },
    shownElsewhere: (id, at, shared) =>
      void press({ kind: 'shownThere', there: { promptId: id, at, shared }, when: moment() }),
    answerRemote: (answer) => {
      catchUp();
      return press({ kind: 'typedThere', answer, when: moment() }).taken;
    },
    undo: plain('undo'),
    pause: (reason) => void press({ kind: 'pause', reason, when: moment() }),
    resume: plain('resume'),
    calm: plain('calm'),
    end: () => void press({ kind: 'end', reason: 'tutor', when: moment() }),
    toggleMark: (mark) => void press({ kind: 'mark', mark, when: moment() }),
    say: (given) => void press({ kind: 'say', given, when: moment() }),
  };
}
