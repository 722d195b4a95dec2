import type { InstrumentView, StandRunDto } from '@jubb/contract';
import {
  changeWords,
  earlyOf,
  openBad,
  readingsOf,
  resultOfRun,
  type CurveKind,
  type CurveRun,
  type Run,
} from '@jubb/core/bench';
import { formatBand, formatQuantity } from '@jubb/core/quantities';
import type { Op, OpOf, Test } from '@jubb/core/sheet';
import { createPortal } from 'react-dom';
import { PolarPlot } from '../../../drawing/stands/polar-plot.tsx';
import type { Judged } from '../../../stands/judge.worker.ts';
import { useJudgedLine } from '../../../stands/use-judged-line.ts';
import { useJudged } from '../../../stands/use-judged.ts';
import { useStandRun, type StandLine } from '../../../stands/use-stand-run.ts';
import { Whose } from '../../figure-source.tsx';
import type { Bench } from '../../use-bench.ts';
import { Go } from '../panel.tsx';
import { ProofWords } from './proof-words.tsx';
import { AlternatorDrawing, CurveDrawing } from './run-drawing.tsx';
import { StandFoot } from './stand-foot.tsx';
import { WayOn } from './way-on.tsx';

const NO_WAVE: readonly number[] = [];

/** A run of a stand that is made at once: drawn as it comes, judged, kept; when it fails, back down the ladder. */
export function PlainRun({
  bench,
  op,
  test,
  view,
  setup,
  keep,
  typed,
}: {
  readonly bench: Bench;
  readonly op: Op & OpOf<'test'>;
  readonly test: Test;
  readonly view: InstrumentView | undefined;
  readonly setup: StandRunDto;
  readonly keep: (run: Run) => boolean;
  /** A figure typed instead. */
  readonly typed: (ran?: Run) => React.ReactNode;
}): React.JSX.Element {
  const { state } = bench;
  const line = useStandRun(view);
  const { run, judged } = useJudgedLine(line, test);
  const kept = readingsOf(state, op.id).at(-1);
  const asFound =
    op.moment === 'now'
      ? state.readings.findLast((r) => r.subject === 'test' && r.id === test.id && r.moment === 'as-found')
      : undefined;
  const bad = openBad(bench.sheet, state).find((b) => b.op === op.id);
  const failed = bad !== undefined;
  const foot = document.getElementById('foot');
  return (
    <>
      <div className="op standgrid">
        <div>
          <p className="m-0">
            On the {test.gauge}. Accepted {formatBand(test.accept)}
          </p>
          {kept?.proof ? (
            <Drawn run={kept.proof.run} test={test} />
          ) : kept ? (
            <p className="quiet standempty">
              Typed by hand: no curve belongs to this figure.
              {run && judged?.outcome && ` The stand itself had run ${formatQuantity(judged.outcome.value)}.`}
            </p>
          ) : (
            <LiveDrawing line={line} judged={judged} test={test} />
          )}
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
              {bad && <WayOn bench={bench} failed={test} bad={bad} />}
            </>
          ) : (
            <LiveWords line={line} judged={judged} test={test} />
          )}
          {!kept && line.phase !== 'running' && typed(run)}
        </div>
      </div>
      {kept ? (
        failed ? null : (
          <Go label="Done" act={() => bench.give({ type: 'complete', op: op.id })} />
        )
      ) : (
        <RunButton
          line={line}
          run={run}
          test={test}
          start={() => void line.start(setup)}
          keep={keep}
          wait={
            !view?.connected
              ? 'The stand is not connected'
              : line.ready && bench.fresh
                ? undefined
                : 'Opening the line to the stand …'
          }
        />
      )}
      {foot && createPortal(<StandFoot stand={view} line={line} />, foot)}
    </>
  );
}

function LiveDrawing({
  line,
  judged,
  test,
}: {
  readonly line: StandLine;
  readonly judged: Judged | undefined;
  readonly test: Test;
}): React.JSX.Element {
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

function LiveWords({
  line,
  judged,
  test,
}: {
  readonly line: StandLine;
  readonly judged: Judged | undefined;
  readonly test: Test;
}): React.JSX.Element {
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
  run,
  test,
  start,
  keep,
  wait,
}: {
  readonly line: StandLine;
  readonly run: Run | undefined;
  readonly test: Test;
  readonly start: () => void;
  readonly keep: (run: Run) => boolean;
  /** Why nothing can be run yet. */
  readonly wait: string | undefined;
}): React.JSX.Element {
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
  return <Go label={wait ?? `Run it on the ${test.gauge}`} keyName="space" act={start} disabled={wait !== undefined} />;
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
