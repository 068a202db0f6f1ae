import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';
import { gamma, normal, type RandomSource } from '../random/random.ts';
import { smallerNumber } from '../recall/countingSign.ts';
import { learnerFigures, type Knowledge, type LearnerFigures, type Timing } from './figures.ts';

interface Held {
  knowledge: Knowledge;
  lastDay: number;
  /** Days on which it was recalled again: each halves forgetting. */
  recalledDays: number;
  /** Meetings since it was first recalled here; null: known from before. */
  sinceRecalled: number | null;
}

/** A simulated child: hidden knowledge by fact. */
export interface Learner {
  readonly pace: number;
  readonly figures: LearnerFigures;
  readonly held: Map<FactKey, Held>;
  /** Prompts so far on the day it was last asked. */
  readonly today: { day: number; prompts: number };
  /** What a wrong answer comes out as; undefined: something near. */
  readonly slip?: (key: FactKey) => number | undefined;
}

export interface LearnerAnswer {
  readonly latencyMs: number;
  readonly given: number;
  readonly right: boolean;
  /** What the answer rested on, known only to the simulation. */
  readonly truth: Knowledge;
}

/** How a learner differs from the yardstick's. */
export interface LearnerOptions {
  /** Multiplies all times (a slow child: 1.6). */
  readonly pace?: number;
  readonly slip?: (key: FactKey) => number | undefined;
  readonly figures?: LearnerFigures;
}

/** A learner who knows each fact as `start` says. */
export function createLearner(
  start: (key: FactKey) => Knowledge,
  facts: readonly FactKey[],
  { pace = 1, slip, figures = learnerFigures }: LearnerOptions = {},
): Learner {
  return {
    pace,
    figures,
    held: new Map(
      facts.map((key) => [key, { knowledge: start(key), lastDay: 0, recalledDays: 0, sinceRecalled: null }]),
    ),
    today: { day: 0, prompts: 0 },
    ...(slip ? { slip } : {}),
  };
}

/** Asks one fact on a day: an answer by the yardstick's figures, then learning by a treated meeting. Throws when the fact is not held. */
export function ask(learner: Learner, key: FactKey, day: number, random: RandomSource): LearnerAnswer {
  const held = learner.held.get(key);
  if (!held) throw new RangeError(`This learner holds no fact ${key}.`);
  const { figures, today } = learner;
  forget(held, figures, day, random);
  if (today.day !== day) Object.assign(today, { day, prompts: 0 });
  const fact = parseFactKey(key);
  const truth = held.knowledge;
  const timing = figures[truth === 'workedOut' && isSmallCount(fact) ? 'smallCount' : truth];
  const slower =
    (1 + figures.fatigue * today.prompts) *
    (truth === 'recalled' && held.sinceRecalled !== null
      ? 1 + figures.freshSlower * 0.7 ** held.sinceRecalled
      : 1);
  const counted = truth === 'workedOut' && figures.countMs > 0 ? figures.countMs * smallerNumber(fact) : 0;
  const ownTiming = counted === 0 ? timing : { ...timing, medianMs: timing.medianMs + counted };
  const latencyMs = Math.round(learner.pace * slower * timeOf(ownTiming, figures.shape, random));
  const right =
    random.unit() >= timing.wrong && (figures.careless === 0 || random.unit() >= figures.careless);
  const misread =
    figures.signConfusion > 0 && random.unit() < figures.signConfusion ? misreading(fact) : null;
  if (truth === 'recalled' && day > held.lastDay) held.recalledDays += 1;
  if (held.sinceRecalled !== null) held.sinceRecalled += 1;
  held.lastDay = day;
  today.prompts += 1;
  const lift = random.unit();
  if (truth === 'notKnown' && lift < figures.toWorkedOut) held.knowledge = 'workedOut';
  if (truth === 'workedOut' && lift < figures.toRecalled) {
    held.knowledge = 'recalled';
    held.sinceRecalled = 0;
  }
  if (misread !== null) return { latencyMs, given: misread, right: false, truth };
  return { latencyMs, given: right ? answerOf(fact) : wrongAnswer(learner, key, random), right, truth };
}

const isSmallCount = ({ operation, left, right }: Fact) =>
  (operation === 'add' || operation === 'sub') && Math.min(left, right) <= 2;

function timeOf({ medianMs, sigma }: Timing, shape: LearnerFigures['shape'], random: RandomSource): number {
  if (shape === 'lognormal') return medianMs * Math.exp(sigma * normal(random));
  const k = 1 / (Math.exp(sigma * sigma) - 1);
  // The median of a gamma of shape k, in units of its scale (Wilson and Hilferty, 1931).
  return (medianMs * gamma(k, random)) / (k * (1 - 1 / (9 * k)) ** 3);
}

/** What comes of adding for taking away, or of adding for times; null where it would be right. */
function misreading({ operation, left, right }: Fact): number | null {
  const swapped = { add: Math.abs(left - right), sub: left + right, mul: left + right, div: left - right }[
    operation
  ];
  return swapped < 0 || swapped === answerOf({ operation, left, right }) ? null : swapped;
}

function forget(held: Held, figures: LearnerFigures, day: number, random: RandomSource): void {
  if (held.knowledge !== 'recalled') return;
  const chance = figures.forgetPerDay / 2 ** held.recalledDays;
  const unseen = Math.max(0, day - held.lastDay - 1);
  if (random.unit() < 1 - (1 - chance) ** unseen) held.knowledge = 'workedOut';
}

function wrongAnswer(learner: Learner, key: FactKey, random: RandomSource): number {
  const own = learner.slip?.(key);
  const fact = parseFactKey(key);
  const answer = answerOf(fact);
  if (own !== undefined && own !== answer) return own;
  const step = fact.operation === 'mul' && random.unit() < 0.5 ? Math.max(1, fact.left) : 1;
  const given = answer + (random.unit() < 0.5 ? -step : step);
  return given < 0 ? answer + step : given;
}
