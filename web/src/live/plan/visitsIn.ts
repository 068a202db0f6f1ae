import { visitsOn, type PlanBook, type PlannedVisit } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';

/** The visits of some days as they are planned. */
export function visitsIn(days: readonly string[], pupils: readonly Pupil[], book: PlanBook): PlannedVisit[] {
  const here = new Set(pupils.map((one) => one.id));
  const slots = pupils.flatMap((pupil) => pupil.visits.map((visit) => ({ ...visit, pupilId: pupil.id })));
  return visitsOn(days, slots, book).filter((one) => here.has(one.pupilId));
}
