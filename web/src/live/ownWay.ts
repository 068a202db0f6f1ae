import type { FactKey } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';

/** The way to a fact that is this child's own, where one was chosen. A play begun by an older build knows of none. */
export function ownWayOf(pupil: Pick<Pupil, 'ways'>, fact: FactKey): string | undefined {
  return (pupil.ways as Pupil['ways'] | undefined)?.[fact];
}
