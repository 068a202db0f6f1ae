import type { Aid, CaptureWay, Judgement, Mark, Move, PauseReason, TypedAnswer } from '@veldrift/core';
import {
  evidenceOf,
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
import type { GameRow, GameTableState, KeptMove, SeatAnswer } from '../../app/deviceDb.ts';
import type { Outbox } from '../outbox.ts';
import { timesCount } from '../tableTrouble.ts';
import { usePaintClock } from '../usePaintClock.ts';
import { tableAnswers } from './gameAnswers.ts';
import { calmMove } from './calmMove.ts';
import { gameEvents } from './gameEvents.ts';
import { calibrationAgeOf, seatAnswers, seatSkills, type Pressed } from './seatAnswer.ts';
import { useClaims, type Claiming } from './useClaims.ts';
import { useErr } from './useErr.ts';
import { useTableState } from './useTableState.ts';

/** What is said of an answer beside right or not. */
export interface SaidMore {
  readonly typed?: TypedAnswer;
  readonly helpedBy?: number | undefined;
  readonly erred?: 'caught' | 'missed';
  /** Typed on another device, timed there. */
  readonly there?: { readonly latencyMs: number | null; readonly voided: boolean };
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
  /** Time under way, pauses left out, ms. */
  readonly usedMs: () => number;
  readonly isShownAt: (at: number) => boolean;
  /** Hears when another screen painted what is asked. `sameClock`: a window of this machine, whose time stamps compare. */
  readonly shownElsewhere: (promptId: string, at: number, sameClock: boolean) => void;
  readonly start: () => void;
  /** Makes a move. Gives the sentence of one that cannot be made; null: it was. */
  readonly make: (move: Move, at: number) => string | null;
  readonly judge: (judgement: Judgement, at: number, more?: SaidMore) => string | null;
  /** Sets down an answer of a loose game that was not right; it is kept with the next tap. */
  readonly note: (noted: SeatAnswer) => void;
  readonly noted: readonly SeatAnswer[];
  readonly undo: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  /** Ends it for today, on record; the review follows. */
  readonly finish: () => void;
  readonly toggleMark: (mark: Mark) => void;
  /** An aid was laid under what is asked. */
  readonly layAid: (aid: Aid) => void;
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
  const asking = useRef(false);
  const kept = useTableState(
    row,
    { state: taken.state, moves: row.moves.slice(0, taken.made), table: row.state, noted: row.noted ?? [] },
    outbox,
    elsewhere,
    useCallback(() => asking.current, []),
  );
  const { read, touch, now, showing, put, turnTable, usedMs, pause } = kept;
  const operations = game.operations(play.rules);
  const byStep = game.aidAt?.(play.rules) ?? null;
  const events = useMemo(() => gameEvents(row), [row]);
  const { table, state, moves } = now;
  const playing = table.status === 'playing';
  const need = useMemo(() => needOf(game, play, state), [game, play, state]);
  const asks = need.kind === 'say' || need.kind === 'claim';
  useEffect(() => {
    asking.current = asks && row.plan.mode !== 'loose';
  }, [asks, row.plan.mode]);
  const promptId = `${row.playId.slice(-6)}-${moves.length}-${showing}`;
  const called = row.plan.mode === 'called';
  const clock = usePaintClock(playing && asks && !called && !elsewhere ? promptId : undefined);

  const perform = useCallback(
    (move: Move, at: number, pressed?: Pressed): string | null => {
      const before = read();
      if (before.table.status !== 'playing') return null;
      let next: GameState;
      try {
        next = playMove(game, play, before.state, move);
      } catch (error) {
        if (error instanceof GameError) return error.message;
        throw error;
      }
      const evidence = evidenceOf(game, play, before.state, move);
      const took = row.plan.mode === 'loose' && move.kind === 'choose' ? tookSeat(move.key) : null;
      const kept: KeptMove = {
        id: uuid(),
        move,
        answers: [...before.noted, ...seatAnswers(row, me, evidence, pressed, byStep)],
        skills: seatSkills(row, evidence, pressed, byStep),
        tallies: took !== null && row.seats[took]?.pupil ? [{ seat: took, id: uuid() }] : [],
      };
      if (kept.answers.some(({ answer }) => answer.latencyMs !== null && !answer.voided)) timesCount();
      const used = usedMs();
      // Only a card turned at the tutor's key begins a time: dice and squares were seen before they were typed or tapped.
      touch({ claimed: undefined, turnedAt: move.kind === 'go' ? at : undefined });
      put(
        { state: next, moves: [...before.moves, kept], noted: [] },
        events.made(kept, before.moves.length, used, (answer) => calibrationAgeOf(row, me, answer)),
      );
      return null;
    },
    [byStep, events, game, me, play, put, read, row, touch, usedMs],
  );

  const shownAt = useCallback(() => {
    if (called) return read().turnedAt;
    const { there } = read();
    if (elsewhere) return there?.promptId === promptId ? there.at : undefined;
    return clock.current?.paintedAt(promptId);
  }, [called, clock, elsewhere, promptId, read]);

  const claiming = useClaims({
    need,
    seats: row.seats,
    levelled: row.plan.levelled,
    shownAt,
    onTable: called,
    onClaimed: useCallback(
      (claim: { readonly seat: number; readonly at: number; readonly by: 'child' | 'tutor' } | null) => {
        const from = claim === null ? undefined : shownAt();
        const made = perform({ kind: 'claim', seat: claim?.seat ?? null }, claim?.at ?? performance.now());
        if (claim && made === null) touch({ claimed: { at: claim.at, shownAt: from, by: claim.by } });
      },
      [perform, shownAt, touch],
    ),
  });

  const judge = useCallback(
    (
      judgement: Judgement,
      at: number,
      { typed = [], helpedBy, erred, there }: SaidMore = {},
    ): string | null => {
      const current = read();
      const asked = needOf(game, play, current.state);
      if (asked.kind !== 'say') return null;
      const right = judgement === 'right' || judgement === 'workedOut';
      const again = (current.state.asking?.missed.length ?? 0) > 0;
      const { claimed } = current;
      const from = claimed ? claimed.shownAt : shownAt();
      const early = !claimed && !called && !elsewhere && (from === undefined || at < from);
      // A key pressed before the prompt was painted belongs to the one before; what was typed is kept, without a time.
      if (early && typed.length === 0) return null;
      // A key here gives no time to what another device shows by a clock of its own.
      const timed = claimed !== undefined || !elsewhere || current.there?.shared === true;
      const clean = !again && erred === undefined && !early;
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
          at: there ? (there.latencyMs ?? 0) : (claimed?.at ?? at),
          typed,
          // What was missed already, or heard said wrongly, is no first sight of it.
          shownAt: !clean
            ? undefined
            : there
              ? there.latencyMs === null
                ? undefined
                : 0
              : timed
                ? from
                : undefined,
          way: there || claimed?.by === 'child' ? 'keypad' : way,
          spoiled: there ? there.voided : current.spoiled,
          calm: current.table.calm,
          aid: current.aid ?? byStep,
          seen: helpedBy === undefined ? [] : ['helped'],
        },
      );
    },
    [byStep, called, elsewhere, game, perform, play, read, shownAt, way],
  );

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
    usedMs,
    isShownAt: (at) => at >= (shownAt() ?? Infinity),
    shownElsewhere: (id, at, shared) => {
      touch({ there: { promptId: id, at, shared } });
    },
    start: () => turnTable({ status: 'playing' }),
    make: perform,
    judge,
    note: (one) => put({ noted: [...read().noted, one] }, [], false),
    noted: now.noted,
    undo: () => {
      if (read().noted.length > 0) return put({ noted: read().noted.slice(0, -1) }, [], false);
      const { moves, table } = read();
      // The table stays calm: what was played before it turned so is undone, and it turns calm again.
      const calmed = moves.at(-1)?.move.kind === 'calm';
      const taken = moves.slice(calmed ? -2 : -1);
      if (table.status === 'over' || taken.length <= (calmed ? 1 : 0)) return;
      // Nothing is played in a pause, the turning calm again neither.
      if (calmed && table.status !== 'playing') return;
      const rest = moves.slice(0, -taken.length);
      const back = resumePlan(
        row.plan,
        rest.map((one) => one.move),
      );
      touch({ claimed: undefined });
      put({ state: back.state, moves: rest }, taken.toReversed().flatMap(events.undone));
      if (calmed) perform(calmMove(row, operations), performance.now());
      // What is asked again was seen before: it takes no time.
      touch({ spoiled: true });
    },
    pause,
    resume: () => {
      turnTable({ status: 'playing', pausedAt: null, pauseReason: null });
      touch({ spoiled: true });
    },
    calm: () => {
      const { table } = read();
      if (table.calm || table.status !== 'playing') return;
      turnTable({ calm: true });
      // Cards and dice of the app turn to what each knows; real ones go on as they lie.
      if (row.plan.mode === 'screen') perform(calmMove(row, operations), performance.now());
    },
    finish: () => {
      if (read().table.status === 'over') return;
      // What was set down last goes on record too.
      if (read().noted.length > 0) {
        if (read().table.status !== 'playing') turnTable({ status: 'playing' });
        perform({ kind: 'stop' }, performance.now());
      }
      const used = usedMs();
      const { calm, interrupted } = read().table;
      turnTable(
        { status: 'over', endReason: 'tutor', usedMs: used },
        events.ended({ usedMs: used, calm, interrupted }, 'tutor'),
      );
    },
    toggleMark: (mark) => {
      const at = read().moves.findLastIndex((one) => one.answers.length > 0);
      const kept = read().moves[at];
      const last = kept?.answers.at(-1);
      if (!kept || !last) return;
      const { answer } = last;
      const seen = answer.seen.includes(mark)
        ? answer.seen.filter((one) => one !== mark)
        : [...answer.seen, mark];
      const marked = { ...last, answer: { ...answer, seen } };
      const changed = { ...kept, answers: [...kept.answers.slice(0, -1), marked] };
      put(
        { moves: read().moves.map((one, nth) => (nth === at ? changed : one)) },
        events.amended(last.seat, marked.answer),
        false,
      );
    },
    layAid: (aid) => {
      touch({ aid });
    },
  };
}
