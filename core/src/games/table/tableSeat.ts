import type { FactKey } from '../../facts/fact.ts';
import type { SkillKey } from '../../facts/skill.ts';
import type { EndReason, PauseReason } from '../../practice/minute.ts';
import type { Answer, CaptureWay } from '../../recall/answer.ts';
import type { Measuring } from '../../recall/measuring.ts';
import type { Move } from '../move.ts';

/** Who sits at a game, as far as the table goes by it. */
export interface TableSeat {
  /** False: a grown-up, of whom nothing is recorded. */
  readonly recorded: boolean;
  /** No time is taken of this one. */
  readonly untimed: boolean;
  /** Facts known when the game began: recalled or kept. */
  readonly known: readonly FactKey[];
  /** The usual time on facts, ms: for levelled races. */
  readonly timesMs: Readonly<Record<FactKey, number>>;
  readonly usualMs: number | null;
  readonly measuringFor: (way: CaptureWay) => Measuring;
}

/** An answer given at a game, with the seat that gave it. */
export interface SeatAnswer {
  readonly seat: number;
  readonly answer: Answer;
  /** From what was shown to the last digit typed, ms; null where nothing was typed. */
  readonly lastKeyMs: number | null;
}

/** An answer to a skill at a game, with the seat that gave it. */
export interface SeatSkill {
  readonly seat: number;
  readonly id: string;
  readonly skill: SkillKey;
  /** What was asked, as it stood on the table. */
  readonly shown: string;
  /** What is right. */
  readonly answer: string;
  /** What was said or claimed; null: not set down. */
  readonly given: string | null;
  readonly right: boolean;
  readonly at: string;
  readonly latencyMs: number | null;
  readonly voided: boolean;
  readonly way: CaptureWay;
  readonly aided: boolean;
}

/** A move as it was made, with the answers it gave. */
export interface KeptMove {
  readonly id: string;
  readonly move: Move;
  readonly answers: readonly SeatAnswer[];
  /** Left out by moves from before there were skills. */
  readonly skills?: readonly SeatSkill[];
  /** Counted right answers of a loose game, to be taken back with the move. */
  readonly tallies: readonly { readonly seat: number; readonly id: string }[];
}

/** Whether a table is played, and for how long it was. */
export interface GameTableState {
  readonly status: 'ready' | 'playing' | 'paused' | 'over';
  readonly usedMs: number;
  readonly calm: boolean;
  readonly interrupted: boolean;
  readonly pausedAt: string | null;
  readonly pauseReason: PauseReason | null;
  readonly endReason: EndReason | null;
}
