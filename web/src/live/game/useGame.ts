import type {
  Aid,
  GameTableState,
  Judgement,
  KeptMove,
  Mark,
  Move,
  PauseReason,
  SeatAnswer,
} from '@veldrift/core';
import {
  advanceGameTable,
  appTurn,
  calibrationAgeOf,
  devicesNow,
  gameEnd,
  gameNeed,
  gamePromptId,
  gameShownAt,
  gameUsedMs,
  headStartsAt,
  newGameTable,
  resumePlan,
  settlesAt,
  waitsForApp,
  type AppTurn,
  type GameEnd,
  type GameMoment,
  type GamePress,
  type GameState,
  type GameTable,
  type GameTableFrame,
  type GameTableHow,
  type Need,
  type OpenGame,
  type SaidMore,
} from '@veldrift/core/games';
import type { Me } from '@veldrift/wire';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { GameRow } from '../../app/deviceDb.ts';
import { watchFrames } from '../frameWatch.ts';
import type { Outbox } from '../outbox.ts';
import { moment, useTableStore } from '../tableStore.ts';
import { useMovedScreen } from '../useMovedScreen.ts';
import { usePaintClock } from '../usePaintClock.ts';
import { usePlayKeeper } from '../usePlayKeeper.ts';
import { tableAnswers } from './gameAnswers.ts';
import { gameEvents } from './gameEvents.ts';
import { tableSeats } from './tableSeats.ts';
import { useErr } from './useErr.ts';

/** Seats claiming to have been first. */
export interface Claiming {
  /** ms by seat that a seat's claim counts as earlier by; all 0 unless levelled. */
  readonly headStartMs: readonly number[];
  /** Seats that have claimed, while others still may. */
  readonly claimed: readonly number[];
  readonly claim: (seat: number, at: number, by: 'child' | 'tutor') => void;
  /** A claim on another screen, so long after it was shown there. */
  readonly claimThere: (seat: number, latencyMs: number) => void;
  /** Nobody, or no agreement. */
  readonly nobody: () => void;
}

/** A game under way on this device. Times handed in are time stamps of the page, ms. */
export interface LiveGame extends OpenGame {
  readonly state: GameState;
  readonly need: Need;
  readonly table: GameTableState;
  readonly moves: readonly KeptMove[];
  readonly answers: readonly SeatAnswer[];
  /** Identifies one showing of what is asked. */
  readonly promptId: string;
  /** What a grown-up is to say wrongly now; null: nothing. */
  readonly err: string | null;
  readonly claiming: Claiming;
  /** What the app does now in a seat of its own; null: nothing. */
  readonly appTurn: AppTurn | null;
  /** It is the app's turn, and nobody else's. */
  readonly waitsForApp: boolean;
  /** What to tell of moves that could not be made again on taking it up; null: nothing. */
  readonly trouble: string | null;
  /** What it came to; null: it is not over. */
  readonly end: GameEnd | null;
  /** Time under way, pauses left out, ms. */
  readonly usedMs: () => number;
  readonly isShownAt: (at: number) => boolean;
  /** Hears when another screen painted what is asked. `sameClock`: a window of this machine, whose time stamps compare. */
  readonly shownElsewhere: (promptId: string, at: number, sameClock: boolean, seat: number | null) => void;
  readonly start: () => void;
  /** Makes a move. Gives the sentence of one that cannot be made; null: it was. */
  readonly make: (move: Move, at: number) => string | null;
  readonly judge: (judgement: Judgement, at: number, more?: SaidMore) => string | null;
  /** Sets down an answer of a loose game that was not right; it is kept with the next tap. */
  readonly note: (noted: SeatAnswer) => void;
  readonly noted: readonly SeatAnswer[];
  readonly undo: () => void;
  /** Takes back what was rolled and dealt since, and what was said or decided before it. */
  readonly undoTurn: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  /** Ends it for today, on record; the review follows. */
  readonly finish: () => void;
  readonly toggleMark: (mark: Mark) => void;
  /** An aid was laid under what is asked. */
  readonly layAid: (aid: Aid) => void;
}

/** Now, as a game's table takes it. */
function gameMoment(): GameMoment {
  const ids = new Map<number, string>();
  return {
    ...moment(),
    id: (nth) => {
      const id = ids.get(nth) ?? uuid();
      ids.set(nth, id);
      return id;
    },
  };
}

/** Runs a game from its row: what the machine in core makes of each press is shown, and kept on disk as it comes. */
export function useGame(row: GameRow, me: Me, outbox: Outbox, how: GameTableHow): LiveGame {
  const { elsewhere } = how;
  const [taken] = useState(() =>
    resumePlan(
      row.plan,
      row.moves.map((one) => one.move),
    ),
  );
  const { game, play } = taken;
  const frame = useMemo(
    (): GameTableFrame => ({
      ...{ game, play, plan: row.plan, playId: row.playId, limitMs: row.limitMs, way: row.way },
      seats: tableSeats(row.seats, me),
    }),
    [game, me, play, row],
  );
  const events = useMemo(() => gameEvents(row), [row]);
  const keepRow = usePlayKeeper(outbox);
  const {
    table: now,
    now: read,
    press,
  } = useTableStore(
    () => newGameTable(taken, row.moves.slice(0, taken.made), row.state, row.noted ?? []),
    (now: GameTableHow, at: GameTable, what: GamePress) => advanceGameTable(frame, now, at, what),
    how,
    ({ table: { moves, table, noted }, sent }, before) => {
      if (moves === before.moves && table === before.table && noted === before.noted) return;
      const ageOf = (answer: SeatAnswer) => calibrationAgeOf(frame.seats, answer);
      keepRow({ ...row, moves, noted, state: table }, events.sent(sent, ageOf));
    },
  );
  const { moves, table, claims } = now;
  const playing = table.status === 'playing';
  const { state } = now;
  const need = useMemo(() => gameNeed({ game, play }, { state }), [game, play, state]);
  const asks = need.kind === 'say' || need.kind === 'claim';
  const promptId = gamePromptId(frame, now);
  const clock = usePaintClock(
    playing && asks && row.plan.mode !== 'called' && !elsewhere ? promptId : undefined,
  );
  const paintedAt = () => clock.current?.paintedAt(gamePromptId(frame, read()));
  const plain = (kind: 'start' | 'undo' | 'undoTurn' | 'resume' | 'calm' | 'finish' | 'nobody') => () =>
    void press({ kind, when: gameMoment() });

  const headStartMs = useMemo(
    () => headStartsAt(frame.seats, need, row.plan.levelled),
    [frame, need, row.plan.levelled],
  );
  const { seatsShown } = now;
  const settle = useEffectEvent(() =>
    press({ kind: 'settle', shownAt: clock.current?.paintedAt(promptId), when: gameMoment() }),
  );
  const { devices } = how;
  const settling = useEffectEvent(() => {
    const from = gameShownAt(frame, how, now, clock.current?.paintedAt(promptId));
    return settlesAt(claims, headStartMs, devicesNow(frame, how, now), from);
  });
  useEffect(() => {
    const until = settling();
    if (until === undefined) return;
    const handle = setTimeout(() => void settle(), Math.max(0, until - performance.now()));
    return () => clearTimeout(handle);
  }, [claims, devices, headStartMs, promptId, seatsShown]);

  useMovedScreen(elsewhere, () => void press({ kind: 'moved', when: gameMoment() }));
  useEffect(() => {
    if (!playing) return;
    const watch = watchFrames(() => void press({ kind: 'gap', when: gameMoment() }));
    const hide = () => {
      if (document.visibilityState === 'hidden' && !elsewhere)
        press({ kind: 'pause', reason: 'hidden', when: gameMoment() });
    };
    document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [elsewhere, playing, press]);

  return {
    ...{ game, play, state, need, table, moves, promptId, noted: now.noted, trouble: taken.trouble },
    answers: useMemo(() => tableAnswers({ moves }), [moves]),
    err: useErr(row, need, moves),
    appTurn: useMemo(() => appTurn(frame, now), [frame, now]),
    waitsForApp: waitsForApp(frame, now),
    end: useMemo(
      () => (need.kind === 'over' ? gameEnd(frame, frame.seats, moves, now.told) : null),
      [frame, moves, need, now.told],
    ),
    claiming: {
      headStartMs,
      claimed: claims.map((one) => one.seat),
      claim: (seat, at, by) =>
        void press({ kind: 'claim', seat, at, by, shownAt: paintedAt(), when: gameMoment() }),
      claimThere: (seat, latencyMs) =>
        void press({ kind: 'claimThere', seat, latencyMs, shownAt: paintedAt(), when: gameMoment() }),
      nobody: plain('nobody'),
    },
    usedMs: () => gameUsedMs(read(), performance.now()),
    isShownAt: (at) => at >= (gameShownAt(frame, how, read(), paintedAt()) ?? Infinity),
    shownElsewhere: (id, at, shared, seat) =>
      void press({ kind: 'shownThere', there: { promptId: id, at, shared }, seat, when: gameMoment() }),
    make: (move, at) => press({ kind: 'move', move, at, when: gameMoment() }).trouble,
    judge: (judgement, at, more = {}) =>
      press({ kind: 'judge', judgement, at, more, shownAt: paintedAt(), when: gameMoment() }).trouble,
    note: (noted) => void press({ kind: 'note', noted, when: gameMoment() }),
    start: plain('start'),
    undo: plain('undo'),
    undoTurn: plain('undoTurn'),
    pause: (reason) => void press({ kind: 'pause', reason, when: gameMoment() }),
    resume: plain('resume'),
    calm: plain('calm'),
    finish: plain('finish'),
    toggleMark: (mark) => void press({ kind: 'mark', mark, when: gameMoment() }),
    layAid: (aid) => void press({ kind: 'aid', aid, when: gameMoment() }),
  };
}
