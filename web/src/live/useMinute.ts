import {
  advanceMinute,
  answerOf,
  finishTypingMs,
  mayResume,
  parseFactKey,
  promptOf,
  timeLeftMs,
  type Answer,
  type Judgement,
  type Measuring,
  type MinuteEvent,
  type MinuteState,
  type PauseReason,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { useCallback, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { MinuteRow } from '../app/deviceDb.ts';
import { frozenGapMs } from './frameWatch.ts';
import type { Outbox } from './outbox.ts';
import { allowanceMs, readAnswer, type ReadAnswer } from './readAnswer.ts';
import type { LiveMinute } from './liveMinute.ts';
import { usePlayKeeper } from './usePlayKeeper.ts';
import { typedText, typedTimes, type TypedAnswer } from './typedAnswer.ts';
import type { TableOptions } from './tableOptions.ts';
import { useMovedScreen } from './useMovedScreen.ts';
import { useMinuteWatch } from './useMinuteWatch.ts';
import { readRemote } from './remoteAnswer.ts';
import { tableEvents } from './tableEvents.ts';
import { timesCount, timesVoid } from './tableTrouble.ts';
import { usePaintClock } from './usePaintClock.ts';

/** Runs a minute from its row: the clock, the answers, and keeping both on disk as they come. */
export function useMinute(
  row: MinuteRow,
  measuring: Measuring,
  outbox: Outbox,
  { untimed, way, onsetAfter, elsewhere = false }: TableOptions,
): LiveMinute {
  const [state, setState] = useState(row.state);
  const [showing, setShowing] = useState(0);
  const [leftMs, setLeftMs] = useState(() => timeLeftMs(row.state));
  const now = useRef({
    state: row.state,
    runFrom: undefined as number | undefined,
    usedAtRun: row.state.usedMs,
    spoiled: false,
    closing: false,
    /** When another screen painted the prompt, on this page's time line; `shared`: by one clock, not by hearsay. */
    there: undefined as
      { readonly promptId: string; readonly at: number; readonly shared: boolean } | undefined,
  });

  const running = state.status === 'running';
  const promptId = `${row.playId.slice(-6)}-${state.position}-${showing}`;
  const clock = usePaintClock(running && !elsewhere ? promptId : undefined, (_, at) => {
    // The minute's own clock goes from the first paint after a start or a pause.
    if (now.current.runFrom === undefined && now.current.state.status === 'running') now.current.runFrom = at;
  });

  useMovedScreen(elsewhere, () => {
    now.current.spoiled = true;
  });

  const usedAt = useCallback(
    (at: number) =>
      now.current.usedAtRun + (now.current.runFrom === undefined ? 0 : Math.max(0, at - now.current.runFrom)),
    [],
  );

  const keepRow = usePlayKeeper(outbox);
  const keep = useCallback(
    (next: MinuteState, events: readonly TableEvent[]) => keepRow({ ...row, state: next }, events),
    [keepRow, row],
  );

  const events = useMemo(() => tableEvents(row), [row]);

  const go = useCallback(
    (events: readonly MinuteEvent[], sent: readonly TableEvent[] = [], fresh = true) => {
      const before = now.current.state;
      const next = events.reduce(advanceMinute, before);
      if (next === before) return;
      now.current.state = next;
      if (next.status !== 'running') now.current.runFrom = undefined;
      if (next.status === 'paused' || next.calm) now.current.usedAtRun = next.usedMs;
      if (fresh) {
        now.current.spoiled = false;
        if (next.status === 'running') setShowing((one) => one + 1);
      }
      setState(next);
      keep(next, sent);
    },
    [keep],
  );

  const finish = useCallback(
    (reason: 'time' | 'tutor' | 'closed') => {
      const used =
        now.current.state.status === 'running' ? usedAt(performance.now()) : now.current.state.usedMs;
      const stoppedAt = now.current.state.pausedAt ?? new Date().toISOString();
      const ended = advanceMinute(now.current.state, { kind: 'ended', usedMs: used, reason });
      if (ended === now.current.state) return;
      go([{ kind: 'ended', usedMs: used, reason }], [events.ended(ended, reason, stoppedAt)]);
    },
    [events, go, usedAt],
  );

  const record = useCallback(
    ({ made, begunAt, lastKeyMs }: ReadAnswer): boolean => {
      const { state: current, spoiled } = now.current;
      const answer: Answer = {
        ...made,
        id: uuid(),
        fact: promptOf(current),
        at: new Date().toISOString(),
        voided: made.latencyMs !== null && (current.seenBefore || spoiled),
        limitMs: row.limitMs,
        seen: [],
        aided: false,
        way,
      };
      if (answer.latencyMs !== null && !answer.voided) timesCount();
      const usedMs = Math.min(current.lengthMs, usedAt(begunAt));
      go(
        [{ kind: 'answered', answer, usedMs }],
        [events.answered(answer, { lastKeyMs, calibrationAgeDays: measuring.ageDays, usedMs })],
      );
      if (now.current.closing) finish('time');
      return true;
    },
    [events, finish, go, measuring.ageDays, row.limitMs, usedAt, way],
  );

  /** When the minute's time runs out, as a time stamp of the page; undefined while it does not run. */
  const deadline = useCallback(() => {
    const { runFrom, usedAtRun, state: current } = now.current;
    return runFrom === undefined || current.calm || current.status !== 'running'
      ? undefined
      : runFrom + current.lengthMs - usedAtRun;
  }, []);

  const judge = useCallback(
    (judgement: Judgement, at: number, typed: TypedAnswer = []): boolean => {
      const current = now.current.state;
      const there = now.current.there?.promptId === promptId ? now.current.there : undefined;
      const paintedAt = elsewhere ? there?.at : clock.current?.paintedAt(promptId);
      if (current.status !== 'running' || paintedAt === undefined) return false;
      const early = at < paintedAt;
      if (early && typed.length === 0) return false;
      // Digits taken on the news of a frame whose render time came later still: kept, without a time.
      if (early) now.current.spoiled = true;
      const read = readAnswer(
        { judgement, at, typed, onsetAt: onsetAfter?.(paintedAt) },
        {
          fact: promptOf(current),
          way,
          paintedAt: Math.min(paintedAt, at),
          // A key here gives no time to a prompt that another device shows by a clock of its own.
          timed: !current.calm && !untimed && (!elsewhere || there?.shared === true),
          until: deadline(),
          overheadFor: measuring.overheadFor,
        },
      );
      return read !== undefined && record(read);
    },
    [clock, deadline, elsewhere, measuring, onsetAfter, promptId, record, untimed, way],
  );

  // A key pressed before the prompt was painted belongs to the one before.
  const isShownAt = useCallback(
    (at: number) => at >= (clock.current?.paintedAt(promptId) ?? Infinity),
    [clock, promptId],
  );

  const pause = useCallback(
    (reason: PauseReason) =>
      go([{ kind: 'paused', usedMs: usedAt(performance.now()), at: new Date().toISOString(), reason }]),
    [go, usedAt],
  );

  const typing = useRef<TypedAnswer>([]);
  const catchUp = useMinuteWatch({
    running,
    calm: state.calm,
    deadline,
    graceMs: useCallback(() => {
      // The tutor's key comes after the child's word; a child half-way through typing may finish.
      if (way !== 'keypad') return allowanceMs(measuring.overheadFor(1));
      return typing.current.length > 0 ? finishTypingMs : 0;
    }, [measuring, way]),
    onClosing: useCallback(() => {
      now.current.closing = true;
    }, []),
    onTimeUp: useCallback(() => finish('time'), [finish]),
    // The tutor's view of the time, and what a crash would fall back on.
    onTick: useCallback(() => {
      if (!now.current.state.calm) {
        now.current.state = advanceMinute(now.current.state, {
          kind: 'ticked',
          usedMs: usedAt(performance.now()),
        });
        keep(now.current.state, []);
      }
      setLeftMs(timeLeftMs(now.current.state));
    }, [keep, usedAt]),
    // Gaps between frames spoil the time of the prompt shown; a frozen page is not counted to the minute.
    onGap: useCallback(
      (gapMs: number, beganAt: number) => {
        if (!elsewhere) {
          now.current.spoiled = true;
          if (!untimed && !now.current.state.calm) timesVoid();
        }
        if (elsewhere || gapMs < frozenGapMs || now.current.state.calm || now.current.runFrom === undefined)
          return;
        const at = performance.now();
        go(
          [
            { kind: 'paused', usedMs: usedAt(beganAt), at: new Date().toISOString(), reason: 'frozen' },
            { kind: 'resumed' },
          ],
          [],
          false,
        );
        now.current.usedAtRun = now.current.state.usedMs;
        now.current.runFrom = at;
      },
      [elsewhere, go, untimed, usedAt],
    ),
    pausedAt: state.pausedAt,
    onLapsed: useCallback(() => finish('closed'), [finish]),
    onHidden: useCallback(() => {
      if (!elsewhere && now.current.state.status === 'running') pause('hidden');
    }, [elsewhere, pause]),
  });

  const last = () => now.current.state.answers.at(-1);
  const amend = (event: Extract<MinuteEvent, { kind: 'marked' | 'said' }>) => {
    const next = advanceMinute(now.current.state, event).answers.find((one) => one.id === event.answerId);
    if (!next) return;
    go([event], [events.amended(next)], false);
  };

  return {
    state,
    promptId,
    leftMs,
    isShownAt,
    start: () => go(untimed ? [{ kind: 'started' }, { kind: 'calmed', usedMs: 0 }] : [{ kind: 'started' }]),
    typing: (typed) => {
      typing.current = typed;
    },
    answerTyped: (typed) => {
      catchUp();
      if (typed.length === 0) return false;
      const right = Number(typedText(typed)) === answerOf(parseFactKey(promptOf(now.current.state)));
      typing.current = [];
      return judge(right ? 'right' : 'wrong', typedTimes(typed)?.firstAt ?? 0, typed);
    },
    judge: (judgement, at, typed) => {
      catchUp();
      typing.current = [];
      return judge(judgement, at, typed);
    },
    shownElsewhere: (id, at, sameClock) => {
      now.current.there = { promptId: id, at, shared: sameClock };
      if (now.current.runFrom === undefined && now.current.state.status === 'running')
        now.current.runFrom = at;
    },
    answerRemote: (answer) => {
      catchUp();
      const { there, state: current } = now.current;
      if (current.status !== 'running' || answer.promptId !== promptId) return false;
      // By this page's time line as well as can be: painted there, heard of here, begun so much later.
      const begunAt = there?.promptId === promptId ? there.at + (answer.latencyMs ?? 0) : performance.now();
      now.current.spoiled = answer.voided;
      const timed = !current.calm && !untimed;
      const read = readRemote(answer, {
        fact: promptOf(current),
        hidden: 'result',
        overheadFor: measuring.overheadFor,
        timed,
      });
      return record({ ...read, begunAt });
    },
    undo: () => {
      const undone = last();
      if (undone && advanceMinute(now.current.state, { kind: 'undone' }) !== now.current.state) {
        go([{ kind: 'undone' }], [events.retracted(undone)]);
      }
    },
    pause,
    resume: () => {
      if (mayResume(now.current.state, new Date().toISOString())) go([{ kind: 'resumed' }]);
      else if (now.current.state.status === 'paused') finish('closed');
    },
    calm: () => go([{ kind: 'calmed', usedMs: usedAt(performance.now()) }]),
    end: () => finish('tutor'),
    toggleMark: (mark) => {
      const answer = last();
      if (answer)
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
