import type {
  Answer,
  AnswerWay,
  Ceiling,
  Decision,
  EndReason,
  FactKey,
  FactState,
  MinuteSummary,
  Move,
  Operation,
  Purpose,
  Reason,
  SeatSkill,
  SkillKey,
  Verdict,
} from '@veldrift/core';
import type { Deal } from './event.ts';
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

/** A finished play: a minute, a drill, a placement. */
export interface Play {
  readonly id: string;
  readonly visitId: string;
  readonly pupilId: string;
  readonly purpose: Purpose;
  readonly setId: string;
  readonly way: AnswerWay;
  /** What was played, in words; empty for minutes. */
  readonly title: string;
  readonly deal: Deal | null;
  readonly seed: number;
  /** Instant right answers of a loose pack, counted but not by fact. */
  readonly tally: number;
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly lengthMs: number;
  readonly limitMs: number;
  readonly endReason: EndReason | null;
  readonly calm: boolean;
  readonly interrupted: boolean;
  readonly clockCorrected: boolean;
  readonly summary: Omit<MinuteSummary, 'timeMs'> & { readonly medianMs: number | null };
  /** Time under way: the gaps between what happened, each at most a minute, ms. */
  readonly practiceMs: number;
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
  /** `form`: set or school were changed in the form; `undo`: a placement was taken back. */
  readonly about: 'set' | 'placement' | 'retention' | 'step' | 'form' | 'undo';
  /** Of a change in the form: the school from now on. */
  readonly toSchool: string | null;
  /** Whether it was taken back since. */
  readonly undone: boolean;
  /** Of a decision about a game's step: which game, and from which step to which, counted from 0. */
  readonly game: { readonly id: string; readonly step: number; readonly toStep: number } | null;
}

/** The pupil page. */
/** A check to its end, not calm, with its rate. */
export interface RatedCheck extends Pick<Play, 'id' | 'purpose' | 'setId' | 'way' | 'startedAt' | 'counts'> {
  readonly rightPerMinute: number;
  readonly wrong: number;
}

export interface PupilPage {
  readonly pupil: Pupil;
  readonly facts: Readonly<Record<Operation, readonly FactOnMap[]>>;
  /** Skills that were asked, those asked last first. */
  readonly skills: readonly SkillOfPupil[];
  /** Checks with a rate, oldest first: what the chart shows. */
  readonly checks: readonly RatedCheck[];
  /** The latest play; null: there was none. */
  readonly lastPlayId: string | null;
  readonly decisions: readonly KeptDecision[];
  readonly proposal: Proposal;
  /** A placement stopped before its end that may go on; null when there is none. */
  readonly openPlacement: OpenPlacement | null;
}

/** The chance that a pupil recalls a fact, and what it goes by. */
export interface FactChance {
  /** Null: no answer tells anything. */
  readonly chance: number | null;
  /** Answers to the fact that it goes by. */
  readonly answers: number;
  /** The middle of the child's own times on facts recalled, and on facts worked out, ms. */
  readonly recalledMs: number;
  readonly workedOutMs: number;
}

/** A placement to go on with at another visit. */
export interface OpenPlacement {
  readonly playId: string;
  readonly at: string;
  readonly seed: number;
  readonly startAt: number;
  readonly opens: boolean;
  readonly warmsUp: boolean;
  readonly answers: readonly KeptAnswer[];
}

/** What the school says now of the pupil's set. */
export interface Proposal {
  readonly decision: Decision;
  readonly setId: string;
  readonly nextSetId: string | null;
  /** Where accepting leads: the next set, the one before, or this one. */
  readonly acceptedSetId: string;
  readonly ceiling: Ceiling | null;
  /** Changes when the evidence does, so that a decision is taken on what was seen. */
  readonly evidenceMark: string;
  /** The tutor's word to stay, while the school says the same and for 14 days; null: it is open. */
  readonly settled: {
    readonly at: string;
    readonly by: string;
    readonly outcome: 'accepted' | 'otherwise';
    readonly reason: string;
  } | null;
}

/** A game of a pupil: the step it is at, and how often it was played. */
export interface PupilGame {
  readonly game: string;
  readonly step: number;
  readonly plays: number;
  readonly lastAt: string;
  /** The latest play of it; null: only a step was decided. */
  readonly lastPlayId: string | null;
}

export interface GameReview {
  readonly moves: readonly { readonly id: string; readonly move: Move; readonly usedMs: number }[];
  /** The pupils' plays at this table, by seat. */
  readonly table: readonly { readonly seat: number; readonly playId: string; readonly name: string }[];
  /** Null of a loose game and of house rules: no step hangs on them. */
  readonly stepping: {
    readonly decision: Decision;
    readonly step: number;
    readonly acceptedStep: number;
  } | null;
  readonly stepDecision: KeptDecision | null;
}

/** An answer to a skill, as it is kept. */
export interface KeptSkillAnswer extends Omit<SeatSkill, 'seat' | 'way'> {
  readonly playId: string;
}

/** What an answer on record is about: a fact or a skill. */
export type AnyKeptAnswer = KeptAnswer | KeptSkillAnswer;

export const isOfSkill = (answer: AnyKeptAnswer): answer is KeptSkillAnswer => 'skill' in answer;

/** A skill of a pupil: where it stands, and the latest answers it rests on, oldest first. */
export interface SkillOfPupil {
  readonly skill: SkillKey;
  readonly state: FactState;
  readonly answers: readonly KeptSkillAnswer[];
}

/** A review: one minute with its answers. */
export interface ReviewPage {
  readonly play: Play;
  readonly pupil: Pupil;
  readonly answers: readonly KeptAnswer[];
  /** Answers to skills, oldest first; of games alone. */
  readonly skills: readonly KeptSkillAnswer[];
  /** State of each fact met, before this minute and after it. */
  readonly states: readonly {
    readonly fact: FactKey;
    readonly before: FactState;
    readonly after: FactState;
  }[];
  readonly proposal: Proposal;
  /** What a placement says; null of anything else, and before it says anything. */
  readonly placing: { readonly decision: Decision; readonly toSetId: string } | null;
  readonly decision: KeptDecision | null;
  /** Whether that decision can be taken back: a placement, for the rest of its visit. */
  readonly mayUndo: boolean;
  /** Of a game: its moves, who sat there, what the step rules say of this pupil's step; null of anything else. */
  readonly game: GameReview | null;
  /** Wrong answers of this pupil on this operation before this minute, newest last, for reading patterns. */
  readonly earlierSlips: readonly KeptAnswer[];
  /** Of a placement that goes on from another day: the answers given then, oldest first. */
  readonly earlierAnswers: readonly KeptAnswer[];
}
