import {
  advanceTurnsTable,
  newTurnsTable,
  readTurns,
  turnsHidden,
  turnsPromptId,
  type Aid,
  type FactKey,
  type HiddenPlace,
  type Judgement,
  type Mark,
  type Measuring,
  type PauseReason,
  type RemoteAnswer,
  type TableHow,
  type TurnsPress,
  type TurnsReading,
  type TurnsState,
  type TurnsTable,
  type TurnsTableFrame,
  type TypedAnswer,
} from '@veldrift/core';
import { useEffect, useMemo } from 'react';
import type { TurnsRow } from '../app/deviceDb.ts';
import { watchFrames } from './frameWatch.ts';
import type { Outbox } from './outbox.ts';
import { sentEvents } from './tableEvents.ts';
import type { TableOptions } from './tableOptions.ts';
import { moment, useTableStore } from './tableStore.ts';
import { useMovedScreen } from './useMovedScreen.ts';
import { usePaintClock } from './usePaintClock.ts';
import { usePlayKeeper } from './usePlayKeeper.ts';

/** A play turn by turn under way on this device. Times handed in are time stamps of the page (ms). */
export interface LiveTurns {
  readonly state: TurnsState;
  readonly reading: TurnsReading;
  readonly fact: FactKey | undefined;
  readonly hidden: HiddenPlace;
  /** Identifies one showing of a prompt. */
  readonly promptId: string;
  readonly isShownAt: (at: number) => boolean;
  /** Begins; with real cards, as the first one is turned. */
  readonly start: (at: number) => void;
  /** Turns to the next prompt; with real cards, as the card is turned. */
  readonly turn: (at: number) => void;
  readonly answerTyped: (typed: TypedAnswer) => boolean;
  readonly answerRemote: (answer: RemoteAnswer) => boolean;
  /** Hears when another screen painted a prompt. `sameClock`: a window of this machine, whose time stamps compare. */
  readonly shownElsewhere: (promptId: string, at: number, sameClock: boolean) => void;
  readonly judge: (judgement: Judgement, at: number, typed?: TypedAnswer) => boolean;
  readonly undo: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  readonly end: () => void;
  /** An aid was laid under the prompt. */
  readonly layAid: (aid: Aid) => void;
  readonly toggleMark: (mark: Mark) => void;
  readonly say: (given: string | null) => void;
}

/** Runs a play turn by turn from its row: what the machine in core makes of each press is shown, and kept on disk as it comes. */
export function useTurns(
  row: TurnsRow,
  measuring: Measuring,
  outbox: Outbox,
  { untimed, elsewhere = false, way, onsetAfter }: TableOptions,
): LiveTurns {
  const pack = row.deal.pack ?? false;
  const frame = useMemo(
    (): TurnsTableFrame => ({ playId: row.playId, limitMs: row.limitMs, earlier: row.earlier, pack }),
    [pack, row.earlier, row.limitMs, row.playId],
  );
  const keepRow = usePlayKeeper(outbox);
  const { table, now, press } = useTableStore(
    () => newTurnsTable(row.plan, row.state),
    (how: TableHow, at: TurnsTable, what: TurnsPress) => advanceTurnsTable(frame, how, at, what),
    { measuring, untimed, elsewhere, way, onsetAfter },
    ({ table: { play }, sent }, before) => {
      if (play !== before.play) keepRow({ ...row, state: play }, sentEvents(row, sent));
    },
  );
  const { play: state, plan } = table;
  const reading = useMemo(() => readTurns(plan, state), [plan, state]);
  const asking = state.status === 'asking';
  const promptId = turnsPromptId(frame, table);
  const clock = usePaintClock(asking && !pack && !elsewhere ? promptId : undefined);
  const shownAt = () => clock.current?.paintedAt(turnsPromptId(frame, now()));
  const plain = (kind: 'undo' | 'resume' | 'calm' | 'end') => () => void press({ kind, when: moment() });

  useMovedScreen(elsewhere, () => void press({ kind: 'moved', when: moment() }));
  useEffect(() => {
    if (!asking) return;
    const watch = watchFrames(() => void press({ kind: 'gap', when: moment() }));
    const hide = () => {
      if (document.visibilityState === 'hidden') press({ kind: 'pause', reason: 'hidden', when: moment() });
    };
    if (!elsewhere) document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [asking, elsewhere, press]);

  return {
    state,
    reading,
    fact: reading.next?.fact,
    hidden: turnsHidden(table),
    promptId,
    isShownAt: (at) => at >= ((pack ? now().turnedAt : shownAt()) ?? Infinity),
    start: (at) => void press({ kind: 'start', when: { ...moment(), at } }),
    turn: (at) => void press({ kind: 'turn', when: { ...moment(), at } }),
    answerTyped: (typed) => press({ kind: 'typed', typed, shownAt: shownAt(), when: moment() }).taken,
    answerRemote: (answer) => press({ kind: 'typedThere', answer, when: moment() }).taken,
    shownElsewhere: (id, at, shared) =>
      void press({ kind: 'shownThere', there: { promptId: id, at, shared }, when: moment() }),
    judge: (judgement, at, typed = []) =>
      press({ kind: 'judge', judgement, at, typed, shownAt: shownAt(), when: moment() }).taken,
    undo: plain('undo'),
    pause: (reason) => void press({ kind: 'pause', reason, when: moment() }),
    resume: plain('resume'),
    calm: plain('calm'),
    end: plain('end'),
    layAid: (aid) => void press({ kind: 'aid', aid, when: moment() }),
    toggleMark: (mark) => void press({ kind: 'mark', mark, when: moment() }),
    say: (given) => void press({ kind: 'say', given, when: moment() }),
  };
}
