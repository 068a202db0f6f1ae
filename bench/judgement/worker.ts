import { parentPort } from 'node:worker_threads';
import { run, type Job } from './jobs.ts';

parentPort?.on('message', (job: Job) => parentPort?.postMessage(run(job)));
