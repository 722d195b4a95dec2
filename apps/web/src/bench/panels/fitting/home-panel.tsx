import { linesOf, heatOf, heatWindow, pressOf, instrumentFacts } from '@jubb/core/bench';
import { convert, formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Op, Part } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { createPortal } from 'react-dom';
import { FitSection } from '../../../drawing/fit-section.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { useInstrument } from '../../use-instrument.ts';
import type { Bench } from '../../use-bench.ts';
import { useHomeRig } from '../../simulation/use-home-rig.ts';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';
import { AfterFit, Drop, Force, Heat } from './figures.tsx';
import { Lip, Ready } from './lip.tsx';
import { Ring } from './ring.tsx';
import { Whose } from '../../figure-source.tsx';

type HomeOp = Extract<Op, { what: string }>;

/** Does an operation have a panel of fit, lip or ring? */
export function goesHome(bench: Bench, op: Op): boolean {
  if (op.kind !== 'press' && op.kind !== 'place' && op.kind !== 'heat') return false;
  if (op.kind !== 'heat' && op.check !== undefined) return true;
  const part = op.part === undefined ? undefined : bench.sheet.parts[op.part];
  if (op.kind === 'heat') return part?.fit !== undefined;
  return part?.lip !== undefined || part?.ring?.gland !== undefined || part?.fit !== undefined;
}

/** A part goes home: pressed, dropped on warm, a seal into its bore, a ring into its groove. Drawn, with its figures. */
export function HomePanel({ bench, op: given, step }: PanelProps): React.JSX.Element {
  const op = given as HomeOp;
  const part: Part | undefined = op.part === undefined ? undefined : bench.sheet.parts[op.part];
  const fit = part?.fit;
  const heats = op.kind === 'heat';
  const force = op.kind === 'press' && fit ? pressOf(fit) : undefined;
  const reads = heats ? fit !== undefined : force !== undefined;
  const instrument = useInstrument(reads ? (heats ? 'thermometer' : 'press') : undefined);
  const target =
    heats && fit ? heatTarget(fit) : force ? convert(force.reckoned.results.pressForce, 'kN').value : undefined;
  useHomeRig(instrument, bench.state, op.id, heats ? 'oven' : 'press', target);
  const [home, setHome] = useState(false);
  const [reason, setReason] = useState('');
  const readings = bench.state.readings.filter((r) => r.op === op.id);
  const last = readings.at(-1);
  const good = last?.result?.verdict === 'within';
  const take = (value: Quantity, how: 'instrument' | 'hand'): void => {
    bench.give({
      type: 'take-reading',
      op: op.id,
      value,
      how,
      ...(how === 'instrument' && instrument ? { instrument: instrumentFacts(instrument.view) } : {}),
    });
  };
  const live = instrument?.value;
  const needsReading = heats && !good;
  const done = (): void => {
    bench.give({
      type: 'complete',
      op: op.id,
      ...(home ? { ticks: ['check'] } : {}),
      ...(reason.trim() ? { reason } : {}),
    });
  };
  const foot = document.getElementById('foot');
  return (
    <>
      <div className="op setgrid">
        <div>
          {part?.lip ? (
            <Lip bench={bench} to={op.to} part={part} />
          ) : part?.ring?.gland ? (
            <Ring part={part} />
          ) : fit ? (
            <FitSection how={heats || op.kind === 'place' ? 'heat' : 'press'} half={op.to === 'half'} />
          ) : null}
        </div>
        <div>
          {heats && fit && <Heat asked={heatOf(fit)} fit={fit} />}
          {force && <Force asked={force} />}
          {fit && <AfterFit fit={fit} />}
          {op.kind === 'place' && op.part !== undefined && <Drop bench={bench} part={op.part} />}
          {part?.lip && <Ready bench={bench} step={step} part={part.id} />}
          <Whose from={bench.sheet.from} documents={bench.documents} />
          <ul className="lines">
            {linesOf(bench.sheet, bench.state, op).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
          {last && (
            <div className="d-flex gap-3 align-items-center try">
              <b>{formatQuantity(last.value, heats ? 0 : 1)}</b>
              {last.result && <VerdictMark verdict={last.result.verdict} />}
            </div>
          )}
          {reads && live === undefined && (
            <TypedReading
              dimension={heats ? 'temperature' : 'force'}
              unit={heats ? '105 °C' : '12 kN'}
              label={heats ? 'How hot it is' : 'What the press shows'}
              take={(q) => take(q, 'hand')}
            />
          )}
          {op.kind !== 'heat' && op.check !== undefined && (
            <Button variant="line" className="choice" aria-pressed={home} onClick={() => setHome(!home)}>
              <span className="tickbox" aria-hidden="true">
                {home ? '✓' : ''}
              </span>
              <span>{op.check}</span>
            </Button>
          )}
          {last?.result?.verdict === 'outside' && (
            <div className="mt-2">
              <Form.Label htmlFor="outside-why">Go on all the same: why?</Form.Label>
              <Form.Control
                id="outside-why"
                value={reason}
                maxLength={400}
                onChange={(e) => setReason(e.target.value)}
              />
            </div>
          )}
        </div>
      </div>
      {needsReading && !reason.trim() ? (
        <Go
          label={live === undefined ? 'Type how hot it is' : `Read it: ${Math.round(live)} °C`}
          keyName="space"
          act={() => take({ value: live!, unit: instrument!.view.unit }, 'instrument')}
          disabled={live === undefined}
        />
      ) : (
        <>
          {force && live !== undefined && !last && (
            <Button variant="line" onClick={() => take({ value: live, unit: instrument!.view.unit }, 'instrument')}>
              Keep what the press shows: {live.toFixed(1)} kN
            </Button>
          )}
          <Go
            label={
              heats
                ? 'Hot enough: take it out and drop it on'
                : op.to === 'half'
                  ? 'Half way in'
                  : op.kind === 'press'
                    ? 'It is home'
                    : 'In its place'
            }
            act={done}
            disabled={op.kind !== 'heat' && op.check !== undefined && !home}
          />
        </>
      )}
      {foot && reads && createPortal(<Foot instrument={instrument} />, foot)}
    </>
  );
}

/** Where the simulated oven stands, °C. */
function heatTarget(fit: NonNullable<Part['fit']>): number {
  const { low, high } = heatWindow(fit);
  return (inCanonical(low, 'temperature') + inCanonical(high, 'temperature')) / 2;
}
