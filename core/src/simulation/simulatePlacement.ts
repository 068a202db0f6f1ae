import type { FactSet } from '../facts/factSet.ts';
import { createRandom, mixSeed, seedFrom } from '../random/random.ts';
import { beginPlacement, placeAnswer, placementResult, type PlacementPlan } from '../practice/placement.ts';
import { measure } from './measureLearner.ts';
import { yardstick } from './figures.ts';
import { makeLearner, trueFirstSet, type Profile } from './profiles.ts';

/** One simulated placement. */
export interface PlacementRun {
  readonly truth: number;
  /** The set named; the number of sets when all were found instant. */
  readonly named: number;
  readonly band: readonly number[];
  readonly prompts: number;
}

/** Places one learner whose knowledge gives out at `first`. Own pace: a slow child's limit fits the child. */
export function simulatePlacement(
  profile: Profile,
  sets: readonly FactSet[],
  first: number,
  seed: number,
  ownPace = false,
): PlacementRun {
  // Seeds count up, and draws of neighbours are alike unless they are mixed.
  const random = createRandom(mixSeed(seed));
  const learner = makeLearner(profile, sets, first, random);
  const truth = trueFirstSet(learner, sets);
  const plan: PlacementPlan = { sets, startAt: 0, seed: seedFrom(random), timed: true, opens: true };
  const limitMs =
    ownPace && profile === 'slow' ? 2 * yardstick.figures.recalled.medianMs * yardstick.slowPace : 2000;
  let reading = beginPlacement(plan);
  for (;;) {
    if (!reading.next) {
      const result = placementResult(plan, reading);
      return {
        truth,
        named: result?.begin ?? sets.length,
        band: result?.band ?? [],
        prompts: reading.answers.length,
      };
    }
    const { measured } = measure(learner, reading.next.fact, 0, random, { limitMs });
    reading = placeAnswer(plan, reading, { fact: reading.next.fact, class: measured.class });
  }
}
