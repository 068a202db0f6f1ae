// Planning: a third door of this package, for what is laid out before a visit.
export * from './planning/groups.ts';
export * from './planning/planChange.ts';
export * from './planning/plannedVisit.ts';
export * from './planning/roomMaterials.ts';
export * from './planning/roomTime.ts';
export * from './planning/rotation.ts';
export * from './planning/stepShows.ts';
export * from './planning/visitPlan.ts';
export * from './planning/whichGame.ts';
