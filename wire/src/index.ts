export * from './account.ts';
export * from './child.ts';
export * from './decision.ts';
export * from './event.ts';
export * from './fields.ts';
export * from './problem.ts';
export * from './pupil.ts';
export * from './views.ts';
