import type { Minute } from '@jubb/core/planning';
import { FLAG_TALL, HEAD, LANE_LEFT, SHELF_LINE, type LanesGeometry } from './lane-geometry.ts';
import type { WeekAxis } from './week-axis.ts';
import { FLAG_WIDE, labelIn, wordsOf } from './week-bars.ts';

/** "Magnus", "Leak tester": a lane's name has to be read from the bench. */
const shortName = (r: { readonly kind: string; readonly title: string }): string =>
  r.kind === 'hands' ? r.title.split(' ')[0]! : r.title;
const runClass = (run: { readonly attended: boolean; readonly job: string }, late: ReadonlySet<string>): string =>
  `planrun ${run.attended ? 'on' : 'alone'} ${late.has(run.job) ? 'late' : ''}`;

/** The lanes, each with its name. */
export function LaneBeds({ rows, right }: LanesGeometry): React.JSX.Element {
  return (
    <>
      {rows.map(({ r, y: top, tall: t }, i) => (
        <g key={r.id}>
          {i % 2 === 0 && <rect x={LANE_LEFT} y={top} width={right - LANE_LEFT} height={t} className="lanebed" />}
          <text x="0" y={top + t / 2 + 5} className="lanename">
            {shortName(r)}
          </text>
          <path d={`M0 ${top + t}H${right}`} className="laneline" />
        </g>
      ))}
    </>
  );
}

/** Days and hours across all lanes. */
export function DayLines({ axis, tall }: { readonly axis: WeekAxis; readonly tall: number }): React.JSX.Element {
  return (
    <>
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
    </>
  );
}

/** Work of one job in a row is one bar. */
export function Runs({ runs, late }: LanesGeometry & { readonly late: ReadonlySet<string> }): React.JSX.Element {
  return (
    <>
      {runs.map(({ run, x, w, top, tall }) => (
        <g key={`${run.resource}/${run.job}/${run.from}/${top}`} className={runClass(run, late)}>
          <rect x={x} y={top} width={Math.max(2, w)} height={tall} />
        </g>
      ))}
    </>
  );
}

/** The number of the job over its bar: along it, upright where it is narrow, never cut. */
export function RunNames({ runs, late }: LanesGeometry & { readonly late: ReadonlySet<string> }): React.JSX.Element {
  return (
    <>
      {runs.map(({ run, x, w, top, tall }) => {
        const middle = top + tall / 2;
        const stands = labelIn(w, tall, run.name);
        return (
          <g key={`${run.resource}/${run.job}/${run.from}/${top}`} className={runClass(run, late)}>
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
    </>
  );
}

/** What waits on the shelf, and until when. */
export function Shelf({ waits, shelf, right, axis }: LanesGeometry & { readonly axis: WeekAxis }): React.JSX.Element {
  return (
    <>
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
    </>
  );
}

/** The promises, each a flag at its day. */
export function Promises({
  flags,
  band,
  right,
  late,
}: LanesGeometry & { readonly late: ReadonlySet<string> }): React.JSX.Element {
  return (
    <>
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
    </>
  );
}

export function NowLine({
  axis,
  now,
  tall,
}: {
  readonly axis: WeekAxis;
  readonly now: Minute;
  readonly tall: number;
}): React.JSX.Element | null {
  if (!axis.days[0] || now < axis.days[0].from) return null;
  return (
    <g className="nowline">
      <path d={`M${axis.x(now)} 26V${tall}`} />
      <path d={`M${axis.x(now) - 9} 18h18l-9 11z`} className="tip" />
      <title>Now</title>
    </g>
  );
}
