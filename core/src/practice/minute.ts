import type { FactKey } from '../facts/fact.ts';
import type { Answer } from '../recall/answer.ts';
import type { Mark } from '../recall/mark.ts';

/** Why a minute's clock stands still. */
export type PauseReason = 'pause' | 'interrupted' | 'hidden' | 'frozen' | 'reload';
/** How a minute ended: its time was up, the tutor ended it, or it lay open too long and was closed. */
export const endReasons = ['time', 'tutor', 'closed'] as const;
export type EndReason = (typeof endReasons)[number];

/** An interrupted minute may be taken up again within this time; after it, it closes. */
export const resumeWithinMs = 10 * 60_000;
/** The length of a minute unless the policy says otherwise. */
export const defaultMinuteMs = 60_000;
/** How long an answer whose first digit fell inside the minute may take to be finished. */
export const finishTypingMs = 3000;

/** A minute as it goes: plain data, so that it can be stored, resumed and replayed. Times in ms of the minute's own clock. */
export interface MinuteState {
  readonly status: 'ready' | 'running' | 'paused' | 'over';
  readonly lengthMs: number;
  readonly form: readonly FactKey[];
  /** Facts to turn to when the table is calm. */
  readonly calmForm: readonly FactKey[];
  /** Place in the form of the prompt now shown. */
  readonly position: number;
  /** The prompt now shown was seen before, so its time is void. */
  readonly seenBefore: boolean;
  /** A calm table counts no more and times no more. */
  readonly calm: boolean;
  /** Where in `calmForm` the calm prompts began, as a position of the form. */
  readonly calmFrom: number;
  readonly usedMs: number;
  readonly interrupted: boolean;
  readonly pausedAt: string | null;
  readonly pauseReason: PauseReason | null;
  readonly answers: readonly Answer[];
  readonly endReason: EndReason | null;
}

export type MinuteEvent =
  | { readonly kind: 'started' }
  | { readonly kind: 'ticked'; readonly usedMs: number }
  | { readonly kind: 'answered'; readonly answer: Answer; readonly usedMs: number }
  | { readonly kind: 'undone' }
  | { readonly kind: 'marked'; readonly answerId: string; readonly seen: readonly Mark[] }
  | { readonly kind: 'said'; readonly answerId: string; readonly given: string | null }
  | { readonly kind: 'paused'; readonly usedMs: number; readonly at: string; readonly reason: PauseReason }
  | { readonly kind: 'resumed' }
  | { readonly kind: 'calmed'; readonly usedMs: number }
  | { readonly kind: 'ended'; readonly usedMs: number; readonly reason: EndReason };

/** A minute about to begin. Throws RangeError on an empty form or a length that is not above 0. */
export function newMinute(
  form: readonly FactKey[],
  lengthMs: number,
  calmForm: readonly FactKey[] = [],
): MinuteState {
  if (form.length === 0) throw new RangeError('A minute needs prompts.');
  if (!(lengthMs > 0)) throw new RangeError('A minute needs a length above 0 ms.');
  return {
    status: 'ready',
    lengthMs,
    form,
    calmForm,
    position: 0,
    seenBefore: false,
    calm: false,
    calmFrom: 0,
    usedMs: 0,
    interrupted: false,
    pausedAt: null,
    pauseReason: null,
    answers: [],
    endReason: null,
  };
}

/** The prompt now shown. The form begins again if a child outlasts it; a calm table draws on known facts if there are any. */
export function promptOf(state: MinuteState): FactKey {
  const list = state.calm && state.calmForm.length > 0 ? state.calmForm : state.form;
  const at = state.calm && state.calmForm.length > 0 ? state.position - state.calmFrom : state.position;
  return list[Math.max(0, at) % list.length] as FactKey;
}

export function timeLeftMs(state: MinuteState): number {
  return Math.max(0, state.lengthMs - state.usedMs);
}

/** Whether the answers of a minute may decide anything: counted to its time, not turned calm, not closed or cut short. */
export function decides(end: { readonly endReason: EndReason | null; readonly calm: boolean }): boolean {
  return end.endReason === 'time' && !end.calm;
}

/** Whether a paused minute may still be taken up. `now` is ISO 8601. */
export function mayResume(state: MinuteState, now: string): boolean {
  return (
    state.status === 'paused' &&
    state.pausedAt !== null &&
    Date.parse(now) - Date.parse(state.pausedAt) <= resumeWithinMs
  );
}

/** The minute after an event. An event that does not fit the state (a key pressed twice, a late tick) changes nothing. */
export function advanceMinute(state: MinuteState, event: MinuteEvent): MinuteState {
  if (state.status === 'over') {
    // After the end only what was seen and said about answers may still change.
    return event.kind === 'marked' || event.kind === 'said' ? amend(state, event) : state;
  }
  const counted = (usedMs: number) =>
    state.calm ? state.usedMs : Math.min(state.lengthMs, Math.max(state.usedMs, usedMs));
  switch (event.kind) {
    case 'started':
      return state.status === 'ready' ? { ...state, status: 'running' } : state;
    case 'ticked':
      return state.status === 'running' ? { ...state, usedMs: counted(event.usedMs) } : state;
    case 'answered':
      if (state.status !== 'running' || state.answers.some((one) => one.id === event.answer.id)) return state;
      return {
        ...state,
        answers: [...state.answers, event.answer],
        position: state.position + 1,
        seenBefore: false,
        usedMs: counted(event.usedMs),
      };
    case 'undone':
      if (
        state.status === 'ready' ||
        state.answers.length === 0 ||
        state.position === (state.calm ? state.calmFrom : 0)
      )
        return state;
      return {
        ...state,
        answers: state.answers.slice(0, -1),
        position: state.position - 1,
        seenBefore: true,
      };
    case 'marked':
    case 'said':
      return amend(state, event);
    case 'paused':
      if (state.status !== 'running') return state;
      return {
        ...state,
        status: 'paused',
        usedMs: counted(event.usedMs),
        pausedAt: event.at,
        pauseReason: event.reason,
        interrupted: state.interrupted || event.reason !== 'pause',
        seenBefore: true,
      };
    case 'resumed':
      return state.status === 'paused'
        ? { ...state, status: 'running', pausedAt: null, pauseReason: null }
        : state;
    case 'calmed':
      if (state.status === 'ready' || state.calm) return state;
      return {
        ...state,
        status: 'running',
        pausedAt: null,
        pauseReason: null,
        usedMs: counted(event.usedMs),
        calm: true,
        calmFrom: state.position,
        seenBefore: false,
      };
    case 'ended':
      if (state.status === 'ready') return state;
      return {
        ...state,
        status: 'over',
        usedMs: counted(event.usedMs),
        endReason: event.reason,
        pausedAt: null,
      };
  }
}

function amend(state: MinuteState, event: Extract<MinuteEvent, { kind: 'marked' | 'said' }>): MinuteState {
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
}
