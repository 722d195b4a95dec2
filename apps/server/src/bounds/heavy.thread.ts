import { parentPort } from 'node:worker_threads';
import { goBehind } from './behind.ts';
import { doHeavy, HeavyError, type HeavyTask } from './heavy-tasks.ts';

/** What the thread answers to one task. */
export type HeavyReply =
  | { readonly id: number; readonly answer: unknown }
  | { readonly id: number; readonly wrong: { readonly field: string; readonly says: string; readonly status: number } }
  | { readonly id: number; readonly broke: string; readonly code?: string };

goBehind();

parentPort!.on('message', ({ id, task }: { id: number; task: HeavyTask }) => {
  doHeavy(task).then(
    (answer) => parentPort!.postMessage({ id, answer } satisfies HeavyReply),
    (e: unknown) => {
      if (e instanceof HeavyError)
        return parentPort!.postMessage({
          id,
          wrong: { field: e.field, says: e.message, status: e.status },
        } satisfies HeavyReply);
      const code = e instanceof Error && 'code' in e && typeof e.code === 'string' ? { code: e.code } : {};
      parentPort!.postMessage({
        id,
        broke: e instanceof Error ? (e.stack ?? e.message) : String(e),
        ...code,
      } satisfies HeavyReply);
    },
  );
});
