import {
  advanceTurns,
  hiddenNumber,
  overheadInVisit,
  parseFactKey,
  readTurns,
  type Aid,
  type Answer,
  type FactKey,
  type HiddenPlace,
  type Judgement,
  type Mark,
  type Measuring,
  type PauseReason,
  type TurnsEvent,
  type TurnsReading,
  type TurnsState,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { TurnsRow } from '../app/deviceDb.ts';
import { watchFrames } from './frameWatch.ts';
import type { Outbox } from './outbox.ts';
import { readAnswer } from './readAnswer.ts';
import { readRemote, type RemoteAnswer } from './remoteAnswer.ts';
import { tableEvents } from './tableEvents.ts';
import { timesCount, timesVoid } from './tableTrouble.ts';
import type { TableOptions } from './tableOptions.ts';
import { useMovedScreen } from './useMovedScreen.ts';
import { typedText, typedTimes, type TypedAnswer } from './typedAnswer.ts';
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

/** Runs a play turn by turn from its row: prompts, the clock of each, answers, and keeping them on disk as they come. */
export function useTurns(
  row: TurnsRow,
  measuring: Measuring,
  outbox: Outbox,
  { untimed, elsewhere = false, way, onsetAfter }: TableOptions,
): LiveTurns {
  const { plan } = row;
  const pack = row.deal.pack ?? false;
  const [state, setState] = useState(row.state);
  const [showing, setShowing] = useState(0);
  const now = useRef({
    state: row.state,
    runFrom: undefined as number | undefined,
    usedAtRun: row.state.usedMs,
    spoiled: false,
    aid: null as Aid | null,
    turnedAt: undefined as number | undefined,
    elsewhereAt: undefined as { readonly promptId: string; readonly at: number } | undefined,
  });
  const reading = useMemo(() => readTurns(plan, state), [plan, state]);
  const asking = state.status === 'asking';
  const promptId = `${row.playId.slice(-6)}-${state.answers.length}-${showing}`;
  const clock = usePaintClock(asking && !pack && !elsewhere ? promptId : undefined);
  const paintedAt = useCallback(
    () => (pack ? now.current.turnedAt : clock.current?.paintedAt(promptId)),
    [clock, pack, promptId],
  );
  const hidden: HiddenPlace = plan.kind === 'drill' ? plan.hidden : 'result';
  const events = useMemo(() => tableEvents(row), [row]);
  const keep = usePlayKeeper(outbox);

  const usedAt = useCallback(
    (at: number) =>
      now.current.usedAtRun + (now.current.runFrom === undefined ? 0 : Math.max(0, at - now.current.runFrom)),
    [],
  );

  const go = useCallback(
    (list: readonly TurnsEvent[], sent: readonly TableEvent[] = [], at = performance.now()) => {
      const before = now.current.state;
      const next = list.reduce((one, event) => advanceTurns(plan, one, event), before);
      if (next === before) return before;
      const runs = next.status === 'asking' || next.status === 'told';
      if (runs && now.current.runFrom === undefined) {
        now.current.runFrom = at;
        now.current.usedAtRun = next.usedMs;
      }
      if (!runs) now.current.runFrom = undefined;
      if (next.status === 'asking' && before.status !== 'asking') now.current.turnedAt = at;
      if (next.answers.length !== before.answers.length || next.status !== before.status) {
        now.current.spoiled = false;
        now.current.aid = null;
        setShowing((one) => one + 1);
      }
      now.current.state = next;
      setState(next);
      const over =
        next.status === 'over' && before.status !== 'over'
          ? [
              events.ended(
                { usedMs: next.usedMs, calm: next.calmFrom !== null, interrupted: next.interrupted },
                next.endReason ?? 'tutor',
              ),
            ]
          : [];
      keep({ ...row, state: next }, [...sent, ...over]);
      return next;
    },
    [events, keep, plan, row],
  );

  const record = useCallback(
    (
      made: Pick<Answer, 'judgement' | 'given' | 'latencyMs' | 'overheadMs' | 'spreadMs' | 'calibrated'>,
      lastKeyMs: number | null,
      spoiled: boolean,
    ) => {
      const current = now.current.state;
      const fact = readTurns(plan, current).next?.fact;
      if (current.status !== 'asking' || fact === undefined) return false;
      const answer: Answer = {
        ...made,
        id: uuid(),
        fact,
        at: new Date().toISOString(),
        voided: made.latencyMs !== null && (current.seenBefore || spoiled),
        limitMs: row.limitMs,
        seen: [],
        aided: now.current.aid !== null,
        ...(now.current.aid === null ? {} : { aid: now.current.aid }),
        way,
        ...(hidden === 'result' ? {} : { hidden }),
      };
      if (answer.latencyMs !== null && !answer.voided) timesCount();
      const usedMs = usedAt(performance.now());
      go(
        [{ kind: 'answered', answer, usedMs }],
        [events.answered(answer, { lastKeyMs, calibrationAgeDays: measuring.ageDays, usedMs })],
      );
      return true;
    },
    [events, go, hidden, measuring.ageDays, plan, row.limitMs, usedAt, way],
  );

  /** A placement begins with facts that time a keypad nobody measured. */
  const overheadNow = useCallback(
    () =>
      plan.kind === 'placement'
        ? overheadInVisit(measuring, way, now.current.state.answers)
        : measuring.overheadFor,
    [measuring, plan.kind, way],
  );

  const judge = useCallback(
    (judgement: Judgement, at: number, typed: TypedAnswer = []): boolean => {
      const current = now.current.state;
      const shownAt = paintedAt();
      const fact = readTurns(plan, current).next?.fact;
      if (current.status !== 'asking' || fact === undefined) return false;
      // On another device the time is taken there, and a key here judges without one; a window of this machine shares the clock.
      const there = now.current.elsewhereAt;
      const sharedAt = there?.promptId === promptId ? there.at : undefined;
      const from = elsewhere ? sharedAt : shownAt;
      if (from === undefined && !elsewhere) return false;
      const early = from !== undefined && at < from;
      if (early && typed.length === 0) return false;
      // Digits taken on the news of a frame whose render time came later still: kept, without a time.
      if (early) now.current.spoiled = true;
      const read = readAnswer(
        { judgement, at, typed, onsetAt: from === undefined ? undefined : onsetAfter?.(from) },
        {
          fact,
          hidden,
          way,
          paintedAt: Math.min(from ?? at, at),
          timed: from !== undefined && current.calmFrom === null && !untimed,
          until: undefined,
          overheadFor: overheadNow(),
        },
      );
      return read !== undefined && record(read.made, read.lastKeyMs, now.current.spoiled);
    },
    [elsewhere, hidden, onsetAfter, overheadNow, paintedAt, plan, promptId, record, untimed, way],
  );

  const pause = useCallback(
    (reason: PauseReason) =>
      void go([{ kind: 'paused', usedMs: usedAt(performance.now()), at: new Date().toISOString(), reason }]),
    [go, usedAt],
  );

  useMovedScreen(elsewhere, () => {
    now.current.spoiled = true;
  });

  useEffect(() => {
    if (!asking) return;
    const watch = watchFrames(() => {
      if (elsewhere) return;
      now.current.spoiled = true;
      if (!untimed && now.current.state.calmFrom === null) timesVoid();
    });
    const hide = () => {
      if (document.visibilityState === 'hidden') pause('hidden');
    };
    if (!elsewhere) document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [asking, elsewhere, pause, untimed]);

  const last = () => now.current.state.answers.at(-1);
  const amend = (event: Extract<TurnsEvent, { kind: 'marked' | 'said' }>) => {
    const next = advanceTurns(plan, now.current.state, event).answers.find(
      (one) => one.id === event.answerId,
    );
    if (next) go([event], [events.amended(next)]);
  };

  return {
    state,
    reading,
    fact: reading.next?.fact,
    hidden,
    promptId,
    isShownAt: useCallback((at: number) => at >= (paintedAt() ?? Infinity), [paintedAt]),
    start: (at) => void go([{ kind: 'started' }], [], at),
    turn: (at) => void go([{ kind: 'turned' }], [], at),
    answerTyped: (typed) => {
      const fact = readTurns(plan, now.current.state).next?.fact;
      if (typed.length === 0 || fact === undefined) return false;
      const right = Number(typedText(typed)) === hiddenNumber(parseFactKey(fact), hidden);
      return judge(right ? 'right' : 'wrong', typedTimes(typed)?.firstAt ?? 0, typed);
    },
    answerRemote: (answer) => {
      const fact = readTurns(plan, now.current.state).next?.fact;
      if (fact === undefined || answer.promptId !== promptId) return false;
      const timed = now.current.state.calmFrom === null && !untimed;
      const read = readRemote(answer, {
        fact,
        hidden,
        overheadFor: overheadNow(),
        timed,
      });
      return record(read.made, read.lastKeyMs, answer.voided);
    },
    shownElsewhere: (id, at, sameClock) => {
      if (sameClock) now.current.elsewhereAt = { promptId: id, at };
    },
    judge,
    undo: () => {
      const undone = last();
      if (!undone || now.current.state.answers.length <= row.earlier) return;
      go([{ kind: 'undone' }], [events.retracted(undone)]);
    },
    pause,
    resume: () => void go([{ kind: 'resumed' }]),
    calm: () => void go([{ kind: 'calmed' }]),
    end: () => void go([{ kind: 'ended', usedMs: usedAt(performance.now()), reason: 'tutor' }]),
    layAid: (aid) => {
      now.current.aid = aid;
    },
    toggleMark: (mark) => {
      const answer = last();
      if (answer && now.current.state.answers.length > row.earlier)
        amend({
          kind: 'marked',
          answerId: answer.id,
          seen: answer.seen.includes(mark)
            ? answer.seen.filter((one) => one !== mark)
            : [...answer.seen, mark],
        });
    },
    say: (given) => {
      const answer = last();
      if (answer && answer.judgement === 'wrong') amend({ kind: 'said', answerId: answer.id, given });
    },
  };
}
