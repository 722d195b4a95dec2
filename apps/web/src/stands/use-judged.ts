import type { Run } from '@jubb/core/bench';
import type { Test } from '@jubb/core/sheet';
import { useEffect, useRef, useState } from 'react';
import type { Asked, Judged } from './judge.worker.ts';

/** What a run comes to, judged in a worker; undefined while it is judged, or there is none. */
export function useJudged(test: Test, run: Run | undefined, wave: readonly number[]): Judged | undefined {
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  const [judged, setJudged] = useState<Judged>();
  useEffect(() => {
    const made = new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    made.onmessage = (m: MessageEvent<Judged>) => {
      if (m.data.id === asked.current) setJudged(m.data);
    };
    return () => made.terminate();
  }, []);
  useEffect(() => {
    asked.current += 1;
    if (!run) return;
    worker.current?.postMessage({ id: asked.current, test, run, wave } satisfies Asked);
  }, [test, run, wave]);
  return run ? judged : undefined;
}
