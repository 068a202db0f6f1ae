import type { Judgement, Mark, MinuteState, PauseReason, RemoteAnswer, TypedAnswer } from '@veldrift/core';

/** A minute under way on this device. All times handed in are time stamps of the page (ms). */
export interface LiveMinute {
  readonly state: MinuteState;
  /** Identifies one showing of a prompt; changes whenever it is painted afresh. */
  readonly promptId: string;
  /** ms left, as last ticked. */
  readonly leftMs: number;
  readonly start: () => void;
  /** Whether a key pressed then can belong to the prompt now shown: it was painted before. */
  readonly isShownAt: (at: number) => boolean;
  /** Hears of digits being typed, so that an answer begun in time may be finished after it. */
  readonly typing: (typed: TypedAnswer) => void;
  readonly answerTyped: (typed: TypedAnswer) => boolean;
  readonly judge: (judgement: Judgement, at: number, typed?: TypedAnswer) => boolean;
  readonly answerRemote: (answer: RemoteAnswer) => boolean;
  /** Hears when another screen painted a prompt. `sameClock`: a window of this machine, whose time stamps compare. */
  readonly shownElsewhere: (promptId: string, at: number, sameClock: boolean) => void;
  readonly undo: () => void;
  readonly pause: (reason: PauseReason) => void;
  readonly resume: () => void;
  readonly calm: () => void;
  readonly end: () => void;
  readonly toggleMark: (mark: Mark) => void;
  readonly say: (given: string | null) => void;
}
