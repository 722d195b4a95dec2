import { placesLeft } from '@jubb/core/bench';
import { directionsOf, type UnitDrawing } from '@jubb/core/shape';
import type { Op } from '@jubb/core/sheet';
import { useMemo, useRef, useState, type RefObject } from 'react';
import { UnitDrawingView } from '../../drawing/unit/unit-drawing.tsx';
import { useKeys } from '../../frame/keys.ts';
import { usePhone } from '../../frame/narrow.ts';
import { goesHome } from '../panels/fitting/home-panel.tsx';
import type { Bench } from '../use-bench.ts';
import { DirectionsView } from './directions-view.tsx';
import { drawnFor, shownOf, type Shown } from './drawn-for.ts';
import { useRoomLeft } from './room-left.ts';
import { ToldPart } from './told-part.tsx';

/** Folded, small in the room that a panel leaves free, or whole: in section or in a row. */
type View = 'none' | 'place' | 'section' | 'row';

/** Panels that have a drawing or a table of their own: under them the unit is small, where there is room. */
const DRAWS_ITSELF: ReadonlySet<Op['kind']> = new Set([
  'tighten', 'set', 'read', 'measure', 'test', 'stack', 'restack', 'identify', 'count', 'cause', 'choose', 'judge', 'heat',
]); // prettier-ignore

/** Less than this is not worth looking at, more is not needed for a place, px. */
const LEAST = 50;
const MOST = 200;
/** Of the column of the move, px. */
const WIDTH = 630;

/** A setting, and a joint of one fastener, show their place in their panels. */
const showsItsPlace = (bench: Bench, op: Op): boolean =>
  op.kind === 'set' || (op.kind === 'tighten' && bench.sheet.joints[op.joint]?.count === 1);

/**
 * The unit as it stands, drawn: what the move is about in brass. `x` goes from section to row; under a panel that has a
 * drawing of its own it shows the place alone, as large as there is room, and whole when it is asked for.
 * @returns the button that turns it, for the head of the move, the drawing, and what to anchor in the move's column
 */
export function useUnitView(
  bench: Bench,
  op: Op,
): {
  readonly button: React.JSX.Element | null;
  readonly figure: React.JSX.Element | null;
  readonly anchor: RefObject<HTMLDivElement | null>;
} {
  const beside = DRAWS_ITSELF.has(op.kind) || goesHome(bench, op);
  const phone = usePhone();
  const anchor = useRef<HTMLDivElement>(null);
  const [chosen, setChosen] = useState<{ readonly op: string; readonly view: View }>();
  const [told, setTold] = useState<string>();
  const shown = useMemo(() => shownOf(bench, op), [bench, op]);
  const room = Math.min(
    MOST,
    useRoomLeft(anchor, shown !== undefined && beside && !phone && !showsItsPlace(bench, op)),
  );
  const folded: View = room >= LEAST ? 'place' : 'none';
  // A choice stays for the moves that follow, but a panel that draws by itself is not covered by it.
  const kept = chosen && (chosen.op === op.id || !beside) ? chosen.view : undefined;
  const whole = kept === 'section' || kept === 'row' ? kept : undefined;
  const view: View = whole ?? (beside ? folded : 'section');
  const last = shown?.axis.apart ? 'section' : 'row';
  const isFolded = view === 'none' || view === 'place';
  const next: View = isFolded ? 'section' : view !== last ? 'row' : beside ? 'none' : 'section';
  const turns = shown !== undefined && next !== view;
  const turn = (): void => setChosen({ op: op.id, view: next });
  useKeys({ drawing: turns ? turn : undefined });
  const measure = op.kind === 'measure' ? bench.sheet.measures[op.measure] : undefined;
  const directions = useMemo(() => (measure ? directionsOf(measure.at) : []), [measure]);
  const drawing = useMemo(() => {
    if (!shown || view === 'none') return undefined;
    if (view === 'place')
      return drawnFor(bench, shown, {
        view: 'section',
        width: directions.length > 0 ? WIDTH - room - 14 : WIDTH,
        height: room,
        small: true,
      });
    return drawnFor(bench, shown, { view, width: phone ? 360 : WIDTH, height: phone ? 210 : 260 });
  }, [bench, shown, view, phone, room, directions]);
  if (!shown) return { button: null, figure: null, anchor };
  const said = {
    none: 'Fold the drawing',
    place: '',
    section: isFolded ? 'Draw the unit' : 'In section',
    row: 'In a row',
  };
  return {
    anchor,
    button: !turns ? null : (
      <button type="button" className="unitturn" onClick={turn}>
        {said[next]} <kbd>x</kbd>
      </button>
    ),
    figure: drawing ? (
      <Figure
        bench={bench}
        shown={shown}
        drawing={drawing}
        view={view}
        directions={
          measure && directions.length > 0 ? (
            <DirectionsView directions={directions} next={placesLeft(measure, bench.state)[0]} />
          ) : null
        }
        told={view === 'place' ? undefined : told}
        tell={view === 'place' ? undefined : (part) => setTold(told === part ? undefined : part)}
      />
    ) : null,
  };
}

function Figure({
  bench,
  shown,
  drawing,
  view,
  directions,
  told,
  tell,
}: {
  readonly bench: Bench;
  readonly shown: Shown;
  readonly drawing: UnitDrawing;
  readonly view: View;
  readonly directions: React.JSX.Element | null;
  readonly told: string | undefined;
  readonly tell: ((part: string) => void) | undefined;
}): React.JSX.Element {
  return (
    <figure
      style={view === 'place' ? { height: drawing.height } : undefined}
      className={view === 'place' ? 'unitview place' : 'unitview'}
      aria-label={view === 'place' ? 'Where on the unit' : 'The unit, drawn'}
    >
      <UnitDrawingView
        drawing={drawing}
        title={`${shown.axis.title}, ${view === 'row' ? 'in a row' : 'in section'}`}
        selected={told}
        {...(tell ? { select: tell } : {})}
      />
      {directions}
      {told !== undefined && tell && shown.sheet.parts[told] && (
        <ToldPart
          bench={bench}
          part={told}
          rides={drawing.parts.some((p) => p.part === told && p.look === 'off')}
          close={() => tell(told)}
        />
      )}
    </figure>
  );
}
