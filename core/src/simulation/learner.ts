import { answerOf, parseFactKey, type FactKey } from '../facts/fact.ts';
import { normal, type RandomSource } from '../random/random.ts';

/** What a simulated child truly knows of one fact. */
export type Knowledge = 'recalled' | 'workedOut' | 'notKnown';

/** The yardstick's figures: median latency in ms, spread of its logarithm, chance of a wrong answer. */
export const learnerFigures: Readonly<
  Record<
    Knowledge | 'smallCount',
    { readonly medianMs: number; readonly sigma: number; readonly wrong: number }
  >
> = {
  recalled: { medianMs: 900, sigma: 0.3, wrong: 0.02 },
  workedOut: { medianMs: 3400, sigma: 0.45, wrong: 0.08 },
  smallCount: { medianMs: 1800, sigma: 0.3, wrong: 0.08 },
  notKnown: { medianMs: 6000, sigma: 0.5, wrong: 0.6 },
};

/** Chances of learning at one treated meeting, and of forgetting on one unseen day. */
export const learningFigures = { toWorkedOut: 0.2, toRecalled: 0.06, forgetPerDay: 0.01 } as const;

/** Talking and turning between prompts, ms. */
export const betweenPromptsMs = 800;

interface Held {
  knowledge: Knowledge;
  lastDay: number;
  /** Days on which it was recalled again: each halves forgetting. */
  recalledDays: number;
}

/** A simulated child: hidden knowledge by fact. */
export interface Learner {
  readonly pace: number;
  readonly held: Map<FactKey, Held>;
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

/** A learner who knows each fact as `start` says. `pace` multiplies all times (a slow child: 1.6). */
export function createLearner(
  start: (key: FactKey) => Knowledge,
  facts: readonly FactKey[],
  pace = 1,
  slip?: (key: FactKey) => number | undefined,
): Learner {
  return {
    pace,
    held: new Map(facts.map((key) => [key, { knowledge: start(key), lastDay: 0, recalledDays: 0 }])),
    ...(slip ? { slip } : {}),
  };
}

/** Asks one fact on a day: an answer by the yardstick's figures, then learning by a treated meeting. Throws when the fact is not held. */
export function ask(learner: Learner, key: FactKey, day: number, random: RandomSource): LearnerAnswer {
  const held = learner.held.get(key);
  if (!held) throw new RangeError(`This learner holds no fact ${key}.`);
  forget(held, day, random);
  const fact = parseFactKey(key);
  const small =
    (fact.operation === 'add' || fact.operation === 'sub') && Math.min(fact.left, fact.right) <= 2;
  const figures = learnerFigures[held.knowledge === 'workedOut' && small ? 'smallCount' : held.knowledge];
  const latencyMs = Math.round(learner.pace * figures.medianMs * Math.exp(figures.sigma * normal(random)));
  const right = random.unit() >= figures.wrong;
  const truth = held.knowledge;
  if (truth === 'recalled' && day > held.lastDay) held.recalledDays += 1;
  held.lastDay = day;
  const lift = random.unit();
  if (truth === 'notKnown' && lift < learningFigures.toWorkedOut) held.knowledge = 'workedOut';
  if (truth === 'workedOut' && lift < learningFigures.toRecalled) held.knowledge = 'recalled';
  return { latencyMs, given: right ? answerOf(fact) : wrongAnswer(learner, key, random), right, truth };
}

function forget(held: Held, day: number, random: RandomSource): void {
  if (held.knowledge !== 'recalled') return;
  const chance = learningFigures.forgetPerDay / 2 ** held.recalledDays;
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
