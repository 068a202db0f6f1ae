import { mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { TestProject } from 'vitest/node';
import { ensureDatabase, startCluster } from '../cluster/cluster.ts';
import { migrate } from '../migrate.ts';

export const migrationsDir = resolve(import.meta.dirname, '../../migrations');

declare module 'vitest' {
  export interface ProvidedContext {
    adminUrl: string;
    appUrl: string;
  }
}

/** One cluster of its own for all server tests, in a folder that goes away again. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const dir = mkdtempSync(join('/tmp', 'veldrift-test-'));
  const cluster = await startCluster(dir);
  await ensureDatabase(cluster, 'test');
  await migrate(cluster.adminUrl('test'), migrationsDir);
  project.provide('adminUrl', cluster.adminUrl('test'));
  project.provide('appUrl', cluster.appUrl('test'));
  return async () => {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  };
}
