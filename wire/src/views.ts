import type {
  Answer,
  Decision,
  EndReason,
  FactKey,
  FactState,
  MinuteSummary,
  Operation,
  Reason,
  Verdict,
} from '@veldrift/core';
import type { Pupil } from './pupil.ts';

/** One fact on the map. */
export interface FactOnMap {
  readonly fact: FactKey;
  readonly state: FactState;
  readonly answers: number;
  readonly lastAt: string;
  /** Corrected time of the latest timed right answer, ms. */
  readonly lastMs: number | null;
}

/** A finished minute. */
export interface Play {
  readonly id: string;
  readonly visitId: string;
  readonly pupilId: string;
  readonly purpose: 'check' | 'practice';
  readonly setId: string;
  readonly way: 'keypad' | 'tutor';
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly lengthMs: number;
  readonly limitMs: number;
  readonly endReason: EndReason | null;
  readonly calm: boolean;
  readonly interrupted: boolean;
  readonly clockCorrected: boolean;
  readonly summary: Omit<MinuteSummary, 'timeMs'> & { readonly medianMs: number | null };
  /** Whether a decision may hang on it. */
  readonly counts: boolean;
}

export interface KeptAnswer extends Answer {
  readonly pupilId: string;
  readonly playId: string;
  readonly visitId: string;
  readonly clockCorrected: boolean;
  /** The answer this one was put in the place of. */
  readonly replaces: string | null;
  /** False for one that was corrected or taken back since: shown only with a decision that rested on it. */
  readonly stands: boolean;
}

export interface KeptDecision {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly setId: string;
  readonly toSetId: string;
  readonly school: string;
  readonly policy: Readonly<Record<string, number>>;
  readonly verdict: Verdict;
  readonly reasons: readonly Reason[];
  readonly missing: readonly Reason[];
  readonly wouldSettle: string;
  readonly strays: readonly FactKey[];
  readonly answerIds: readonly string[];
  readonly checkIds: readonly string[];
  readonly outcome: 'accepted' | 'otherwise';
  readonly otherReason: string;
}

/** The pupil page. */
export interface PupilPage {
  readonly pupil: Pupil;
  readonly facts: Readonly<Record<Operation, readonly FactOnMap[]>>;
  readonly plays: readonly Play[];
  readonly decisions: readonly KeptDecision[];
  readonly proposal: Proposal;
}

/** What the school says now of the pupil's set. */
export interface Proposal {
  readonly decision: Decision;
  readonly setId: string;
  readonly nextSetId: string | null;
  readonly ceiling: number | null;
  /** Changes when the evidence does, so that a decision is taken on what was seen. */
  readonly evidenceMark: string;
}

/** A review: one minute with its answers. */
export interface ReviewPage {
  readonly play: Play;
  readonly pupil: Pupil;
  readonly answers: readonly KeptAnswer[];
  /** State of each fact met, before this minute and after it. */
  readonly states: readonly {
    readonly fact: FactKey;
    readonly before: FactState;
    readonly after: FactState;
  }[];
  readonly proposal: Proposal;
  readonly decision: KeptDecision | null;
  /** Wrong answers of this pupil on this operation before this minute, newest last, for reading patterns. */
  readonly earlierSlips: readonly KeptAnswer[];
}
