import { axesOf, nameOf, unitDrawing } from '@jubb/core/shape';
import { ofVariant, partsOfRow, type Axis, type Joint, type Sheet } from '@jubb/core/sheet';
import { JointPlan } from '../drawing/unit/joint-plan.tsx';
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
      {axesOf(sheet, insteadOf(sheet)).map((axis) => (
        <AxisFigures key={axis.id} sheet={sheet} axis={axis} />
      ))}
    </section>
  );
}

/** What goes on in another's place: it is not drawn beside it, but stands in the list. */
const insteadOf = (sheet: Sheet): ReadonlySet<string> =>
  new Set(Object.values(sheet.parts).flatMap((p) => (p.replaces === undefined ? [] : [p.id])));

/** Joints of an axis whose places its sheet gives: they are drawn in plan. */
function plannedJoints(sheet: Sheet, axis: Axis): readonly Joint[] {
  const there = new Set(partsOfRow(axis.row));
  return Object.values(sheet.joints).filter((j) => j.count > 1 && j.pattern.kind !== 'single' && there.has(j.fastener));
}

function AxisFigures({ sheet, axis }: { readonly sheet: Sheet; readonly axis: Axis }): React.JSX.Element {
  const asked = { axis, width: 640, height: 250, off: new Set<string>(), numbered: true } as const;
  const row = unitDrawing(sheet, { ...asked, view: 'row' });
  const section = unitDrawing(sheet, { ...asked, view: 'section', numbersOf: row });
  const plans = plannedJoints(sheet, axis);
  const list = [...new Map(row.parts.map((p) => [p.number, p])).values()].sort((a, b) => a.number - b.number);
  return (
    <figure className="axisfigures">
      <figcaption>{axis.title}</figcaption>
      <div className="d-flex flex-wrap gap-3">
        <div className="drawn">
          {!axis.apart && list.length > 1 && <UnitDrawingView drawing={section} title={`${axis.title}, in section`} />}
          <UnitDrawingView drawing={row} title={`${axis.title}, in a row`} />
          {plans.length > 0 && (
            <div className="d-flex flex-wrap gap-3">
              {plans.map((joint) => (
                <JointPlan key={joint.id} joint={joint} />
              ))}
            </div>
          )}
        </div>
        <ol className="partlist">
          {list.map((p) => (
            <li key={p.number} value={p.number}>
              <a href={`#part-${p.part}`}>{nameOf(p.title, sheet.parts[p.part]!.count)}</a>
              {Object.values(sheet.parts)
                .filter((other) => other.replaces === p.part)
                .map((other) => (
                  <span key={other.id}>
                    , or <a href={`#part-${other.id}`}>{nameOf(other.title, other.count)}</a>
                  </span>
                ))}
            </li>
          ))}
        </ol>
      </div>
    </figure>
  );
}
