import type { Sheet } from '@jubb/core/sheet';
import { useState } from 'react';
import { axesWith, UnitFigures } from '../drawing/unit/unit-figures.tsx';

/** Where the unit is worn: one axis at a time, the worn parts marked. Nothing while nothing was found. */
export function WornUnit({
  sheet,
  worn,
}: {
  readonly sheet: Sheet;
  readonly worn: ReadonlySet<string>;
}): React.JSX.Element | null {
  const axes = axesWith(sheet, worn);
  const [chosen, setChosen] = useState<string>();
  const axis = axes.find((a) => a.id === chosen) ?? axes[0];
  if (!axis) return null;
  return (
    <section aria-label="Where it is worn">
      {axes.length > 1 && (
        <div className="d-flex flex-wrap gap-2">
          {axes.map((a) => (
            <button
              key={a.id}
              type="button"
              className="btn-line"
              aria-pressed={a === axis}
              onClick={() => setChosen(a.id)}
            >
              {a.title}
            </button>
          ))}
        </div>
      )}
      <UnitFigures sheet={sheet} axes={[axis]} worn={worn} height={210} />
    </section>
  );
}
