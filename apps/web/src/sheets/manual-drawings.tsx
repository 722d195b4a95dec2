import { axesOf, nameOf, unitDrawing } from '@jubb/core/shape';
import { ofVariant, type Axis, type Sheet } from '@jubb/core/sheet';
import { UnitDrawingView } from '../drawing/unit/unit-drawing.tsx';

/** The whole unit, an axis at a time: together, then apart in a row, its parts numbered, and the list beside it. */
export function ManualDrawings({
  sheet: whole,
  variant,
}: {
  readonly sheet: Sheet;
  readonly variant: string | undefined;
}): React.JSX.Element {
  const sheet = ofVariant(whole, variant);
  return (
    <section aria-label="The unit, drawn">
      {axesOf(sheet).map((axis) => (
        <AxisFigures key={axis.id} sheet={sheet} axis={axis} />
      ))}
    </section>
  );
}

function AxisFigures({ sheet, axis }: { readonly sheet: Sheet; readonly axis: Axis }): React.JSX.Element {
  const asked = { axis, width: 640, height: 250, off: new Set<string>(), numbered: true } as const;
  const row = unitDrawing(sheet, { ...asked, view: 'row' });
  const section = unitDrawing(sheet, { ...asked, view: 'section', numbersOf: row });
  const list = [...new Map(row.parts.map((p) => [p.number, p])).values()].sort((a, b) => a.number - b.number);
  return (
    <figure className="axisfigures">
      <figcaption>{axis.title}</figcaption>
      <div className="d-flex flex-wrap gap-3">
        <div className="drawn">
          {!axis.apart && list.length > 1 && <UnitDrawingView drawing={section} title={`${axis.title}, in section`} />}
          <UnitDrawingView drawing={row} title={`${axis.title}, in a row`} />
        </div>
        <ol className="partlist">
          {list.map((p) => (
            <li key={p.number} value={p.number}>
              <a href={`#part-${p.part}`}>{nameOf(p.title, sheet.parts[p.part]!.count)}</a>
            </li>
          ))}
        </ol>
      </div>
    </figure>
  );
}
