import { absentParts, jobSheet, wornParts, type BenchState } from '@jubb/core/bench';
import { axesOf, axesWith } from '@jubb/core/shape';
import type { Sheet } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { UnitFigures } from '../drawing/unit/unit-figures.tsx';

/** Where the unit is worn: one axis at a time, the worn parts marked. Nothing while nothing was found. */
export function WornUnit({
  sheet: pinned,
  state,
}: {
  readonly sheet: Sheet;
  readonly state: BenchState;
}): React.JSX.Element | null {
  const sheet = jobSheet(pinned, state);
  const worn = wornParts(state);
  const axes = axesWith(axesOf(sheet, absentParts(pinned, state)), worn);
  const [chosen, setChosen] = useState<string>();
  const axis = axes.find((a) => a.id === chosen) ?? axes[0];
  if (!axis) return null;
  return (
    <section aria-label="Where it is worn">
      {axes.length > 1 && (
        <div className="d-flex flex-wrap gap-2">
          {axes.map((a) => (
            <Button key={a.id} variant="line" aria-pressed={a === axis} onClick={() => setChosen(a.id)}>
              {a.title}
            </Button>
          ))}
        </div>
      )}
      <UnitFigures sheet={sheet} axes={[axis]} worn={worn} height={210} />
    </section>
  );
}
