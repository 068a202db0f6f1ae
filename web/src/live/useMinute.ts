import {
  advanceMinute,
  answerOf,
  finishTypingMs,
  parseFactKey,
  promptOf,
  timeLeftMs,
  type Answer,
  type Judgement,
  type Mark,
  type Measuring,
  type MinuteEvent,
  type MinuteState,
  type PauseReason,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { deviceDb, type PlayRow } from '../app/deviceDb.ts';
import { frozenGapMs, watchFrames } from './frameWatch.ts';
import type { Outbox } from './outbox.ts';
import { typedText, typedTimes, type TypedAnswer } from './typedAnswer.ts';
import { usePaintClock } from './usePaintClock.ts';

const tickMs = 500;

/** A minute under way on this device. All times handed in are time stamps of the page (ms). */
export interface LiveMinute {
  readonly state: MinuteState;
  /** Identifies one showing of a prompt; changes whenever it is painted afresh. */
  readonly promptId: string;
  /** ms left, as last ticked. */
  readonly leftMs: number;
  readonly start: () => void;
  /** Hears of digits being typed, so that an answer begun in time may be finished after it. */
  readonly typing: (typed: TypedAnswer) => void;
  readonly answerTyped: (typed: TypedAnswer) => boolean;
  readonly judge: (judgement: Judgement, at: number, typed?: TypedAnswer) => boolean;
  readonly undo: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  readonly end: () => void;
  readonly toggleMark: (mark: Mark) => void;
  readonly say: (given: string | null) => void;
}

/** Runs a minute from its row: the clock, the answers, and keeping both on disk as they come. */
export function useMinute(row: PlayRow, measuring: Measuring, outbox: Outbox, untimed: boolean): LiveMinute {
  const [state, setState] = useState(row.state);
  const [showing, setShowing] = useState(0);
  const [leftMs, setLeftMs] = useState(() => timeLeftMs(row.state));
  const now = useRef({
    state: row.state,
    runFrom: undefined as number | undefined,
    usedAtRun: row.state.usedMs,
    spoiled: false,
    closing: false,
  });
  const writing = useRef<Promise<unknown>>(Promise.resolve());

  const running = state.status === 'running';
  const promptId = `${row.playId.slice(-6)}-${state.position}-${showing}`;
  const clock = usePaintClock(running ? promptId : undefined, (_, at) => {
    // The minute's own clock goes from the first paint after a start or a pause.
    if (now.current.runFrom === undefined && now.current.state.status === 'running') now.current.runFrom = at;
  });

  const usedAt = useCallback(
    (at: number) =>
      now.current.usedAtRun + (now.current.runFrom === undefined ? 0 : Math.max(0, at - now.current.runFrom)),
    [],
  );

  const keep = useCallback(
    (next: MinuteState, events: readonly TableEvent[]) => {
      const saved: PlayRow = { ...row, savedAt: new Date().toISOString(), state: next };
      writing.current = writing.current
        .then(async () =>
          events.length > 0 ? outbox.add(events, saved) : void (await (await deviceDb()).put('plays', saved)),
        )
        .catch((error: unknown) =>
          console.error('A part of this minute could not be kept on this device.', error),
        );
    },
    [outbox, row],
  );

  const head = useMemo(
    () => ({ v: 1 as const, seat: 0, pupilId: row.pupilId, visitId: row.visitId, playId: row.playId }),
    [row],
  );

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
      const ended = advanceMinute(now.current.state, { kind: 'ended', usedMs: used, reason });
      if (ended === now.current.state) return;
      go(
        [{ kind: 'ended', usedMs: used, reason }],
        [
          {
            ...head,
            id: uuid(),
            kind: 'playEnded',
            at: new Date().toISOString(),
            usedMs: ended.usedMs,
            reason,
            calm: ended.calm,
            interrupted: ended.interrupted,
          },
        ],
      );
    },
    [go, head, usedAt],
  );

  const record = useCallback(
    (
      made: Pick<Answer, 'judgement' | 'given' | 'latencyMs' | 'overheadMs' | 'spreadMs' | 'calibrated'>,
      endedAt: number,
      lastKeyMs: number | null,
    ): boolean => {
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
        way: row.way,
      };
      const usedMs = Math.min(current.lengthMs, usedAt(endedAt));
      go(
        [{ kind: 'answered', answer, usedMs }],
        [
          {
            ...head,
            ...answer,
            kind: 'answerGiven',
            seen: [],
            hidden: 'result',
            lastKeyMs,
            calibrationAgeDays: measuring.ageDays,
            usedMs,
          },
        ],
      );
      if (now.current.closing) finish('time');
      return true;
    },
    [finish, go, head, measuring.ageDays, row, usedAt],
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
      const paintedAt = clock.current?.paintedAt(promptId);
      // A key pressed before the prompt was painted belongs to the one before.
      if (current.status !== 'running' || paintedAt === undefined || at < paintedAt) return false;
      const times = typedTimes(typed);
      const begunAt = row.way === 'keypad' && judgement !== 'gaveUp' && times ? times.firstAt : at;
      const given =
        typed.length > 0
          ? typedText(typed)
          : judgement === 'right' || judgement === 'workedOut'
            ? row.way === 'tutor'
              ? String(answerOf(parseFactKey(promptOf(current))))
              : null
            : null;
      const overhead = measuring.overheadFor(given?.length ?? 1);
      const until = deadline();
      // An answer counts when it was begun within the minute, the tutor's own time allowed for.
      if (
        until !== undefined &&
        begunAt - (row.way === 'tutor' ? overhead.overheadMs + overhead.spreadMs : 0) > until
      )
        return false;
      const timed = !current.calm && !untimed;
      return record(
        {
          judgement,
          given,
          latencyMs: timed ? Math.max(0, begunAt - paintedAt) : null,
          overheadMs: overhead.overheadMs,
          spreadMs: overhead.spreadMs,
          calibrated: overhead.calibrated,
        },
        begunAt,
        timed && times ? times.lastAt - paintedAt : null,
      );
    },
    [clock, deadline, measuring, promptId, record, row.way, untimed],
  );

  const pause = useCallback(
    (reason: PauseReason) =>
      go([{ kind: 'paused', usedMs: usedAt(performance.now()), at: new Date().toISOString(), reason }]),
    [go, usedAt],
  );

  // Time runs out: an answer already begun may be finished.
  const typingRef = useRef<TypedAnswer>([]);
  useEffect(() => {
    if (!running || state.calm) return;
    let handle: ReturnType<typeof setTimeout>;
    let frame = 0;
    const look = () => {
      frame = requestAnimationFrame(() => {
        const until = deadline();
        const at = performance.now();
        if (until === undefined || at < until) {
          handle = setTimeout(look, until === undefined ? 50 : Math.min(250, until - at));
          return;
        }
        const overhead = measuring.overheadFor(1);
        const graceMs =
          row.way === 'tutor'
            ? overhead.overheadMs + overhead.spreadMs
            : typingRef.current.length > 0
              ? finishTypingMs
              : 0;
        if (at >= until + graceMs) finish('time');
        else {
          now.current.closing = true;
          handle = setTimeout(look, Math.min(100, until + graceMs - at));
        }
      });
    };
    look();
    return () => {
      clearTimeout(handle);
      cancelAnimationFrame(frame);
    };
  }, [deadline, finish, measuring, row.way, running, state.calm]);

  // The tutor's view of the time, and what a crash would fall back on.
  useEffect(() => {
    if (!running) return;
    const handle = setInterval(() => {
      if (!now.current.state.calm) {
        const next = advanceMinute(now.current.state, { kind: 'ticked', usedMs: usedAt(performance.now()) });
        now.current.state = next;
        keep(next, []);
      }
      setLeftMs(timeLeftMs(now.current.state));
    }, tickMs);
    return () => clearInterval(handle);
  }, [keep, running, usedAt]);

  // Gaps between frames spoil the time of the prompt shown; a frozen page is not counted to the minute.
  useEffect(() => {
    if (!running) return;
    return watchFrames((gapMs, beganAt) => {
      now.current.spoiled = true;
      if (gapMs < frozenGapMs || now.current.state.calm || now.current.runFrom === undefined) return;
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
    });
  }, [go, running, usedAt]);

  useEffect(() => {
    const hide = () => {
      if (document.visibilityState === 'hidden' && now.current.state.status === 'running') pause('hidden');
    };
    document.addEventListener('visibilitychange', hide);
    return () => document.removeEventListener('visibilitychange', hide);
  }, [pause]);

  const last = () => now.current.state.answers.at(-1);
  const amend = (event: Extract<MinuteEvent, { kind: 'marked' | 'said' }>) => {
    const next = advanceMinute(now.current.state, event).answers.find((one) => one.id === event.answerId);
    if (!next) return;
    go(
      [event],
      [
        {
          ...head,
          id: uuid(),
          kind: 'answerAmended',
          at: new Date().toISOString(),
          answerId: next.id,
          seen: [...next.seen],
          given: next.given,
        },
      ],
      false,
    );
  };

  return {
    state,
    promptId,
    leftMs,
    start: () => go(untimed ? [{ kind: 'started' }, { kind: 'calmed', usedMs: 0 }] : [{ kind: 'started' }]),
    typing: (typed) => {
      typingRef.current = typed;
    },
    answerTyped: (typed) => {
      if (typed.length === 0) return false;
      const right = Number(typedText(typed)) === answerOf(parseFactKey(promptOf(now.current.state)));
      typingRef.current = [];
      return judge(right ? 'right' : 'wrong', typedTimes(typed)?.firstAt ?? 0, typed);
    },
    judge: (judgement, at, typed) => {
      typingRef.current = [];
      return judge(judgement, at, typed);
    },
    undo: () => {
      const undone = last();
      if (undone && advanceMinute(now.current.state, { kind: 'undone' }) !== now.current.state) {
        go(
          [{ kind: 'undone' }],
          [
            {
              ...head,
              id: uuid(),
              kind: 'answerRetracted',
              at: new Date().toISOString(),
              answerId: undone.id,
            },
          ],
        );
      }
    },
    pause,
    resume: () => go([{ kind: 'resumed' }]),
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
