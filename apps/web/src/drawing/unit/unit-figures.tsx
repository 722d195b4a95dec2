import { unitDrawing, type Asked } from '@jubb/core/shape';
import type { Axis, Sheet } from '@jubb/core/sheet';
import { UnitDrawingView } from './unit-drawing.tsx';

const NONE: ReadonlySet<string> = new Set();

/** The unit of a paper: an axis a figure, with what is worn, new or off; nothing to press. */
export function UnitFigures({
  sheet,
  axes,
  ...asked
}: {
  readonly sheet: Sheet;
  readonly axes: readonly Axis[];
} & Partial<Pick<Asked, 'off' | 'worn' | 'renewed' | 'height' | 'view'>>): React.JSX.Element {
  return (
    <>
      {axes.map((axis) => (
        <figure key={axis.id} className="unitfigure">
          <UnitDrawingView
            drawing={unitDrawing(sheet, { view: 'section', width: 760, height: 240, off: NONE, ...asked, axis })}
            title={axis.title}
          />
          <figcaption>{axis.title}</figcaption>
        </figure>
      ))}
    </>
  );
}
