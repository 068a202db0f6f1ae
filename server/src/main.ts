import cluster from 'node:cluster';
import { availableParallelism } from 'node:os';
import { serveOne } from './serveOne.ts';
import { supervise } from './supervise.ts';

/** Starts the server: one process a core (VELDRIFT_WORKERS says otherwise), watched over by this one. */
function main(): void {
  const url = process.env.VELDRIFT_DB;
  if (!url) throw new Error('VELDRIFT_DB should be the address of the database.');
  let told = false;
  const ready = (port: number) => {
    if (!told) process.send?.({ ready: true, port });
    told = true;
  };
  if (cluster.isPrimary) supervise(Number(process.env.VELDRIFT_WORKERS ?? availableParallelism()), ready);
  else serveOne(url, () => undefined);
}

main();
