import { ringOf, type Asked } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import { MOST_FILL, squeezeWindow, STRETCH } from '@jubb/core/reckoners';
import type { Part } from '@jubb/core/sheet';
import { Link } from 'react-router';
import { RingSection } from '../../../drawing/ring-section.tsx';
import { addressOf, type Inputs } from '../../../reckoner/inputs.ts';
import { ReckonerLink } from '../../working-block.tsx';

/** The groove alone: the finder says which standard rings fit it. */
function finderInputs({ insideDiameter: _inside, section: _section, ...groove }: Asked['inputs']): Inputs {
  return { ...groove, sizes: 'metric' };
}

/** The ring in its groove, against its windows; whether the spring brings the piston back. */
export function Ring({ part }: { readonly part: Part }): React.JSX.Element | null {
  const ring = ringOf(part);
  if (!ring) return null;
  const { gland, back } = ring;
  const { stretch, squeeze, fill } = gland.reckoned.results;
  const { motion, medium } = part.ring!.gland!;
  const { low, high } = squeezeWindow(motion, medium);
  const inside = (v: number, a: number, b: number): string => (v >= a && v <= b ? 'within' : 'outside');
  return (
    <>
      <RingSection
        squeeze={squeeze.value}
        windows={[
          { name: 'Squeeze', value: squeeze.value, low, high, most: 50, verdict: inside(squeeze.value, low, high) },
          {
            name: 'Stretch',
            value: stretch.value,
            low: STRETCH.low,
            high: STRETCH.high,
            most: 10,
            verdict: inside(stretch.value, STRETCH.low, STRETCH.high),
          },
          {
            name: 'Fill',
            value: fill.value,
            low: 0,
            high: MOST_FILL,
            most: 110,
            verdict: inside(fill.value, 0, MOST_FILL),
          },
        ]}
      />
      {back && (
        <p className="m-0">
          {back.reckoned.results.verdict === 'returns'
            ? 'The spring brings the piston back past it'
            : 'The spring will not bring the piston back past it'}
          , {formatQuantity(back.reckoned.results.margin, 0)} left over
        </p>
      )}
      <div className="d-flex gap-2 flex-wrap">
        <ReckonerLink id={gland.id} inputs={gland.inputs} />
        <Link className="btn-line" to={addressOf('oring-find', finderInputs(gland.inputs))}>
          Which ring fits?
        </Link>
      </div>
    </>
  );
}
