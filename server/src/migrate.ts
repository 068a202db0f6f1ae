import { runner } from 'node-pg-migrate';

/** Brings a database up to date. `dir` is absolute. Safe to call from several processes at once. */
export async function migrate(adminUrl: string, dir: string): Promise<string[]> {
  const done = await runner({
    databaseUrl: adminUrl,
    dir,
    direction: 'up',
    migrationsTable: 'migrations',
    advisoryLockMode: 'wait',
    log: () => undefined,
  });
  return done.map((one) => one.name);
}
