import { parentPort, workerData } from 'node:worker_threads';
import { doWork, type PlanWork } from './plan-work.ts';

// A thread of its own: the server answers meanwhile.
parentPort!.postMessage(doWork(workerData as PlanWork));
