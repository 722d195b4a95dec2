import type { Minute, Pin, Plan, PlanProblem, Resource } from '@jubb/core/planning';
import type { PlanJobLabel } from '@jubb/contract';
import { memo, useMemo, useRef, useState } from 'react';
import type { WeekAxis } from './week-axis.ts';
import { ALONE, barsOf, FLAG_WIDE, flagsOf, labelIn, runsOf, wordsOf, type Bar } from './week-bars.ts';

/** Units of the drawing: it is as wide as its column. */
export const LANE_LEFT = 122;
export const LANES_WIDTH = 900;
const TALL: Readonly<Record<Resource['kind'], number>> = {
  hands: 62,
  press: 38,
  oven: 38,
  tank: 38,
  stand: 38,
  machine: 38,
};
const HEAD = 44;
const SHELF_LINE = 28;
const MOST_WAITS = 5;
const FLAG_TALL = 20;
/** A drag and a press of an arrow move by this. */
const SNAP_MIN = 5;
const KEY_MIN = 15;

/** The week drawn: a lane for everybody and every tool, solid where hands are on, open where it runs alone. */
export const Lanes = memo(function Lanes({
  problem,
  plan,
  labels,
  axis,
  now,
  late,
  chosen,
  moved,
  choose,
  move,
  drop,
}: {
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
}): React.JSX.Element {
  const svg = useRef<SVGSVGElement>(null);
  const [grip, setGrip] = useState<{ readonly bar: Bar; readonly x: number }>();
  const bars = useMemo(() => barsOf(problem, plan), [problem, plan]);
  const hands = (r: Resource): boolean => r.kind === 'hands';
  const lanes = [...problem.resources.filter(hands), ...problem.resources.filter((r) => !hands(r)), ALONE].filter(
    (r) => hands(r) || bars.some((b) => b.resource === r.id),
  );
  const end = axis.days.at(-1);
  const right = end ? end.x + end.width : LANES_WIDTH;
  const flags = flagsOf(labels, now, end?.to ?? now, axis.x, right);
  const band = Math.max(1, ...flags.map((f) => f.row + 1)) * FLAG_TALL + 8;
  let y = HEAD + band;
  const rows = lanes.map((r) => {
    const row = { r, y, tall: TALL[r.kind] };
    y += row.tall;
    return row;
  });
  const waits = problem.jobs
    .flatMap((job) => {
      const waiting = job.activities.find((a) => a.notBefore !== undefined && a.notBefore > now);
      return waiting ? [{ job, why: waiting.notBeforeWhy ?? '', until: waiting.notBefore! }] : [];
    })
    .sort((a, b) => a.until - b.until)
    .slice(0, MOST_WAITS);
  const shelf = y;
  const tall = y + Math.max(1, waits.length) * SHELF_LINE + 12;
  const pins = new Map(problem.pins.map((p) => [p.activity, p]));
  const unitX = (e: React.PointerEvent): number => {
    const box = svg.current!.getBoundingClientRect();
    return ((e.clientX - box.left) / box.width) * LANES_WIDTH;
  };
  const rowAt = (e: React.PointerEvent): Resource | undefined => {
    const box = svg.current!.getBoundingClientRect();
    const at = ((e.clientY - box.top) / box.height) * tall;
    return rows.find((row) => at >= row.y && at < row.y + row.tall)?.r;
  };
  const pinFor = (bar: Bar, start: Minute, on: Resource): Pin => ({
    activity: bar.activity.id,
    start: Math.max(problem.now, Math.round(start / SNAP_MIN) * SNAP_MIN),
    on: bar.slot.on.map((id) => (id === bar.resource ? on.id : id)),
  });
  const runs = rows.flatMap(({ r, y: top, tall: t }) =>
    runsOf(bars.filter((b) => b.resource === r.id)).flatMap((run) => {
      const x = axis.x(run.from);
      const w = axis.x(run.to) - x;
      return x >= right - 1 || w <= 0 ? [] : [{ run: { ...run, resource: r.id }, x, w, top, t }];
    }),
  );
  const runClass = (run: { readonly attended: boolean; readonly job: string }): string =>
    `planrun ${run.attended ? 'on' : 'alone'} ${late.has(run.job) ? 'late' : ''}`;
  const may = (bar: Bar, to: Resource | undefined): Resource =>
    to && bar.activity.needs.some((n) => n.anyOf.includes(bar.resource) && n.anyOf.includes(to.id))
      ? to
      : (problem.resources.find((r) => r.id === bar.resource) ?? ALONE);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${LANES_WIDTH} ${tall}`}
      className="lanes"
      role="group"
      aria-label="The week, by hands and tools"
      onPointerMove={(e) => {
        if (!grip) return;
        const by = axis.at(axis.x(grip.bar.slot.start) + unitX(e) - grip.x);
        if (Math.abs(unitX(e) - grip.x) > 4) move(pinFor(grip.bar, by, may(grip.bar, rowAt(e))));
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
      {rows.map(({ r, y: top, tall: t }, i) => (
        <g key={r.id}>
          {i % 2 === 0 && <rect x={LANE_LEFT} y={top} width={right - LANE_LEFT} height={t} className="lanebed" />}
          <text x="0" y={top + t / 2 + 5} className="lanename">
            {shortName(r)}
          </text>
          <path d={`M0 ${top + t}H${right}`} className="laneline" />
        </g>
      ))}
      {axis.days.map((d) => (
        <g key={d.name}>
          <path d={`M${d.x} 22V${tall}`} className="dayline" />
          {d.width > 64 && (
            <text x={d.x + 8} y="16" className="dayname">
              {d.name}
            </text>
          )}
          {d.hours.map((h) => (
            <g key={h.label}>
              <path d={`M${h.x} ${HEAD}V${tall}`} className="hourline" />
              <text x={h.x} y="38" textAnchor="middle" className="hourname">
                {h.label}
              </text>
            </g>
          ))}
        </g>
      ))}
      {/* Work of one job in a row is one bar; its pieces lie over it unseen, to be pressed, and its number over them. */}
      {runs.map(({ run, x, w, top, t }) => (
        <g key={`${run.resource}/${run.job}/${run.from}`} className={runClass(run)}>
          <rect x={x} y={top + 8} width={Math.max(2, w)} height={t - 16} />
        </g>
      ))}
      {bars.map((bar) => {
        const row = rows.find((o) => o.r.id === bar.resource);
        if (!row) return null;
        const shown = moved?.activity === bar.activity.id ? moved : undefined;
        const start = shown?.start ?? bar.slot.start;
        const length = bar.slot.end - bar.slot.start;
        const lane = shown ? (rows.find((o) => shown.on?.includes(o.r.id) && o.r.kind === row.r.kind) ?? row) : row;
        const x = axis.x(start);
        // Never over the next one: however short a piece is, a press finds it.
        const w = Math.max(1, axis.x(start + length) - x);
        if (x >= right - 1) return null;
        const { attended, title } = bar.activity;
        const pinned = pins.has(bar.activity.id);
        const words = `${bar.name}: ${title}, ${row.r.title}${pinned ? ', pinned' : ''}${late.has(bar.job) ? ', late' : ''}`;
        return (
          <g
            key={`${bar.activity.id}/${bar.resource}`}
            className={`planbar ${attended ? 'on' : 'alone'} ${late.has(bar.job) ? 'late' : ''} ${chosen === bar.activity.id ? 'chosen' : ''} ${shown ? 'moving' : ''}`}
            tabIndex={0}
            role="button"
            aria-pressed={chosen === bar.activity.id}
            aria-label={words}
            onFocus={() => choose(bar.activity.id)}
            onPointerDown={(e) => {
              choose(bar.activity.id);
              setGrip({ bar, x: unitX(e) });
            }}
            onKeyDown={(e) => {
              const by = e.key === 'ArrowRight' ? KEY_MIN : e.key === 'ArrowLeft' ? -KEY_MIN : 0;
              if (by !== 0) {
                e.preventDefault();
                move(pinFor(bar, start + by, may(bar, lane.r)));
              } else if (e.key === 'Enter' && moved) {
                e.preventDefault();
                drop();
              } else if (e.key === 'Escape') move(undefined);
            }}
          >
            <title>{words}</title>
            <rect x={x} y={lane.y + 8} width={w} height={lane.tall - 16} />
            {shown && (
              <text x={x + 6} y={lane.y + lane.tall / 2 + 5}>
                {bar.name}
              </text>
            )}
            {pinned && <path d={`M${x + w - 9} ${lane.y + 8}h9v9z`} className="pinmark" />}
          </g>
        );
      })}
      {runs.map(({ run, x, w, top, t }) => {
        const middle = top + t / 2;
        const stands = labelIn(w, t - 16, run.name);
        return (
          <g key={`${run.resource}/${run.job}/${run.from}`} className={runClass(run)}>
            {stands === 'along' && (
              <text x={x + 5} y={middle + 5}>
                {run.name}
              </text>
            )}
            {stands === 'upright' && (
              <text transform={`translate(${x + w / 2 + 5} ${middle}) rotate(-90)`} textAnchor="middle">
                {run.name}
              </text>
            )}
          </g>
        );
      })}
      <text x="0" y={shelf + 24} className="lanename">
        Shelf
      </text>
      {waits.map(({ job, why, until }, i) => {
        const at = shelf + i * SHELF_LINE + 24;
        const to = Math.min(right, axis.x(until));
        const words = `${job.name}, ${why}`;
        const { x, beyond } = wordsOf(words, LANE_LEFT, to, right);
        return (
          <g key={job.id}>
            <text x={x} y={beyond ? at + 4 : at - 6} className="waitwords">
              {words}
            </text>
            <path d={`M${LANE_LEFT} ${at}H${to}`} className="waitline" />
            {to < right && <rect x={to - 4} y={at - 7} width="8" height="14" className="waitend" />}
          </g>
        );
      })}
      <text x="0" y={HEAD + 20} className="lanename">
        Promised
      </text>
      <path d={`M0 ${HEAD + band}H${right}`} className="laneline" />
      {flags.map(({ label: l, x: at, column, row }) => {
        const x = at + column * FLAG_WIDE;
        const top = HEAD + 4 + FLAG_TALL * row;
        return (
          <g key={l.id} className={`flag ${late.has(l.id) ? 'late' : ''}`}>
            {column === 0 && <path d={`M${x} ${top}V${HEAD + band}`} />}
            <path d={`M${x} ${top}h34l-6 8l6 8h-34z`} className="cloth" />
            <text x={x + 4} y={top + 13}>
              {l.number}
            </text>
          </g>
        );
      })}
      {axis.days[0] && now >= axis.days[0].from && (
        <g className="nowline">
          <path d={`M${axis.x(now)} 26V${tall}`} />
          <path d={`M${axis.x(now) - 9} 18h18l-9 11z`} className="tip" />
          <title>Now</title>
        </g>
      )}
    </svg>
  );
});

/** "Magnus", "Leak tester": a lane's name has to be read from the bench. */
const shortName = (r: Resource): string => (r.kind === 'hands' ? r.title.split(' ')[0]! : r.title);
