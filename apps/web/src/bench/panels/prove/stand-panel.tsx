import {
  changeWords,
  earlyOf,
  figuresFor,
  keptWave,
  readingsOf,
  resultOfRun,
  runFrom,
  type CurveKind,
  type CurveRun,
  type Run,
} from '@jubb/core/bench';
import { formatBand, formatNumber, formatQuantity } from '@jubb/core/quantities';
import { standOf, type Test } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { createPortal } from 'react-dom';
import { queries } from '../../../api/queries.ts';
import { PolarPlot } from '../../../drawing/stands/polar-plot.tsx';
import { useJudged } from '../../../stands/use-judged.ts';
import { useStandRun, type StandLine } from '../../../stands/use-stand-run.ts';
import { Whose } from '../../figure-source.tsx';
import { factsOf } from '../../instrument-facts.ts';
import { Go, type PanelProps } from '../panel.tsx';
import { TypedReading } from '../typed-reading.tsx';
import { BalancingRounds } from './balancing-rounds.tsx';
import { ProofWords } from './proof-words.tsx';
import { AlternatorDrawing, CurveDrawing } from './run-drawing.tsx';
import { StandFoot } from './stand-foot.tsx';
import { Suspects } from './suspects.tsx';

const NO_WAVE: readonly number[] = [];

/** A test that is made on a stand: run it, see what it comes to, keep it; and from a failed one back down the ladder. */
export function StandPanel({ bench, op }: PanelProps<'test'>): React.JSX.Element {
  const { sheet, state } = bench;
  const test = sheet.tests[op.test]!;
  const stand = test.stand!;
  const view = useQuery(queries.instruments()).data?.find((i) => i.kind === standOf(stand.kind));
  const line = useStandRun(view);
  const readings = readingsOf(state, op.id);
  const kept = readings.at(-1);
  const asFound =
    op.moment === 'now'
      ? state.readings.findLast((r) => r.subject === 'test' && r.id === test.id && r.moment === 'as-found')
      : undefined;
  const setup = {
    kind: stand.kind,
    unit: `${bench.job}/${test.id}`,
    figures: { ...figuresFor(test) },
    ...(op.moment === 'as-found' ? { worn: true } : {}),
    mended: state.ledBack.filter((l) => l.test === test.id).length,
  };
  const foot = document.getElementById('foot');
  const keep = (run: Run): boolean =>
    bench.give({ type: 'take-run', op: op.id, run, ...(view ? { instrument: factsOf(view) } : {}) });
  const typed = (
    <TypedReading
      dimension={test.dimension}
      unit={`${formatNumber(test.accept.low.value)} ${test.accept.low.unit}`}
      label="No stand at hand: type what was read"
      take={(q) => bench.give({ type: 'take-reading', op: op.id, value: q, how: 'hand' })}
    />
  );
  if (!kept && stand.kind === 'balancing')
    return (
      <>
        <BalancingRounds test={test} line={line} setup={setup} keep={keep} place={`${bench.job}/${op.id}`}>
          {typed}
        </BalancingRounds>
        {foot && createPortal(<StandFoot stand={view} line={line} />, foot)}
      </>
    );
  const failed = op.moment === 'now' && kept?.result?.verdict === 'outside';
  return (
    <>
      <div className="op standgrid">
        <div>
          <p className="m-0">
            On the {test.gauge}. Accepted {formatBand(test.accept)}
          </p>
          {kept?.proof ? <Drawn run={kept.proof.run} test={test} /> : <LiveDrawing line={line} test={test} />}
          {asFound && kept && (
            <p className="past m-0">{changeWords(test.dimension, test.accept, asFound.value, kept.value)}</p>
          )}
          {asFound && !kept && (
            <p className="past m-0">
              As found: <b>{formatQuantity(asFound.value)}</b>
            </p>
          )}
          <Whose from={test.from} documents={bench.documents} />
        </div>
        <div>
          {kept ? (
            <>
              <ProofWords
                value={kept.value}
                verdict={kept.result?.verdict ?? 'undecided'}
                checks={(kept.proof?.checks ?? []).filter((c) => !failed || c.verdict !== 'within')}
                says={kept.proof?.says ?? []}
              />
              {failed && <Suspects bench={bench} test={test} op={op.id} />}
            </>
          ) : (
            <LiveWords line={line} test={test} />
          )}
          {!kept && line.phase !== 'running' && typed}
        </div>
      </div>
      {kept ? (
        failed ? null : (
          <Go label="Done" act={() => bench.give({ type: 'complete', op: op.id })} />
        )
      ) : (
        <RunButton
          line={line}
          test={test}
          start={() => void line.start(setup)}
          keep={keep}
          connected={view?.connected ?? false}
        />
      )}
      {foot && createPortal(<StandFoot stand={view} line={line} />, foot)}
    </>
  );
}

/** The run that is on the line now, judged as it stands. */
function useRunNow(line: StandLine, test: Test): Run | undefined {
  const { phase, points, wave, said } = line;
  const kind = test.stand!.kind;
  return useMemo(
    () =>
      phase === 'done' && kind !== 'balancing' && points.length > 1
        ? runFrom(kind, points, keptWave(wave), said ?? {})
        : undefined,
    [phase, points, wave, said, kind],
  );
}

function LiveDrawing({ line, test }: { readonly line: StandLine; readonly test: Test }): React.JSX.Element {
  const run = useRunNow(line, test);
  const judged = useJudged(test, run, line.wave);
  const { kind } = test.stand!;
  if (line.points.length === 0)
    return <p className="quiet standempty">Nothing has run yet. The curve is drawn here as it comes.</p>;
  return kind === 'alternator' ? (
    <AlternatorDrawing
      points={line.points}
      wave={line.wave}
      sampleRateHz={Number(line.said?.['sampleRateHz'] ?? 0)}
      lines={judged?.lines ?? []}
      test={test}
    />
  ) : (
    <CurveDrawing kind={kind as CurveKind} points={line.points} test={test} />
  );
}

function LiveWords({ line, test }: { readonly line: StandLine; readonly test: Test }): React.JSX.Element {
  const run = useRunNow(line, test);
  const judged = useJudged(test, run, NO_WAVE);
  if (line.wrong)
    return (
      <p className="field-error" role="alert">
        {line.wrong}
      </p>
    );
  if (line.phase === 'idle')
    return <p className="lines p-0">Set it up on the {test.gauge}, stand clear, and run it.</p>;
  if (line.phase === 'running') return <p className="lines p-0">It runs.</p>;
  if (judged?.wrong) return <p className="lines p-0">{judged.wrong}</p>;
  if (!judged?.outcome) return <p className="quiet">Judging …</p>;
  const { value, checks, says } = judged.outcome;
  return (
    <ProofWords
      value={value}
      verdict={resultOfRun(test, judged.outcome, undefined).verdict}
      checks={checks}
      says={says}
    />
  );
}

/** The one button: run, stop, keep, or run again. */
function RunButton({
  line,
  test,
  start,
  keep,
  connected,
}: {
  readonly line: StandLine;
  readonly test: Test;
  readonly start: () => void;
  readonly keep: (run: Run) => boolean;
  readonly connected: boolean;
}): React.JSX.Element {
  const run = useRunNow(line, test);
  if (line.phase === 'running') {
    const kind = test.stand!.kind;
    const early = line.points.length > 8 ? earlyOf({ kind, points: line.points } as CurveRun, test) : undefined;
    return (
      <Go label={early?.stop ? 'It is sure: stop it here' : 'Stop it'} keyName="space" act={() => void line.stop()} />
    );
  }
  if (run)
    return (
      <Go
        label="Keep this run"
        act={() => {
          // A run that is too short is refused with its words, and started over.
          if (!keep(run)) line.clear();
        }}
      />
    );
  return (
    <Go
      label={connected ? `Run it on the ${test.gauge}` : 'The stand is not connected'}
      keyName="space"
      act={start}
      disabled={!connected}
    />
  );
}

/** A run that was kept, drawn again. */
function Drawn({ run, test }: { readonly run: Run; readonly test: Test }): React.JSX.Element {
  const judged = useJudged(test, run, run.kind === 'alternator' ? run.ripple.samplesV : NO_WAVE);
  if (run.kind === 'alternator')
    return (
      <AlternatorDrawing
        points={run.sweep.map((p) => [p.drivenRpm, p.speedRpm, p.currentA, p.voltageV, p.temperatureC])}
        wave={run.ripple.samplesV}
        sampleRateHz={run.ripple.sampleRateHz}
        lines={judged?.lines ?? []}
        test={test}
      />
    );
  if (run.kind === 'balancing')
    return (
      <div className="polars">
        {([0, 1] as const).map((bearing) => (
          <PolarPlot
            key={bearing}
            bearing={bearing}
            runs={[
              { name: 'as it is', readings: run.initial },
              ...run.rounds.map((r, i) => ({ name: `corrected ${i + 1}`, readings: r.readings })),
            ]}
          />
        ))}
      </div>
    );
  return <CurveDrawing kind={run.kind} points={run.points} test={test} />;
}
