import { Worker } from 'node:worker_threads';
import type { Job, Result } from './jobs.ts';

/**
 * Runs jobs over worker threads, one at a time each, telling how many are done. Aborting ends the threads at once and rejects.
 */
export function runJobs(
  jobs: readonly Job[],
  threads: number,
  onDone: (done: number, of: number) => void,
  signal?: AbortSignal,
): Promise<Result[]> {
  return new Promise((resolve, reject) => {
    // In the order asked, whichever thread is first: the same seeds write the same page.
    const results: Result[] = [];
    let next = 0;
    let done = 0;
    const workers = Array.from(
      { length: Math.min(threads, jobs.length) },
      () => new Worker(new URL('./worker.mjs', import.meta.url)),
    );
    const endAll = () => workers.forEach((worker) => void worker.terminate());
    const fail = (error: Error) => {
      endAll();
      reject(error);
    };
    signal?.addEventListener('abort', () => fail(new Error('Stopped before all learners were done.')));
    for (const worker of workers) {
      const give = () => {
        const job = jobs[next];
        const at = next;
        next += 1;
        worker.removeAllListeners('message');
        worker.on('message', (result: Result) => {
          results[at] = result;
          done += 1;
          onDone(done, jobs.length);
          if (done === jobs.length) {
            endAll();
            resolve(results);
          } else give();
        });
        if (job) worker.postMessage(job);
      };
      worker.on('error', fail);
      give();
    }
  });
}
