import type { Pupil } from '@veldrift/wire';
import { findPathway } from '../app/book.ts';

/** The name under which a half-written decision is kept on this device. */
export const otherwiseDraft = (pupilId: string): string => `decide.${pupilId}`;

/** A decision for another set: among those of the pupil's pathway. */
export function otherSet(pupil: Pupil, firstSetId: string) {
  const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
  return {
    draftName: otherwiseDraft(pupil.id),
    label: `${pupil.name} goes on with`,
    first: firstSetId,
    options: sets.map((set, at) => ({
      value: set.id,
      says: `${at + 1}. ${set.name}${set.id === pupil.setId ? ' (now)' : ''}`,
    })),
  };
}
