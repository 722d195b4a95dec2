import { line, scaleLinear } from 'd3';

/** Readings at one depth of a bore, mm; undefined while they are not taken. */
export interface BoreDepth {
  readonly across: number | undefined;
  readonly along: number | undefined;
  /** This depth is read next. */
  readonly now: boolean;
}

const W = 190;
const H = 170;
const TOP = 22;
const BOTTOM = H - 14;
/** Where the walls stand when the bore is new, and how far worn out lies from there, px. */
const HALF = 48;
const WORN = 26;
/** What a bore without limits is drawn against: hundredths show, mm. */
const SPAN_MM = 0.1;

/**
 * A bore in section, its wear drawn large: each depth as a line from wall to wall, the left wall by the reading across,
 * the right by the one along. The broken line is where it is worn out.
 */
export function BoreSection({
  depths,
  limit,
  fresh,
}: {
  readonly depths: readonly BoreDepth[];
  readonly limit: number | undefined;
  readonly fresh: number | undefined;
}): React.JSX.Element {
  const read = depths.flatMap((d) => [d.across, d.along]).filter((x) => x !== undefined);
  const from = fresh ?? Math.min(limit ?? Infinity, ...read);
  const to = limit ?? from + SPAN_MM;
  const out = scaleLinear().domain([from, to]).range([0, WORN]).clamp(false);
  const y = (i: number): number => TOP + ((i + 0.5) * (BOTTOM - TOP)) / depths.length;
  const x = (mm: number | undefined, side: -1 | 1): number =>
    W / 2 + side * (HALF + Math.max(-WORN / 2, Math.min(1.6 * WORN, mm === undefined ? 0 : out(mm))));
  const wall = (side: -1 | 1): string => {
    const points = depths.map((d, i): [number, number] => [x(side < 0 ? d.across : d.along, side), y(i)]);
    const all: [number, number][] = [[points[0]?.[0] ?? 0, TOP], ...points, [points.at(-1)?.[0] ?? 0, BOTTOM]];
    return `${line()(all) ?? ''} L${W / 2 + side * (W / 2 - 4)},${BOTTOM} V${TOP} Z`;
  };
  const worn = [-1, 1].map((side) => W / 2 + side * (HALF + WORN));
  return (
    <svg
      className="bore"
      viewBox={`0 0 ${W} ${H}`}
      width={W}
      height={H}
      role="img"
      aria-label={`Bore in section, ${read.length} of ${2 * depths.length} readings drawn`}
    >
      <path d={wall(-1)} className="metal" />
      <path d={wall(1)} className="metal" />
      {limit !== undefined && worn.map((at) => <line key={at} x1={at} x2={at} y1={TOP} y2={BOTTOM} className="worn" />)}
      <text x={W / 2} y={14} textAnchor="middle">
        across | along
      </text>
      {depths.map((d, i) => (
        <g key={i} className={d.now ? 'now' : ''}>
          <line x1={x(d.across, -1)} x2={x(d.along, 1)} y1={y(i)} y2={y(i)} className={d.now ? 'depth now' : 'depth'} />
          {d.across !== undefined && <circle cx={x(d.across, -1)} cy={y(i)} r={4} />}
          {d.along !== undefined && <circle cx={x(d.along, 1)} cy={y(i)} r={4} />}
        </g>
      ))}
    </svg>
  );
}
