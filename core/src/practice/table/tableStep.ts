import type { Answer, CaptureWay } from '../../recall/answer.ts';
import type { Measuring } from '../../recall/measuring.ts';
import type { EndReason } from '../minute.ts';

/** How a table runs what is on it. Times are time stamps of the page, ms. */
export interface TableHow {
  readonly measuring: Measuring;
  /** How answers are captured now: another way than planned where the microphone fails. */
  readonly way: CaptureWay;
  /** No time is taken at all. */
  readonly untimed: boolean;
  /** The prompt is shown on another screen, which takes the time. */
  readonly elsewhere: boolean;
  /** The voice heard first after a moment. */
  readonly onsetAfter?: ((at: number) => number | undefined) | undefined;
}

/** When something was done: by the page's clock, ms; by the world's, ISO 8601; and an id for an answer that comes of it. */
export interface TableMoment {
  readonly at: number;
  readonly now: string;
  readonly id: string;
}

/** A prompt painted on another screen, on this page's time line; `shared`: by one clock, not by hearsay. */
export interface ShownThere {
  readonly promptId: string;
  readonly at: number;
  readonly shared: boolean;
}

/** What goes on record. */
export type TableSent =
  | {
      readonly kind: 'answered';
      readonly answer: Answer;
      readonly lastKeyMs: number | null;
      readonly calibrationAgeDays: number | null;
      readonly usedMs: number;
    }
  | { readonly kind: 'amended'; readonly answer: Answer }
  | { readonly kind: 'retracted'; readonly answer: Answer }
  | {
      readonly kind: 'ended';
      readonly usedMs: number;
      readonly calm: boolean;
      readonly interrupted: boolean;
      readonly reason: EndReason;
      /** When it stopped, ISO 8601. */
      readonly at: string;
    };

/** What came of something done at a table. */
export interface TableStep<T> {
  readonly table: T;
  readonly sent: readonly TableSent[];
  /** The time of an answer counts, or that of the prompt now shown has become void; null: neither is news. */
  readonly times: 'count' | 'void' | null;
  /** Whether a press was taken: one that came before its prompt, or that fits nothing, is not. */
  readonly taken: boolean;
}

/** Nothing came of it. */
export const noStep = <T>(table: T): TableStep<T> => ({ table, sent: [], times: null, taken: false });
