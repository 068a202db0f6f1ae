import type { Aid } from '../../facts/aid.ts';
import type { PauseReason } from '../../practice/minute.ts';
import type { ShownThere } from '../../practice/table/tableStep.ts';
import type { TypedAnswer } from '../../practice/table/typedAnswer.ts';
import type { Judgement } from '../../recall/answer.ts';
import type { Mark } from '../../recall/mark.ts';
import type { Move } from '../move.ts';
import type { SeatAnswer } from './tableSeat.ts';

/** When something was done: by the page's clock, ms; by the world's, ISO 8601; and ids for what comes of it. */
export interface GameMoment {
  readonly at: number;
  readonly now: string;
  /** The id of the nth thing that comes of it: the same for the same number. */
  readonly id: (nth: number) => string;
}

/** What is said of an answer beside right or not. */
export interface SaidMore {
  readonly typed?: TypedAnswer;
  readonly helpedBy?: number | undefined;
  readonly erred?: 'caught' | 'missed';
  /** Typed on another device, timed there. */
  readonly there?: { readonly latencyMs: number | null; readonly voided: boolean };
}

/** What is done at the table of a game, or happens to it. Times are stamps of the page, ms; `shownAt`: when this page painted what is asked. */
export type GamePress =
  | {
      /** `undoTurn` takes back what was rolled and dealt since, and the last thing that somebody decided or said. */
      readonly kind:
        'start' | 'undo' | 'undoTurn' | 'resume' | 'calm' | 'finish' | 'gap' | 'moved' | 'nobody';
      readonly when: GameMoment;
    }
  | { readonly kind: 'move'; readonly move: Move; readonly at: number; readonly when: GameMoment }
  | {
      readonly kind: 'judge';
      readonly judgement: Judgement;
      readonly at: number;
      readonly more: SaidMore;
      readonly shownAt: number | undefined;
      readonly when: GameMoment;
    }
  | {
      readonly kind: 'claim';
      readonly seat: number;
      readonly at: number;
      readonly by: 'child' | 'tutor';
      readonly shownAt: number | undefined;
      readonly when: GameMoment;
    }
  /** A claim on another screen, so long after it was shown there, ms. */
  | {
      readonly kind: 'claimThere';
      readonly seat: number;
      readonly latencyMs: number;
      readonly shownAt: number | undefined;
      readonly when: GameMoment;
    }
  /** Nobody can be before those who claimed any more. */
  | { readonly kind: 'settle'; readonly shownAt: number | undefined; readonly when: GameMoment }
  /** An answer of a loose game that was not right; it is kept with the next move. */
  | { readonly kind: 'note'; readonly noted: SeatAnswer; readonly when: GameMoment }
  | { readonly kind: 'pause'; readonly reason: PauseReason; readonly when: GameMoment }
  | { readonly kind: 'mark'; readonly mark: Mark; readonly when: GameMoment }
  | { readonly kind: 'aid'; readonly aid: Aid; readonly when: GameMoment }
  /** What is asked was painted on another screen; `seat`: a seat's own, null: everyone's. */
  | {
      readonly kind: 'shownThere';
      readonly there: ShownThere;
      readonly seat: number | null;
      readonly when: GameMoment;
    };
