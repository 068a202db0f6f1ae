import type { Judgement } from '../../recall/answer.ts';
import type { Mark } from '../../recall/mark.ts';
import type { EndReason, PauseReason } from '../minute.ts';
import type { RemoteAnswer } from './remoteAnswer.ts';
import type { ShownThere, TableMoment } from './tableStep.ts';
import type { TypedAnswer } from './typedAnswer.ts';

/** What is done at the table of a minute, or happens to it. Times are stamps of the page, ms. */
export type MinutePress =
  | {
      readonly kind: 'start' | 'undo' | 'resume' | 'calm' | 'moved' | 'tick' | 'closing';
      readonly when: TableMoment;
    }
  | { readonly kind: 'end'; readonly reason: EndReason; readonly when: TableMoment }
  | { readonly kind: 'pause'; readonly reason: PauseReason; readonly when: TableMoment }
  /** The prompt was painted here: the clock goes from the first paint after a start or a pause. */
  | { readonly kind: 'painted'; readonly at: number; readonly when: TableMoment }
  /** Frames went missing from a moment on, for so long. */
  | { readonly kind: 'gap'; readonly gapMs: number; readonly beganAt: number; readonly when: TableMoment }
  | { readonly kind: 'typing'; readonly typed: TypedAnswer; readonly when: TableMoment }
  | {
      readonly kind: 'judge';
      readonly judgement: Judgement;
      readonly at: number;
      readonly typed: TypedAnswer;
      /** When this page painted the prompt. */
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
