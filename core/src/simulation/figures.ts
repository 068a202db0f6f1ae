/** What a simulated child truly knows of one fact. */
export type Knowledge = 'recalled' | 'workedOut' | 'notKnown';

/** Median time in ms, spread of its logarithm, chance of a wrong answer. */
export interface Timing {
  readonly medianMs: number;
  readonly sigma: number;
  readonly wrong: number;
}

/** The constants of simulated children. */
export interface LearnerFigures extends Readonly<Record<Knowledge | 'smallCount', Timing>> {
  /** Chances of learning at one treated meeting, and of forgetting on one unseen day. */
  readonly toWorkedOut: number;
  readonly toRecalled: number;
  readonly forgetPerDay: number;
  /** How times lie around their median: gamma has the same coefficient of variation as the lognormal. */
  readonly shape: 'lognormal' | 'gamma';
  /** Slower by so much of itself with each prompt of a visit. */
  readonly fatigue: number;
  /** Chance of a wrong answer by carelessness, whatever is known. */
  readonly careless: number;
  /** A fact just recalled takes longer by so much of itself; each later meeting takes three tenths of that off. */
  readonly freshSlower: number;
  /** Working out takes so much longer, ms, for each unit of the smaller number: a child who counts it. */
  readonly countMs: number;
  /** Chance that another sign is read. */
  readonly signConfusion: number;
}

/** The yardstick's figures: made up to be plausible, not measured on children. */
export const learnerFigures: LearnerFigures = {
  recalled: { medianMs: 900, sigma: 0.3, wrong: 0.02 },
  workedOut: { medianMs: 3400, sigma: 0.45, wrong: 0.08 },
  smallCount: { medianMs: 1800, sigma: 0.3, wrong: 0.08 },
  notKnown: { medianMs: 6000, sigma: 0.5, wrong: 0.6 },
  toWorkedOut: 0.2,
  toRecalled: 0.06,
  forgetPerDay: 0.01,
  shape: 'lognormal',
  fatigue: 0,
  careless: 0,
  freshSlower: 0,
  countMs: 0,
  signConfusion: 0,
};

/** The world around a simulated child: what it is measured with, and how. */
export interface World {
  readonly figures: LearnerFigures;
  /** A slow child takes so many times as long for everything. */
  readonly slowPace: number;
  /** Talking, typing and turning between prompts, ms. */
  readonly betweenPromptsMs: number;
  readonly answersAVisit: number;
  /** The time that reading a number and giving it takes, as a share of recalling. */
  readonly namingShare: number;
  /** From how many namings the ceiling of naming is known; null: exactly. */
  readonly namings: number | null;
  /** The true overhead at the first visit, ms. */
  readonly trueOverheadMs: number;
  /** What a fact that needs no thought takes beyond copying a number, ms. */
  readonly easyMs: number;
  /** Half the interquartile range of the overhead, ms. */
  readonly spreadMs: number;
  /** What is subtracted is longer than the true overhead by so much, ms; shorter where below 0. */
  readonly overheadOffMs: number;
  /** The true overhead shrinks by so much with each visit, ms, down to half. */
  readonly overheadDriftMs: number;
}

/** The yardstick's world. */
export const yardstick: World = {
  figures: learnerFigures,
  slowPace: 1.6,
  betweenPromptsMs: 800,
  answersAVisit: 40,
  namingShare: 1,
  namings: null,
  trueOverheadMs: 650,
  easyMs: 350,
  spreadMs: 150,
  overheadOffMs: 0,
  overheadDriftMs: 0,
};
