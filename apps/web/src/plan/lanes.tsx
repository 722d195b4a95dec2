import type { PlanJobLabel } from '@jubb/contract';
import type { Minute, Pin, Plan, PlanProblem, Resource } from '@jubb/core/planning';
import { memo, useMemo, useRef, useState } from 'react';
import { DayLines, LaneBeds, NowLine, Promises, RunNames, Runs, Shelf } from './lane-drawing.tsx';
import { LANES_WIDTH, lanesGeometry, stripe, type LanesGeometry, type Row } from './lane-geometry.ts';
import type { WeekAxis } from './week-axis.ts';
import { ALONE, type Bar } from './week-bars.ts';

/** A drag and a press of an arrow move by this. */
const SNAP_MIN = 5;
const KEY_MIN = 15;
/** Less than this under the hand is a press, no drag. */
const DRAG_UNITS = 4;

interface LanesProps {
  readonly problem: PlanProblem;
  readonly plan: Plan;
  readonly labels: readonly PlanJobLabel[];
  readonly axis: WeekAxis;
  readonly now: Minute;
  readonly late: ReadonlySet<string>;
  readonly chosen: string | undefined;
  /** Where the chosen one is about to be put. */
  readonly moved: Pin | undefined;
  readonly choose: (activity: string | undefined) => void;
  readonly move: (pin: Pin | undefined) => void;
  readonly drop: () => void;
}

/** The week drawn: a lane for everybody and every tool, solid where hands are on, open where it runs alone. */
export const Lanes = memo(function Lanes(props: LanesProps): React.JSX.Element {
  const { problem, plan, labels, axis, now, late, moved, choose, move, drop } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [grip, setGrip] = useState<{ readonly bar: Bar; readonly x: number }>();
  const g = useMemo(() => lanesGeometry(problem, plan, labels, axis, now), [problem, plan, labels, axis, now]);
  const pinned = new Set(problem.pins.map((p) => p.activity));
  const unitX = (e: React.PointerEvent): number => {
    const box = svg.current!.getBoundingClientRect();
    return ((e.clientX - box.left) / box.width) * LANES_WIDTH;
  };
  const laneAt = (e: React.PointerEvent): Resource | undefined => {
    const box = svg.current!.getBoundingClientRect();
    const at = ((e.clientY - box.top) / box.height) * g.tall;
    return g.rows.find((row) => at >= row.y && at < row.y + row.tall)?.r;
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${LANES_WIDTH} ${g.tall}`}
      className="lanes"
      role="group"
      aria-label="The week, by hands and tools"
      onPointerMove={(e) => {
        if (!grip || Math.abs(unitX(e) - grip.x) <= DRAG_UNITS) return;
        const by = axis.at(axis.x(grip.bar.slot.start) + unitX(e) - grip.x);
        move(pinFor(problem, grip.bar, by, laneFor(problem, grip.bar, laneAt(e))));
      }}
      onPointerUp={() => {
        if (grip && moved) drop();
        setGrip(undefined);
      }}
      onPointerLeave={() => {
        if (grip) move(undefined);
        setGrip(undefined);
      }}
    >
      <LaneBeds {...g} />
      <DayLines axis={axis} tall={g.tall} />
      {/* The pieces of a run lie over its bar unseen, to be pressed, and its number over them. */}
      <Runs {...g} late={late} />
      {g.bars.map((bar) => (
        <Piece
          key={`${bar.activity.id}/${bar.resource}`}
          {...props}
          bar={bar}
          g={g}
          pinned={pinned.has(bar.activity.id)}
          grip={(e) => {
            choose(bar.activity.id);
            setGrip({ bar, x: unitX(e) });
          }}
        />
      ))}
      <RunNames {...g} late={late} />
      <Shelf {...g} axis={axis} />
      <Promises {...g} late={late} />
      <NowLine axis={axis} now={now} tall={g.tall} />
    </svg>
  );
});

/** Where a piece stands once it is put at a time in a lane: in whole steps, and never before now. */
function pinFor(problem: PlanProblem, bar: Bar, start: Minute, on: Resource): Pin {
  return {
    activity: bar.activity.id,
    start: Math.max(problem.now, Math.round(start / SNAP_MIN) * SNAP_MIN),
    on: bar.slot.on.map((id) => (id === bar.resource ? on.id : id)),
  };
}

/** The lane that a piece may be put into: the one under the hand where its need allows that, else its own. */
function laneFor(problem: PlanProblem, bar: Bar, to: Resource | undefined): Resource {
  return to && bar.activity.needs.some((n) => n.anyOf.includes(bar.resource) && n.anyOf.includes(to.id))
    ? to
    : (problem.resources.find((r) => r.id === bar.resource) ?? ALONE);
}

/** One piece of work: chosen by a press, moved by a drag or the arrows. */
function Piece({
  bar,
  g: { rows, right },
  pinned,
  grip,
  problem,
  axis,
  late,
  chosen,
  moved,
  choose,
  move,
  drop,
}: LanesProps & {
  readonly bar: Bar;
  readonly g: LanesGeometry;
  readonly pinned: boolean;
  readonly grip: (e: React.PointerEvent) => void;
}): React.JSX.Element | null {
  const row = rows.find((o) => o.r.id === bar.resource);
  if (!row) return null;
  const { id, attended, title } = bar.activity;
  const shown = moved?.activity === id ? moved : undefined;
  const start = shown?.start ?? bar.slot.start;
  const lane: Row = shown ? (rows.find((o) => shown.on?.includes(o.r.id) && o.r.kind === row.r.kind) ?? row) : row;
  const { top, tall } = stripe(
    lane,
    lane === row ? row.rows.findIndex((inRow) => inRow.some((b) => b.activity.id === id)) : undefined,
  );
  const x = axis.x(start);
  // Never over the next one: however short a piece is, a press finds it.
  const w = Math.max(1, axis.x(start + bar.slot.end - bar.slot.start) - x);
  if (x >= right - 1) return null;
  const isLate = late.has(bar.job);
  const words = `${bar.name}: ${title}, ${row.r.title}${pinned ? ', pinned' : ''}${isLate ? ', late' : ''}`;
  return (
    <g
      className={`planbar ${attended ? 'on' : 'alone'} ${isLate ? 'late' : ''} ${chosen === id ? 'chosen' : ''} ${shown ? 'moving' : ''}`}
      tabIndex={0}
      role="button"
      aria-pressed={chosen === id}
      aria-label={words}
      onFocus={() => choose(id)}
      onPointerDown={grip}
      onKeyDown={(e) => {
        const by = e.key === 'ArrowRight' ? KEY_MIN : e.key === 'ArrowLeft' ? -KEY_MIN : 0;
        if (by !== 0) {
          e.preventDefault();
          move(pinFor(problem, bar, start + by, laneFor(problem, bar, lane.r)));
        } else if (e.key === 'Enter' && moved) {
          e.preventDefault();
          drop();
        } else if (e.key === 'Escape') move(undefined);
      }}
    >
      <title>{words}</title>
      <rect x={x} y={top} width={w} height={tall} />
      {shown && (
        <text x={x + 6} y={top + tall / 2 + 5}>
          {bar.name}
        </text>
      )}
      {pinned && <path d={`M${x + w - 9} ${top}h9v9z`} className="pinmark" />}
    </g>
  );
}
