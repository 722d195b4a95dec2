import type { InstrumentView, StandRunDto } from '@jubb/contract';
import { figuresFor, resultOfRun, type CurveKind } from '@jubb/core/bench';
import { formatBand } from '@jubb/core/quantities';
import type { Test } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import { BalancingRounds } from '../bench/panels/proving/balancing-rounds.tsx';
import { ProofWords } from '../bench/panels/proving/proof-words.tsx';
import { AlternatorDrawing, CurveDrawing } from '../bench/panels/proving/run-drawing.tsx';
import { useJudgedLine } from './use-judged-line.ts';
import { useStandRun } from './use-stand-run.ts';

/** A run on a stand, drawn and judged, and kept nowhere. */
export function TryRun({ test, stand }: { readonly test: Test; readonly stand: InstrumentView }): React.JSX.Element {
  const { kind } = test.stand!;
  const setup = { kind, unit: `try/${stand.id}`, figures: { ...figuresFor(test) } };
  return kind === 'balancing' ? (
    <BalancingRounds
      test={test}
      view={stand}
      setup={setup}
      keep={() => false}
      place={`try/${stand.faults?.chosen ?? ''}`}
    />
  ) : (
    <TryPlain test={test} stand={stand} setup={setup} />
  );
}

function TryPlain({
  test,
  stand,
  setup,
}: {
  readonly test: Test;
  readonly stand: InstrumentView;
  readonly setup: StandRunDto;
}): React.JSX.Element {
  const line = useStandRun(stand);
  const { kind } = test.stand!;
  const { phase, points, wave, said } = line;
  const { judged } = useJudgedLine(line, test);
  return (
    <div className="tryrun">
      <div className="d-flex gap-3 mb-3 align-items-center">
        <Button
          variant="ink"
          onClick={() => void (phase === 'running' ? line.stop() : line.start(setup))}
          disabled={!stand.connected || !line.ready}
        >
          {phase === 'running' ? 'Stop' : 'Run'}
        </Button>
        <span>
          {test.title}, accepted {formatBand(test.accept)}
        </span>
      </div>
      {line.wrong && (
        <p className="field-error" role="alert">
          {line.wrong}
        </p>
      )}
      {judged?.wrong && <p>{judged.wrong}</p>}
      {points.length === 0 ? (
        <p className="quiet">Run it, and the curve is drawn here.</p>
      ) : (
        <div className="trycols">
          <div>
            {kind === 'alternator' ? (
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
          {judged?.outcome && (
            <ProofWords
              value={judged.outcome.value}
              verdict={resultOfRun(test, judged.outcome, undefined).verdict}
              checks={judged.outcome.checks}
              says={judged.outcome.says}
            />
          )}
        </div>
      )}
    </div>
  );
}
