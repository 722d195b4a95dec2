import { jobSheet, unitNow } from '@jubb/core/bench';
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

/** What the drawing shows of a move: the axis of what it is about, by itself where that is one of many. */
function axisOf(
  sheet: Sheet,
  about: About | undefined,
): { readonly axis: Axis; readonly about: About | undefined } | undefined {
  const axes = axesOf(sheet);
  const part = about && [...about.parts][0];
  const axis = part === undefined ? undefined : axisWith(axes, part);
  return axis && { axis, about };
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
  const sheet = jobSheet(bench.sheet, bench.state);
  const folded = DRAWS_ITSELF.has(op.kind) || goesHome(bench, op);
  const phone = usePhone();
  const [chosen, setChosen] = useState<{ readonly op: string; readonly view: View }>();
  const [told, setTold] = useState<string>();
  const shown = useMemo(() => axisOf(sheet, aboutOp(sheet, op)), [sheet, op]);
  // A choice stays for the moves that follow, but a panel that draws by itself is not covered by it.
  const view: View = chosen && (chosen.op === op.id || !folded) ? chosen.view : folded ? 'none' : 'section';
  const next: View = view === 'none' ? 'section' : view === 'section' ? 'row' : folded ? 'none' : 'section';
  const turn = (): void => setChosen({ op: op.id, view: next });
  useKeys({ drawing: shown ? turn : undefined });
  const drawing = useMemo(() => {
    if (!shown || view === 'none') return undefined;
    const now = unitNow(bench.sheet, bench.state);
    const off = new Set(partsOfRow(shown.axis.row).filter((p) => now.parts.get(p) === 'off'));
    return unitDrawing(sheet, {
      axis: shown.axis,
      view,
      width: phone ? 360 : 630,
      height: phone ? 210 : 260,
      off,
      ...(shown.about ? { hand: shown.about } : {}),
      ...(shown.about?.indicator ? { indicator: true } : {}),
    });
  }, [bench.sheet, bench.state, sheet, shown, view, phone]);
  if (!shown) return { button: null, figure: null };
  const said = { none: 'Fold the drawing', section: view === 'none' ? 'Draw the unit' : 'In section', row: 'In a row' };
  return {
    button: (
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
        {told !== undefined && sheet.parts[told] && (
          <ToldPart bench={bench} part={told} close={() => setTold(undefined)} />
        )}
      </figure>
    ) : null,
  };
}
