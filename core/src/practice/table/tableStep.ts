import type { Answer, CaptureWay, Judgement } from '../../recall/answer.ts';
import type { Mark } from '../../recall/mark.ts';
import type { Measuring } from '../../recall/measuring.ts';
import type { EndReason, PauseReason } from '../minute.ts';
import type { RemoteAnswer } from './remoteAnswer.ts';
import type { TypedAnswer } from './typedAnswer.ts';

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

/** What is done at a table of either kind. `shownAt`: when this page painted the prompt. */
export type SharedPress =
  | { readonly kind: 'start' | 'undo' | 'resume' | 'calm' | 'moved'; readonly when: TableMoment }
  | { readonly kind: 'pause'; readonly reason: PauseReason; readonly when: TableMoment }
  | {
      readonly kind: 'judge';
      readonly judgement: Judgement;
      readonly at: number;
      readonly typed: TypedAnswer;
      readonly shownAt: number | undefined;
      readonly when: TableMoment;
    }
  | {
      readonly kind: 'typed';
      readonly typed: TypedAnswer;
      readonly shownAt: number | undefined;
      readonly when: TableMoment;
    }
  | { readonly kind: 'typedThere'; readonly answer: RemoteAnswer; readonly when: TableMoment }
  | { readonly kind: 'shownThere'; readonly there: ShownThere; readonly when: TableMoment }
  | { readonly kind: 'mark'; readonly mark: Mark; readonly when: TableMoment }
  | { readonly kind: 'say'; readonly given: string | null; readonly when: TableMoment };

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
