import {
  canonicalUnit,
  formatBand,
  formatNumber,
  formatQuantity,
  inCanonical,
  type Quantity,
} from '@jubb/core/quantities';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { createPortal } from 'react-dom';
import { Rule } from '../../drawing/rule.tsx';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import { Whose } from '../figure-source.tsx';
import { factsOf } from '../instrument-facts.ts';
import { useInstrument } from '../use-instrument.ts';
import { Foot } from './foot.tsx';
import { Go, type PanelProps } from './panel.tsx';
import { TypedReading } from './typed-reading.tsx';

/** A setting that is moved by hand, not by shims: read, move it, read again; each try is kept. */
export function AdjustPanel({ bench, op }: PanelProps<'set'>): React.JSX.Element {
  const setting = bench.sheet.settings[op.setting]!;
  const rounds = bench.state.settings[setting.id]?.rounds ?? [];
  const round = rounds.at(-1);
  const readings = round?.readings ?? [];
  const result = round?.result;
  const [note, setNote] = useState('');
  const indicator = useInstrument(setting.gauge === 'indicator' ? 'indicator' : undefined, () => undefined);
  const own = (q: Quantity): number => inCanonical(q, setting.dimension);
  const take = (value: Quantity, how: 'instrument' | 'hand'): void => {
    bench.give({
      type: 'take-reading',
      op: op.id,
      value,
      how,
      ...(how === 'instrument' && indicator ? { instrument: factsOf(indicator.view) } : {}),
    });
  };
  const within = result?.verdict === 'within';
  const tries = rounds.filter((r) => r.result);
  const foot = document.getElementById('foot');
  return (
    <>
      <div className="op">
        <p className="m-0">
          {setting.how ?? `By ${setting.gauge}`}. Band {formatBand(setting.band)},{' '}
          {setting.repeats === 1 ? 'one reading' : `${setting.repeats} readings`}
        </p>
        <Whose from={setting.from} documents={bench.documents} />
        <Rule
          low={own(setting.band.low)}
          high={own(setting.band.high)}
          guard={result ? own(result.uncertainty) : 0}
          readings={result ? [own(result.mean)] : readings.map((r) => own(r.value))}
          wanted={own(setting.target)}
          unit={canonicalUnit(setting.dimension)}
          title={setting.title.toLowerCase()}
        />
        {tries.map((t, i) => (
          <div key={i} className="d-flex gap-3 align-items-center" style={{ fontSize: 20 }}>
            <span style={{ minWidth: 64 }}>Try {i + 1}</span>
            <b>{formatQuantity(t.result!.mean)}</b>
            <VerdictMark verdict={t.result!.verdict} />
            {t.adjusted?.note && <small>after: {t.adjusted.note}</small>}
          </div>
        ))}
        {!result && (
          <TypedReading
            dimension={setting.dimension}
            unit={`${formatNumber(setting.target.value)} ${setting.target.unit}`}
            label={`Reading ${readings.length + 1} of ${setting.repeats}`}
            take={(q) => take(q, 'hand')}
          />
        )}
        {result && !within && (
          <div className="mt-2">
            <Form.Label htmlFor="moved">What was moved, and how far</Form.Label>
            <Form.Control
              id="moved"
              value={note}
              maxLength={200}
              placeholder="such as cone back an eighth of a turn"
              onChange={(e) => setNote(e.target.value)}
            />
          </div>
        )}
      </div>
      {!result && indicator?.value !== undefined ? (
        <Go
          label={`Take reading ${readings.length + 1} of ${setting.repeats}`}
          keyName="space"
          act={() => take({ value: indicator.value!, unit: indicator.view.unit }, 'instrument')}
        />
      ) : within ? (
        <Go
          label={`${setting.title} is set at ${formatQuantity(result.mean)}`}
          act={() => bench.give({ type: 'complete', op: op.id })}
        />
      ) : (
        <Go
          label={result ? 'It is moved: read again' : 'Type what you read'}
          act={() => {
            if (bench.give({ type: 'adjust', op: op.id, note })) setNote('');
          }}
          disabled={!result}
        />
      )}
      {foot && createPortal(<Foot instrument={indicator} />, foot)}
    </>
  );
}
