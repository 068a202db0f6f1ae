/** What tools beside the server (start, demo, bench, tests of the whole) may use. */
export * from './app.ts';
export * from './auth/password.ts';
export * from './auth/session.ts';
export * from './cluster/cluster.ts';
export * from './db.ts';
export * from './live/linkHub.ts';
export * from './migrate.ts';
export * from './store/events.ts';
export * from './store/pupils.ts';
export * from './store/proposal.ts';
export * from './store/decisions.ts';
export * from './store/rebuild.ts';
