import { isRight, type Answer } from '../recall/answer.ts';
import type { Mark } from '../recall/mark.ts';
import type { EndReason, PauseReason } from './minute.ts';
import { readTurns, type TurnsGiven, type TurnsPlan } from './readTurns.ts';

/**
 * A play that goes turn by turn, at the child's pace. What is asked is worked out from plan and answers, so that undo, a
 * reload and replay need no more than these.
 */
export interface TurnsState extends TurnsGiven {
  /** `told`: answered, the clock stands, the fact may be said; the next prompt waits for its turn. */
  readonly status: 'ready' | 'asking' | 'told' | 'paused' | 'over';
  /** The prompt now shown was seen before, so its time is void. */
  readonly seenBefore: boolean;
  readonly interrupted: boolean;
  readonly pausedAt: string | null;
  readonly pauseReason: PauseReason | null;
  /** What it goes back to after a pause. */
  readonly pausedFrom: 'asking' | 'told' | null;
  /** Time under way, ms, pauses left out. */
  readonly usedMs: number;
  readonly endReason: EndReason | null;
}

export type TurnsEvent =
  | { readonly kind: 'started' }
  | { readonly kind: 'answered'; readonly answer: Answer; readonly usedMs: number }
  | { readonly kind: 'turned' }
  | { readonly kind: 'undone' }
  | { readonly kind: 'marked'; readonly answerId: string; readonly seen: readonly Mark[] }
  | { readonly kind: 'said'; readonly answerId: string; readonly given: string | null }
  | { readonly kind: 'paused'; readonly usedMs: number; readonly at: string; readonly reason: PauseReason }
  | { readonly kind: 'resumed' }
  | { readonly kind: 'calmed' }
  | { readonly kind: 'ended'; readonly usedMs: number; readonly reason: EndReason };

/** A play about to begin; `earlier` are answers of the same play on another day, which it goes on from. */
export function newTurns(earlier: readonly Answer[] = []): TurnsState {
  return {
    status: 'ready',
    answers: earlier,
    seenBefore: false,
    calmFrom: null,
    interrupted: false,
    pausedAt: null,
    pauseReason: null,
    pausedFrom: null,
    usedMs: 0,
    endReason: null,
  };
}

/** Whether answers are followed by a moment to say the fact, before the next prompt is turned. */
export function waitsToTurn(plan: TurnsPlan): boolean {
  return plan.kind !== 'placement';
}

/** The play after an event. One that does not fit the state changes nothing. `hasNext`: whether another prompt follows. */
export function advanceTurns(plan: TurnsPlan, state: TurnsState, event: TurnsEvent): TurnsState {
  if (state.status === 'over' && event.kind !== 'marked' && event.kind !== 'said') return state;
  switch (event.kind) {
    case 'started':
      return state.status === 'ready' ? { ...state, status: 'asking' } : state;
    case 'answered': {
      if (state.status !== 'asking' || state.answers.some((one) => one.id === event.answer.id)) return state;
      const next: TurnsState = {
        ...state,
        status: waitsToTurn(plan) ? 'told' : 'asking',
        answers: [...state.answers, event.answer],
        seenBefore: false,
        usedMs: Math.max(state.usedMs, event.usedMs),
      };
      return next.status === 'asking' ? endIfDone(plan, next) : next;
    }
    case 'turned':
      return state.status === 'told' ? endIfDone(plan, { ...state, status: 'asking' }) : state;
    case 'undone':
      if (state.status === 'ready' || state.answers.length === 0) return state;
      return {
        ...state,
        status: 'asking',
        answers: state.answers.slice(0, -1),
        seenBefore: true,
        pausedAt: null,
        pausedFrom: null,
        calmFrom: state.calmFrom !== null && state.answers.length <= state.calmFrom ? null : state.calmFrom,
      };
    case 'marked':
    case 'said':
      return {
        ...state,
        answers: state.answers.map((one) =>
          one.id !== event.answerId
            ? one
            : event.kind === 'marked'
              ? { ...one, seen: event.seen }
              : { ...one, given: event.given },
        ),
      };
    case 'paused':
      if (state.status !== 'asking' && state.status !== 'told') return state;
      return {
        ...state,
        status: 'paused',
        pausedFrom: state.status,
        usedMs: Math.max(state.usedMs, event.usedMs),
        pausedAt: event.at,
        pauseReason: event.reason,
        interrupted: state.interrupted || event.reason !== 'pause',
        seenBefore: state.seenBefore || state.status === 'asking',
      };
    case 'resumed':
      return state.status === 'paused'
        ? {
            ...state,
            status: state.pausedFrom ?? 'asking',
            pausedAt: null,
            pauseReason: null,
            pausedFrom: null,
          }
        : state;
    case 'calmed':
      if (state.status === 'ready' || state.calmFrom !== null) return state;
      return {
        ...state,
        status: state.status === 'paused' ? (state.pausedFrom ?? 'asking') : state.status,
        pausedAt: null,
        pauseReason: null,
        pausedFrom: null,
        calmFrom: state.answers.length,
      };
    case 'ended':
      if (state.status === 'ready') return state;
      return {
        ...state,
        status: 'over',
        usedMs: Math.max(state.usedMs, event.usedMs),
        endReason: event.reason,
        pausedAt: null,
      };
  }
}

function endIfDone(plan: TurnsPlan, state: TurnsState): TurnsState {
  return readTurns(plan, state).next ? state : { ...state, status: 'over', endReason: 'time' };
}

/** Whether the last answer is one to treat: the whole fact is shown with its say-now line. */
export function isTreated(answer: Answer | undefined): boolean {
  return answer !== undefined && !isRight(answer.judgement);
}
