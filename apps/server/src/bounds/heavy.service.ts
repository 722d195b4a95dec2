import {
  BadRequestException,
  HttpException,
  Injectable,
  ServiceUnavailableException,
  UnprocessableEntityException,
  type OnApplicationShutdown,
} from '@nestjs/common';
import { Worker } from 'node:worker_threads';
import { HEAVY } from './bounds.ts';
import type { HeavyAnswers, HeavyTask } from './heavy-tasks.ts';
import type { HeavyReply } from './heavy.thread.ts';
import { wrongField } from '../problems/wrong-field.ts';

/** The compiled thread, also where the server itself runs from its sources. */
const THREAD = new URL(
  import.meta.url.replace('/server/src/', '/server/dist/').replace(/heavy\.service\.[jt]s$/, 'heavy.thread.js'),
);

/** What is set as a page waits for other pages, not for what somebody is having read. */
const laneOf = (kind: HeavyTask['kind']): 'print' | 'read' => (kind.endsWith('-pdf') ? 'print' : 'read');

/** Hands heavy work to two threads, one that reads and one that sets pages, each a piece at a time. */
@Injectable()
export class HeavyService implements OnApplicationShutdown {
  private readonly lanes = { read: new Lane(), print: new Lane() };

  /**
   * @throws BadRequestException for what is wrong with what came; UnprocessableEntityException when it takes too long or
   * too much memory; ServiceUnavailableException when too much waits already
   */
  async run<K extends HeavyTask['kind']>(task: HeavyTask & { kind: K }): Promise<HeavyAnswers[K]> {
    return (await this.lanes[laneOf(task.kind)].run(task)) as HeavyAnswers[K];
  }

  onApplicationShutdown(): void {
    this.lanes.read.close();
    this.lanes.print.close();
  }
}

/** One thread with a limit of time and of memory; what is too much for it ends it, and the next piece opens another. */
class Lane {
  private thread: Worker | undefined;
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;
  private tasks = 0;

  async run(task: HeavyTask): Promise<unknown> {
    if (this.waiting >= HEAVY.waiting) throw new ServiceUnavailableException('Too much waits to be read; try again');
    this.waiting += 1;
    const mine = this.last.then(() => this.one(task));
    this.last = mine.catch(() => undefined);
    try {
      return await mine;
    } finally {
      this.waiting -= 1;
    }
  }

  private one(task: HeavyTask): Promise<unknown> {
    const opens = this.thread === undefined;
    const thread = (this.thread ??= this.open());
    // A thread that has just been opened reads its own program first.
    const ms = HEAVY.ms + (opens ? HEAVY.openMs : 0);
    const id = (this.tasks += 1);
    return new Promise((resolve, reject) => {
      const over = (): void => {
        clearTimeout(timer);
        thread.off('message', onMessage);
        thread.off('error', onError);
        thread.off('exit', onExit);
      };
      const giveUp = (why: Error): void => {
        over();
        this.close();
        reject(why);
      };
      const timer = setTimeout(
        () => giveUp(new UnprocessableEntityException(`It takes longer than ${HEAVY.ms / 1000} s to read: send less`)),
        ms,
      );
      const onMessage = (reply: HeavyReply): void => {
        if (reply.id !== id) return;
        over();
        if ('answer' in reply) resolve(reply.answer);
        else if ('wrong' in reply) reject(refusalOf(reply.wrong));
        else reject(Object.assign(new Error(reply.broke), reply.code === undefined ? {} : { code: reply.code }));
      };
      const onError = (e: Error & { code?: string }): void =>
        giveUp(
          e.code === 'ERR_WORKER_OUT_OF_MEMORY'
            ? new UnprocessableEntityException(`It takes more than ${HEAVY.memoryMb} MB to read: send less`)
            : e,
        );
      const onExit = (code: number): void => giveUp(new Error(`the reading thread ended with ${code}`));
      thread.on('message', onMessage);
      thread.on('error', onError);
      thread.on('exit', onExit);
      thread.postMessage({ id, task });
    });
  }

  private open(): Worker {
    const thread = new Worker(THREAD, { resourceLimits: { maxOldGenerationSizeMb: HEAVY.memoryMb } });
    // It holds no process open.
    thread.unref();
    return thread;
  }

  close(): void {
    const { thread } = this;
    this.thread = undefined;
    thread?.on('error', () => undefined);
    void thread?.terminate();
  }
}

function refusalOf({ field, says, status }: { field: string; says: string; status: number }): HttpException {
  const body = wrongField(field, says);
  return status === 400 ? new BadRequestException(body) : new HttpException(body, status);
}
