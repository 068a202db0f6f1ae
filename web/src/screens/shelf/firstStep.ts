import type { AnyGame } from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import { isolated } from '../../app/isolated.ts';

/** The step of a game at which a pupil begins who has not played it: the first that practises what the pupil is at. */
export const firstStepFor = (game: AnyGame, pupil: Pick<Pupil, 'operation'> | undefined): number =>
  Math.max(
    0,
    game.steps.findIndex((step) => pupil && game.operations(step.rules).includes(pupil.operation)),
  );

/** Why this game for this pupil, in a few words. */
export function whyFor(
  game: AnyGame,
  pupil: Pick<Pupil, 'name' | 'operation'>,
  at: { readonly step: number } | undefined,
): string {
  const step = game.steps[at?.step ?? firstStepFor(game, pupil)];
  if (at) return `${isolated(pupil.name)} is at: ${step?.name ?? ''}`;
  return step && game.operations(step.rules).includes(pupil.operation)
    ? `New to ${isolated(pupil.name)}; begins at: ${step.name}`
    : `New to ${isolated(pupil.name)}; no step of it practises what they are at`;
}
