import type { Op } from '@jubb/core/sheet';
import { useMemo } from 'react';
import { UnitDrawingView } from '../../drawing/unit/unit-drawing.tsx';
import type { Bench } from '../use-bench.ts';
import { drawnFor, shownOf } from './drawn-for.ts';

/** Where on the unit a move is, small, in the midst of its panel; nothing where it is on no drawing. */
export function MovePlace({
  bench,
  op,
  width,
  height,
  otherwise = null,
}: {
  readonly bench: Bench;
  readonly op: Op;
  /** In px. */
  readonly width: number;
  readonly height: number;
  readonly otherwise?: React.JSX.Element | null;
}): React.JSX.Element | null {
  const shown = useMemo(() => shownOf(bench, op), [bench, op]);
  const drawing = useMemo(
    () => shown && drawnFor(bench, shown, { view: 'section', width, height, small: true }),
    [bench, shown, width, height],
  );
  if (!shown || !drawing) return otherwise;
  return (
    <figure className="moveplace" style={{ maxWidth: width }} aria-label="Where on the unit">
      <UnitDrawingView drawing={drawing} title={`${shown.axis.title}, in section`} />
    </figure>
  );
}
