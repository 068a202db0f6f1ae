import type { FactKey } from '../facts/fact.ts';
import type { DealtPrompt } from './drill.ts';

/** A fact that was missed or slow, on its way back. */
export interface LoopItem {
  readonly fact: FactKey;
  /** Prompts since it was last dealt. */
  readonly since: number;
  /** Which gap it waits for. */
  readonly stage: number;
  /** Recalled so many times running. */
  readonly run: number;
}

/** What a drill knows of one fact by now. */
export interface Met {
  readonly times: number;
  readonly lastAt: number;
  /** Known at the start and not lost since, or recalled when last asked. */
  readonly known: boolean;
}

/** Where a drill stands. */
export interface DrillReading {
  readonly next: DealtPrompt | undefined;
  readonly dealt: number;
  readonly loop: readonly LoopItem[];
  /** Missed while the loop was full: they join it as places come free. */
  readonly waiting: readonly FactKey[];
  readonly newErrors: number;
  /** New facts have stopped by rule. */
  readonly newStopped: boolean;
  /** Prompts on facts not known when dealt. */
  readonly newPrompts: number;
  readonly met: ReadonlyMap<FactKey, Met>;
  /** One new among known: the new fact under way, and where in its round it is. */
  readonly round: { readonly fact: FactKey; readonly between: number; readonly left: number } | undefined;
  readonly last: DealtPrompt | undefined;
  /** Place in the order of stacked cards. */
  readonly orderAt: number;
}

/** A drill before it has chosen what comes next. */
export type BeforeNext = Omit<DrillReading, 'next'>;
