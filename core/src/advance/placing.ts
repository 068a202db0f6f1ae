import type { PlacementPlan } from '../practice/placement.ts';
import type { PlacementResult } from '../practice/placementResult.ts';
import type { Decision } from './decision.ts';
import { joinText } from './words.ts';

/** What a placement says, as a decision: the set to begin with. `answerIds`: the answers it rests on. */
export function placementDecision(
  plan: PlacementPlan,
  result: PlacementResult,
  answerIds: readonly string[],
): { readonly decision: Decision; readonly toSetId: string } {
  const last = plan.sets.length - 1;
  const begin = plan.sets[result.begin ?? last] as PlacementPlan['sets'][number];
  const onFacts = (text: string) => ({ text, restsOn: 'facts' as const });
  const others = result.band.filter((at) => at !== (result.begin ?? last + 1));
  const names = others.map((at) => plan.sets[at]?.name ?? 'beyond the last set');
  return {
    toSetId: begin.id,
    decision: {
      about: 'set',
      verdict: 'place',
      reasons: [
        onFacts(
          result.begin === null
            ? `Every set was recalled; the last on this pathway is ${begin.name}.`
            : `The first set that is not instant is ${begin.name}, with a chance of ${Math.round(100 * result.chance)} in 100.`,
        ),
        ...(names.length > 0 ? [onFacts(`It may also be ${joinText(names)}.`)] : []),
        ...(result.patchy
          ? [
              onFacts(
                `Patchy: ${result.patchy.short} of ${result.patchy.of} asked of the sets before it were not recalled. Drills look for the holes first.`,
              ),
            ]
          : []),
        ...result.reasons.map(onFacts),
      ],
      missing: [],
      wouldSettle: result.wouldNarrow,
      strays: [],
      answerIds,
      checkIds: [],
    },
  };
}
