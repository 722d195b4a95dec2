import { keptWave, runFrom, type Run } from '@jubb/core/bench';
import type { Test } from '@jubb/core/sheet';
import { useMemo } from 'react';
import type { Judged } from './judge.worker.ts';
import { useJudged } from './use-judged.ts';
import type { StandLine } from './use-stand-run.ts';

/** The plain run that has ended on a line, with what it comes to; neither while it runs. */
export function useJudgedLine(
  line: StandLine,
  test: Test,
): { readonly run: Run | undefined; readonly judged: Judged | undefined } {
  const { phase, points, wave, said } = line;
  const kind = test.stand!.kind;
  const run = useMemo(
    () =>
      phase === 'done' && kind !== 'balancing' && points.length > 1
        ? runFrom(kind, points, keptWave(wave), said ?? {})
        : undefined,
    [phase, points, wave, said, kind],
  );
  return { run, judged: useJudged(test, run, wave) };
}
