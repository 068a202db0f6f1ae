import type { EndReason } from '../minute.ts';
import type { SharedPress, TableMoment } from './tableStep.ts';
import type { TypedAnswer } from './typedAnswer.ts';

/** What is done at the table of a minute, or happens to it. Times are stamps of the page, ms. */
export type MinutePress =
  | SharedPress
  | { readonly kind: 'tick' | 'closing'; readonly when: TableMoment }
  | { readonly kind: 'end'; readonly reason: EndReason; readonly when: TableMoment }
  /** The prompt was painted here: the clock goes from the first paint after a start or a pause. */
  | { readonly kind: 'painted'; readonly at: number; readonly when: TableMoment }
  /** Frames went missing from a moment on, for so long. */
  | { readonly kind: 'gap'; readonly gapMs: number; readonly beganAt: number; readonly when: TableMoment }
  | { readonly kind: 'typing'; readonly typed: TypedAnswer; readonly when: TableMoment };
