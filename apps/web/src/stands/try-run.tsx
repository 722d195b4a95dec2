import type { InstrumentView } from '@jubb/contract';
import { figuresFor, keptWave, resultOfRun, runFrom, type CurveKind } from '@jubb/core/bench';
import { formatBand } from '@jubb/core/quantities';
import type { Test } from '@jubb/core/sheet';
import { useMemo } from 'react';
import { BalancingRounds } from '../bench/panels/prove/balancing-rounds.tsx';
import { ProofWords } from '../bench/panels/prove/proof-words.tsx';
import { AlternatorDrawing, CurveDrawing } from '../bench/panels/prove/run-drawing.tsx';
import { useJudged } from './use-judged.ts';
import { useStandRun } from './use-stand-run.ts';

/** A plain run on a stand, drawn and judged, and kept nowhere. */
export function TryRun({ test, stand }: { readonly test: Test; readonly stand: InstrumentView }): React.JSX.Element {
  const line = useStandRun(stand);
  const { kind } = test.stand!;
  const { phase, points, wave, said } = line;
  const run = useMemo(
    () =>
      phase === 'done' && kind !== 'balancing' && points.length > 1
        ? runFrom(kind, points, keptWave(wave), said ?? {})
        : undefined,
    [phase, points, wave, said, kind],
  );
  const judged = useJudged(test, run, wave);
  const setup = { kind, unit: `try/${stand.id}`, figures: { ...figuresFor(test) } };
  if (kind === 'balancing')
    return (
      <BalancingRounds
        test={test}
        line={line}
        setup={setup}
        keep={() => false}
        place={`try/${stand.faults?.chosen ?? ''}`}
      />
    );
  return (
    <div className="tryrun">
      <p className="m-0">Accepted {formatBand(test.accept)}</p>
      <div className="d-flex gap-2 my-2">
        <button
          type="button"
          className="btn-ink"
          onClick={() => void (phase === 'running' ? line.stop() : line.start(setup))}
          disabled={!stand.connected}
        >
          {phase === 'running' ? 'Stop' : 'Run'}
        </button>
      </div>
      {line.wrong && (
        <p className="field-error" role="alert">
          {line.wrong}
        </p>
      )}
      {judged?.wrong && <p>{judged.wrong}</p>}
      {judged?.outcome && (
        <ProofWords
          value={judged.outcome.value}
          verdict={resultOfRun(test, judged.outcome, undefined).verdict}
          checks={judged.outcome.checks}
          says={judged.outcome.says}
        />
      )}
      {points.length === 0 ? (
        <p className="quiet">Run it, and the curve is drawn here.</p>
      ) : kind === 'alternator' ? (
        <AlternatorDrawing
          points={points}
          wave={wave}
          sampleRateHz={Number(said?.['sampleRateHz'] ?? 0)}
          lines={judged?.lines ?? []}
          test={test}
        />
      ) : (
        <CurveDrawing kind={kind as CurveKind} points={points} test={test} />
      )}
    </div>
  );
}
