import type { CaptureWay, EndReason, Judgement, Mark, Move, PauseReason } from '@veldrift/core';
import {
  exercised,
  GameError,
  needOf,
  playMove,
  resumePlan,
  tookSeat,
  type GameState,
  type Need,
  type OpenGame,
} from '@veldrift/core/games';
import type { Me } from '@veldrift/wire';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { GameRow, GameTableState, KeptMove } from '../../app/deviceDb.ts';
import { watchFrames } from '../frameWatch.ts';
import type { Outbox } from '../outbox.ts';
import type { TypedAnswer } from '../typedAnswer.ts';
import { usePaintClock } from '../usePaintClock.ts';
import { usePlayKeeper } from '../usePlayKeeper.ts';
import { tableAnswers, type SeatAnswer } from './gameAnswers.ts';
import { gameEvents } from './gameEvents.ts';
import { answerMore, seatAnswers, type Pressed } from './seatAnswer.ts';
import { useClaims, type Claiming } from './useClaims.ts';
import { useErr } from './useErr.ts';

/** What is said of an answer beside right or not. */
export interface SaidMore {
  readonly typed?: TypedAnswer;
  readonly helpedBy?: number | undefined;
  readonly erred?: 'caught' | 'missed';
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
  /** What to tell of moves that could not be made again on taking it up; null: nothing. */
  readonly trouble: string | null;
  readonly isShownAt: (at: number) => boolean;
  readonly start: () => void;
  /** Makes a move. Gives the sentence of one that cannot be made; null: it was. */
  readonly make: (move: Move, at: number) => string | null;
  readonly judge: (judgement: Judgement, at: number, more?: SaidMore) => string | null;
  readonly undo: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  /** Ends it for today, on record; the review follows. */
  readonly finish: () => void;
  readonly toggleMark: (mark: Mark) => void;
  readonly setAided: (aided: boolean) => void;
}

/** Runs a game from its row: the moves, the clock of what is asked, answers of each pupil, and keeping all as it comes. */
export function useGame(
  row: GameRow,
  me: Me,
  outbox: Outbox,
  { way, elsewhere }: { readonly way: CaptureWay; readonly elsewhere: boolean },
): LiveGame {
  const [taken] = useState(() =>
    resumePlan(
      row.plan,
      row.moves.map((one) => one.move),
    ),
  );
  const { game, play } = taken;
  const [now, setNow] = useState({
    state: taken.state,
    moves: row.moves.slice(0, taken.made),
    table: row.state,
  });
  const [showing, setShowing] = useState(0);
  const live = useRef({
    ...now,
    runFrom: undefined as number | undefined,
    spoiled: false,
    aided: false,
    /** When real cards or dice were turned: with them the clock goes from the tutor's key. */
    turnedAt: undefined as number | undefined,
    claimed: undefined as
      | { readonly at: number; readonly shownAt: number | undefined; readonly by: 'child' | 'tutor' }
      | undefined,
  });
  const events = useMemo(() => gameEvents(row), [row]);
  const keeper = usePlayKeeper(outbox);
  const { table, state, moves } = now;
  const playing = table.status === 'playing';
  const need = useMemo(() => needOf(game, play, state), [game, play, state]);
  const asks = need.kind === 'say' || need.kind === 'claim';
  const promptId = `${row.playId.slice(-6)}-${moves.length}-${showing}`;
  const called = row.plan.mode === 'called';
  const clock = usePaintClock(playing && asks && !called && !elsewhere ? promptId : undefined);

  const usedMs = useCallback(() => {
    const { table: at, runFrom } = live.current;
    return Math.round(at.usedMs + (runFrom === undefined ? 0 : Math.max(0, performance.now() - runFrom)));
  }, []);

  /** Puts what is new in force and on disk, with what is to be sent. */
  const put = useCallback(
    (
      next: Partial<Pick<typeof now, 'state' | 'moves' | 'table'>>,
      sent: Parameters<typeof keeper>[1],
      fresh = true,
    ) => {
      const { state: a, moves: b, table: c } = { ...live.current, ...next };
      Object.assign(live.current, { state: a, moves: b, table: c });
      if (fresh) {
        live.current.spoiled = false;
        setShowing((one) => one + 1);
      }
      setNow({ state: a, moves: b, table: c });
      keeper({ ...row, moves: b, state: c }, sent);
    },
    [keeper, row],
  );

  /** Changes how the table stands; its time runs while it is played. */
  const turnTable = useCallback(
    (change: Partial<GameTableState>, sent: Parameters<typeof keeper>[1] = []) => {
      const table: GameTableState = { ...live.current.table, usedMs: usedMs(), ...change };
      live.current.runFrom = table.status === 'playing' ? performance.now() : undefined;
      put({ table }, sent);
    },
    [put, usedMs],
  );

  const perform = useCallback(
    (move: Move, at: number, pressed?: Pressed): string | null => {
      const before = live.current;
      if (before.table.status !== 'playing') return null;
      let next: GameState;
      try {
        next = playMove(game, play, before.state, move);
      } catch (error) {
        if (error instanceof GameError) return error.message;
        throw error;
      }
      const shown = exercised(game, play, before.state, move);
      const took = row.plan.mode === 'loose' && move.kind === 'choose' ? tookSeat(move.key) : null;
      const kept: KeptMove = {
        id: uuid(),
        move,
        answers: seatAnswers(row, me, shown, pressed),
        tallies: took !== null && row.seats[took]?.pupil ? [{ seat: took, id: uuid() }] : [],
      };
      const used = usedMs();
      before.claimed = undefined;
      before.turnedAt = at;
      put(
        { state: next, moves: [...before.moves, kept] },
        events.made(kept, before.moves.length, used, (seat) => answerMore(row, me, seat)),
      );
      return null;
    },
    [events, game, me, play, put, row, usedMs],
  );

  const shownAt = useCallback(
    () => (called ? live.current.turnedAt : clock.current?.paintedAt(promptId)),
    [called, clock, promptId],
  );

  const claiming = useClaims({
    need,
    seats: row.seats,
    levelled: row.plan.levelled,
    shownAt,
    onClaimed: useCallback(
      (claim: { readonly seat: number; readonly at: number; readonly by: 'child' | 'tutor' } | null) => {
        const from = claim === null ? undefined : shownAt();
        const made = perform({ kind: 'claim', seat: claim?.seat ?? null }, claim?.at ?? performance.now());
        if (claim && made === null) live.current.claimed = { at: claim.at, shownAt: from, by: claim.by };
      },
      [perform, shownAt],
    ),
  });

  const judge = useCallback(
    (judgement: Judgement, at: number, { typed = [], helpedBy, erred }: SaidMore = {}): string | null => {
      const current = live.current;
      const asked = needOf(game, play, current.state);
      if (asked.kind !== 'say') return null;
      const right = judgement === 'right' || judgement === 'workedOut';
      const again = (current.state.asking?.missed.length ?? 0) > 0;
      const { claimed } = current;
      const from = claimed ? claimed.shownAt : shownAt();
      if (!claimed && !called && !elsewhere && (from === undefined || at < from)) return null;
      return perform(
        {
          kind: 'said',
          seat: asked.asked.seat,
          right,
          ...(helpedBy === undefined ? {} : { helpedBy }),
          ...(erred === undefined ? {} : { erred }),
        },
        at,
        {
          judgement: helpedBy !== undefined && right ? 'workedOut' : judgement,
          at: claimed?.at ?? at,
          typed,
          // What was missed already, or heard said wrongly, is no first sight of it.
          shownAt: again || erred !== undefined || elsewhere ? undefined : from,
          way: claimed?.by === 'child' ? 'keypad' : way,
          spoiled: current.spoiled,
          calm: current.table.calm,
          aided: current.aided,
          seen: helpedBy === undefined ? [] : ['helped'],
        },
      );
    },
    [called, elsewhere, game, perform, play, shownAt, way],
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

  useEffect(() => {
    if (!playing) return;
    const watch = watchFrames(() => {
      live.current.spoiled = true;
    });
    const hide = () => {
      if (document.visibilityState === 'hidden' && !elsewhere) pause('hidden');
    };
    document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [elsewhere, pause, playing]);

  const err = useErr(row, need, moves);

  return {
    game,
    play,
    state,
    need,
    table,
    moves,
    answers: useMemo(() => tableAnswers({ moves }), [moves]),
    promptId,
    err,
    claiming,
    trouble: taken.trouble,
    isShownAt: (at) => at >= (shownAt() ?? Infinity),
    start: () => turnTable({ status: 'playing' }),
    make: perform,
    judge,
    undo: () => {
      const last = live.current.moves.at(-1);
      if (!last || live.current.table.status === 'over') return;
      const rest = live.current.moves.slice(0, -1);
      const back = resumePlan(
        row.plan,
        rest.map((one) => one.move),
      );
      live.current.claimed = undefined;
      put({ state: back.state, moves: rest }, events.undone(last));
      // What is asked again was seen before: it takes no time.
      live.current.spoiled = true;
    },
    pause,
    resume: () => {
      turnTable({ status: 'playing', pausedAt: null, pauseReason: null });
      live.current.spoiled = true;
    },
    calm: () => turnTable({ calm: true }),
    finish: () => {
      if (live.current.table.status === 'over') return;
      const reason: EndReason = 'tutor';
      const used = usedMs();
      const { calm, interrupted } = live.current.table;
      turnTable(
        { status: 'over', endReason: reason, usedMs: used },
        events.ended({ usedMs: used, calm, interrupted }, reason),
      );
    },
    toggleMark: (mark) => {
      const at = live.current.moves.findLastIndex((one) => one.answers.length > 0);
      const kept = live.current.moves[at];
      const last = kept?.answers.at(-1);
      if (!kept || !last) return;
      const { answer } = last;
      const seen = answer.seen.includes(mark)
        ? answer.seen.filter((one) => one !== mark)
        : [...answer.seen, mark];
      const marked = { ...last, answer: { ...answer, seen } };
      const changed = { ...kept, answers: [...kept.answers.slice(0, -1), marked] };
      put(
        { moves: live.current.moves.map((one, nth) => (nth === at ? changed : one)) },
        events.amended(last.seat, marked.answer),
        false,
      );
    },
    setAided: (aided) => {
      live.current.aided = aided;
    },
  };
}
