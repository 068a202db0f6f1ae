import type { FactSet } from '../facts/factSet.ts';
import { createRandom, mixSeed, normal, seedFrom, type RandomSource } from '../random/random.ts';
import { beginPlacement, placeAnswer, type PlacementPlan } from '../practice/placement.ts';
import { placementResult } from '../practice/placementResult.ts';
import { defaultOverheadMs } from '../recall/calibration.ts';
import { provisionalOverhead } from '../recall/provisionalOverhead.ts';
import { measure, rawTimeMs } from './measureLearner.ts';
import { yardstick, type World } from './figures.ts';
import { makeLearner, trueFirstSet, type Profile } from './profiles.ts';

/** One simulated placement. */
export interface PlacementRun {
  readonly truth: number;
  /** The set named; the number of sets when all were found instant. */
  readonly named: number;
  readonly band: readonly number[];
  readonly prompts: number;
  /** What was known was said to have holes. */
  readonly patchy: boolean;
}

export interface PlacementSetting {
  /** A slow child's limit fits the child. */
  readonly ownPace?: boolean;
  readonly world?: World;
  /** How the keypad's own time is known: measured; assumed, as where nobody measured it; or from the first answers of the visit. */
  readonly overhead?: 'measured' | 'assumed' | 'provisional';
}

/** Places one learner whose knowledge gives out at `first`. */
export function simulatePlacement(
  profile: Profile,
  sets: readonly FactSet[],
  first: number,
  seed: number,
  { ownPace = false, world = yardstick, overhead = 'measured' }: PlacementSetting = {},
): PlacementRun {
  // Seeds count up, and draws of neighbours are alike unless they are mixed.
  const random = createRandom(mixSeed(seed));
  const learner = makeLearner(profile, sets, first, random, world);
  const truth = trueFirstSet(learner, sets);
  const plan: PlacementPlan = {
    sets,
    startAt: 0,
    seed: seedFrom(random),
    timed: true,
    opens: true,
    warmsUp: overhead === 'provisional',
  };
  const limitMs = ownPace && profile === 'slow' ? 2 * world.figures.recalled.medianMs * world.slowPace : 2000;
  const easyRawMs: number[] = [];
  let reading = beginPlacement(plan);
  for (;;) {
    if (!reading.next) {
      const result = placementResult(plan, reading);
      return {
        truth,
        named: result?.begin ?? sets.length,
        band: result?.band ?? [],
        prompts: reading.answers.length,
        patchy: result?.patchy != null,
      };
    }
    const { fact, opening = false } = reading.next;
    if (opening && plan.warmsUp) {
      easyRawMs.push(easyTimeMs(learner.pace, world, random));
      reading = placeAnswer(plan, reading, { fact, class: 'recalled' });
      continue;
    }
    const known = overheadOf(overhead, easyRawMs);
    const { measured } = measure(learner, fact, 0, random, {
      limitMs,
      world,
      ...(known === undefined ? {} : { overheadMs: known }),
    });
    reading = placeAnswer(plan, reading, { fact, class: measured.class });
  }
}

/** Raw time of a fact that needs no thought, ms. */
function easyTimeMs(pace: number, world: World, random: RandomSource): number {
  const latencyMs = world.easyMs * pace * Math.exp(world.figures.recalled.sigma * normal(random));
  return rawTimeMs(latencyMs, world, 0, random);
}

/** What is subtracted, ms; undefined: the true overhead. */
function overheadOf(how: PlacementSetting['overhead'], easyRawMs: readonly number[]): number | undefined {
  if (how === 'measured') return undefined;
  if (how === 'assumed') return defaultOverheadMs.keypad;
  return provisionalOverhead(easyRawMs)?.overheadMs ?? defaultOverheadMs.keypad;
}
