import { keepCluster, ownFolder, startCluster, type Cluster } from '@veldrift/server';

/**
 * The database of a data folder, for a tool: the one that is up where the application runs on it; else one of the tool's own,
 * which keeps every other start away until `close`.
 */
export async function openData(
  dir: string,
): Promise<{ readonly cluster: Cluster; readonly close: () => Promise<void> }> {
  const owner = await ownFolder(dir).catch(() => undefined);
  if (!owner) {
    const cluster = await startCluster(dir);
    return { cluster, close: cluster.stop };
  }
  const cluster = await keepCluster(dir, (says) => process.stderr.write(`${says}\n`));
  return {
    cluster,
    close: async () => {
      await cluster.stop();
      await owner.release();
    },
  };
}
