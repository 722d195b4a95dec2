import { absentParts, jobSheet, unitNow } from '@jubb/core/bench';
import { aboutOp, axesOf, axisWith, unitDrawing, type About } from '@jubb/core/shape';
import { partsOfRow, type Axis, type Op, type Sheet } from '@jubb/core/sheet';
import { useMemo, useState } from 'react';
import { UnitDrawingView } from '../../drawing/unit/unit-drawing.tsx';
import { useKeys } from '../../frame/keys.ts';
import { usePhone } from '../../frame/narrow.ts';
import { goesHome } from '../panels/fitting/home-panel.tsx';
import type { Bench } from '../use-bench.ts';
import { ToldPart } from './told-part.tsx';

type View = 'section' | 'row' | 'none';

/** What the drawing shows of a move, and the axis of it; parts that are not on this unit are left out, but for those that go on now. */
function shownOf(
  bench: Bench,
  op: Op,
): { readonly sheet: Sheet; readonly axis: Axis; readonly about: About } | undefined {
  const sheet = jobSheet(bench.sheet, bench.state);
  const about = aboutOp(sheet, op);
  if (!about) return undefined;
  const absent = new Set([...absentParts(bench.sheet, bench.state)].filter((p) => !about.parts.has(p)));
  const axis = axisWith(axesOf(sheet, absent), [...about.parts][0]!);
  return axis && { sheet, axis, about };
}

/** Panels that have a drawing or a table of their own: there the unit is folded away until it is asked for. */
const DRAWS_ITSELF: ReadonlySet<Op['kind']> = new Set([
  'tighten', 'set', 'read', 'measure', 'test', 'stack', 'restack', 'identify', 'count', 'cause', 'choose', 'judge', 'heat',
]); // prettier-ignore

/**
 * The unit as it stands, drawn: what the move is about in brass. `x` goes from section to row; where a panel has a
 * drawing of its own it is folded away until it is asked for.
 * @returns the button that turns it, for the head of the move, and the drawing
 */
export function useUnitView(
  bench: Bench,
  op: Op,
): { readonly button: React.JSX.Element | null; readonly figure: React.JSX.Element | null } {
  const folded = DRAWS_ITSELF.has(op.kind) || goesHome(bench, op);
  const phone = usePhone();
  const [chosen, setChosen] = useState<{ readonly op: string; readonly view: View }>();
  const [told, setTold] = useState<string>();
  const shown = useMemo(() => shownOf(bench, op), [bench, op]);
  // A choice stays for the moves that follow, but a panel that draws by itself is not covered by it.
  const view: View = chosen && (chosen.op === op.id || !folded) ? chosen.view : folded ? 'none' : 'section';
  const last = shown?.axis.apart ? 'section' : 'row';
  const next: View = view === 'none' ? 'section' : view !== last ? 'row' : folded ? 'none' : 'section';
  const turns = shown !== undefined && next !== view;
  const turn = (): void => setChosen({ op: op.id, view: next });
  useKeys({ drawing: turns ? turn : undefined });
  const drawing = useMemo(() => {
    if (!shown || view === 'none') return undefined;
    const now = unitNow(bench.sheet, bench.state);
    const off = new Set(partsOfRow(shown.axis.row).filter((p) => now.parts.get(p) === 'off'));
    return unitDrawing(shown.sheet, {
      axis: shown.axis,
      view,
      width: phone ? 360 : 630,
      height: phone ? 210 : 260,
      off,
      hand: shown.about,
      indicator: shown.about.indicator ?? false,
    });
  }, [bench.sheet, bench.state, shown, view, phone]);
  if (!shown) return { button: null, figure: null };
  const said = { none: 'Fold the drawing', section: view === 'none' ? 'Draw the unit' : 'In section', row: 'In a row' };
  return {
    button: !turns ? null : (
      <button type="button" className="unitturn" onClick={turn}>
        {said[next]} <kbd>x</kbd>
      </button>
    ),
    figure: drawing ? (
      <figure className="unitview" aria-label="The unit, drawn">
        <UnitDrawingView
          drawing={drawing}
          title={`${shown.axis.title}, ${view === 'row' ? 'in a row' : 'in section'}`}
          selected={told}
          select={(part) => setTold(told === part ? undefined : part)}
        />
        {told !== undefined && shown.sheet.parts[told] && (
          <ToldPart
            bench={bench}
            part={told}
            rides={drawing.parts.some((p) => p.part === told && p.look === 'off')}
            close={() => setTold(undefined)}
          />
        )}
      </figure>
    ) : null,
  };
}
