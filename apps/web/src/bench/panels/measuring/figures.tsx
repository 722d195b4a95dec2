import type { MeasureFigure } from '@jubb/core/bench';
import { decimalsOfAll, formatBand, formatQuantity, type Quantity } from '@jubb/core/quantities';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { ReckonerLink } from '../../working-block.tsx';

/** "0.02 to 0.12 mm", "at most 0.03 mm": what a figure is held against. */
export function limitWords(low: Quantity | undefined, high: Quantity | undefined): string {
  if (low && high) return formatBand({ low, high }, decimalsOfAll([low.value, high.value]));
  if (low) return `at least ${formatQuantity(low)}`;
  return high ? `at most ${formatQuantity(high)}` : '';
}

/** Figures that come of all the readings together, each with its limit, its verdict and its working one press away. */
export function Figures({ figures }: { readonly figures: readonly MeasureFigure[] }): React.JSX.Element | null {
  if (figures.length === 0) return null;
  return (
    <div className="derived">
      {figures.map((f) => (
        <details key={f.name}>
          <summary>
            <span>{f.name}</span>
            <b>{formatQuantity(f.value)}</b>
            <small>{limitWords(f.low, f.high)}</small>
            {f.verdict ? <VerdictMark verdict={f.verdict} /> : <span />}
          </summary>
          <div className="figure-working">
            {f.working.map((l, i) => (
              <div key={`${i}-${l.name}`} className="row1">
                <span>
                  {l.name}
                  <small className="d-block">{l.formula ?? l.figures}</small>
                </span>
                <i>{typeof l.value === 'string' ? l.value : formatQuantity(l.value)}</i>
              </div>
            ))}
            {f.reckoner && <ReckonerLink id={f.reckoner.id} inputs={f.reckoner.inputs} />}
          </div>
        </details>
      ))}
    </div>
  );
}
