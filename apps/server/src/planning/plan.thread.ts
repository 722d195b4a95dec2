import { parentPort, workerData } from 'node:worker_threads';
import { goBehind } from '../bounds/behind.ts';
import { doWork, type PlanWork } from './plan-work.ts';

goBehind();
// A thread of its own: the server answers meanwhile.
parentPort!.postMessage(doWork(workerData as PlanWork));
