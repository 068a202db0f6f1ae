import { parseFactKey, unorderedKey, type FactKey } from '../facts/fact.ts';
import type { FactSet } from '../facts/factSet.ts';
import type { RandomSource } from '../random/random.ts';
import { doneShare } from '../advance/chance.ts';
import { yardstick, type Knowledge, type World } from './figures.ts';
import { createLearner, type Learner } from './learner.ts';

/** Kinds of simulated children, by what they know along a pathway and how fast they are. */
export const profiles = ['clean', 'graded', 'patchy', 'slow', 'fingers'] as const;
export type Profile = (typeof profiles)[number];

/**
 * A learner of a profile whose knowledge gives out at the set `first` (0 to the number of sets).
 *
 * - clean, slow: all recalled before it, nothing recalled from it on;
 * - graded: the share recalled falls smoothly through it (logistic, one set either way);
 * - patchy: nine in ten recalled before it, one in four after, and in one child of three a hole of one whole set before it;
 * - fingers: as clean, but everything from it on is worked out on fingers, never unknown.
 */
export function makeLearner(
  profile: Profile,
  sets: readonly Pick<FactSet, 'introduces' | 'practises'>[],
  first: number,
  random: RandomSource,
  world: World = yardstick,
): Learner {
  const hole = profile === 'patchy' && first > 1 && random.unit() < 1 / 3 ? random.int(0, first - 2) : -1;
  const known = new Map<FactKey, Knowledge>();
  sets.forEach((set, at) => {
    for (const key of set.introduces) known.set(key, knowledgeAt(profile, at, first, hole, random));
  });
  const facts = [...new Set(sets.flatMap((set) => set.practises))];
  return createLearner((key) => known.get(unorderedKey(parseFactKey(key))) ?? 'notKnown', facts, {
    pace: profile === 'slow' ? world.slowPace : 1,
    figures: world.figures,
  });
}

function knowledgeAt(
  profile: Profile,
  at: number,
  first: number,
  hole: number,
  random: RandomSource,
): Knowledge {
  const share = shareRecalled(profile, at, first, hole);
  if (random.unit() < share) return 'recalled';
  if (profile === 'fingers') return 'workedOut';
  return random.unit() < 0.5 ? 'workedOut' : 'notKnown';
}

function shareRecalled(profile: Profile, at: number, first: number, hole: number): number {
  switch (profile) {
    case 'clean':
    case 'slow':
    case 'fingers':
      return at < first ? 1 : 0;
    case 'graded':
      return 1 / (1 + Math.exp(at - first + 0.5));
    case 'patchy':
      return at === hole ? 0 : at < first ? 0.9 : 0.25;
  }
}

/** A set counts as instant when fewer than this share of what it introduces is not truly recalled. */
export const notInstantShare = 1 - doneShare;

/** The first set that is not truly instant; the number of sets when all are. */
export function trueFirstSet(learner: Learner, sets: readonly Pick<FactSet, 'introduces'>[]): number {
  const at = sets.findIndex((set) => {
    const short = set.introduces.filter((key) => learner.held.get(key)?.knowledge !== 'recalled').length;
    return short >= notInstantShare * set.introduces.length;
  });
  return at < 0 ? sets.length : at;
}
