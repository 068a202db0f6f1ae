import cluster, { type Worker } from 'node:cluster';
import { createBackoff } from './backoff.ts';
import { dropRoot, ownUserReads } from './ownUser.ts';

/** After a process that ended within this of its start the next one waits, ms: twice as long each time. */
const tooSoonMs = 1000;
const waitMs = { first: 50, longest: 1000 } as const;

/** Keeps so many server processes on one port: one that ends is begun anew. Stops them in order when it is told to stop. */
export function supervise(count: number, onListening: (port: number) => void): void {
  // Each process takes its connections from the system itself. Handed on from here, one on its way to a process that dies
  // just then would be held open for ever, and never answered.
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  let stopping = false;
  const backoff = createBackoff(waitMs.first, waitMs.longest);
  const begin = () => {
    const begun = Date.now();
    const worker: Worker = cluster.fork();
    worker.on('exit', () => {
      if (stopping) return;
      const lasted = Date.now() - begun >= tooSoonMs;
      if (lasted) backoff.reset();
      setTimeout(
        () => {
          if (!stopping) begin();
        },
        lasted ? 0 : backoff.next(),
      );
    });
  };
  cluster.on('listening', (_, { port }) => {
    // Those that answer have dropped root by themselves. This one only watches: it drops it too, where it can still begin
    // others afterwards, which it cannot in a folder that is root's alone.
    if (process.getuid?.() === 0 && ownUserReads(process.argv[1] ?? '')) dropRoot();
    onListening(port);
  });
  for (let nth = 0; nth < count; nth += 1) begin();
  const stop = () => {
    if (stopping) return;
    stopping = true;
    const workers = Object.values(cluster.workers ?? {}).filter((one) => one !== undefined);
    const ended = workers.map(
      (worker) =>
        new Promise<void>((done) => {
          worker.once('exit', () => done());
          worker.process.kill('SIGTERM');
        }),
    );
    void Promise.all(ended).then(() => process.exit(0));
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
}
