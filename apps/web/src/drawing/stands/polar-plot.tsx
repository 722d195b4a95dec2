import type { BothBearings, Weight } from '@jubb/core/bench';

const R = 86;
const RAD = Math.PI / 180;
/** Angles count on from the mark at the top, against the clock, as the stand counts them. */
const place = (r: number, deg: number): [number, number] => [-r * Math.sin(deg * RAD), -r * Math.cos(deg * RAD)];

/** Vibration at one bearing as vectors from the middle, run by run, and where weight goes in its plane. */
export function PolarPlot({
  bearing,
  runs,
  add,
  places,
}: {
  readonly bearing: 0 | 1;
  readonly runs: readonly { readonly name: string; readonly readings: BothBearings }[];
  readonly add?: Weight;
  /** Places on the rotor where material can go or come off. */
  readonly places?: number;
}): React.JSX.Element {
  const most = Math.max(0.05, ...runs.map((r) => r.readings[bearing].mmS));
  const newest = runs.at(-1)?.readings[bearing];
  const says = `Bearing ${bearing + 1}: ${newest ? `${newest.mmS.toFixed(2)} mm/s at ${newest.phaseDeg.toFixed(0)} degrees` : 'not run yet'}${add ? `; add ${add.massG.toFixed(2)} g at ${add.angleDeg.toFixed(0)} degrees` : ''}`;
  return (
    <figure className="polar">
      <figcaption>
        Plane {bearing + 1}
        {newest && <b> {newest.mmS.toFixed(2)} mm/s</b>}
      </figcaption>
      <svg viewBox="-138 -112 276 224" width="100%" role="img" aria-label={says}>
        {[1, 2 / 3, 1 / 3].map((s) => (
          <circle key={s} r={R * s} className="ring" />
        ))}
        {[0, 90, 180, 270].map((deg) => {
          // Beside the ring they begin where it ends: a weight may lie there.
          const [x, y] = place(R + 12, deg);
          const anchor = Math.abs(x) < 1 ? 'middle' : x > 0 ? 'start' : 'end';
          return (
            <g key={deg}>
              <path d={`M0 0L${place(R, deg).join(' ')}`} className="ring" />
              <text x={x} y={y + 5} textAnchor={anchor}>
                {deg}°
              </text>
            </g>
          );
        })}
        {Array.from({ length: places ?? 0 }, (_, i) => {
          const [x, y] = place(R, (360 / places!) * i);
          return <circle key={i} cx={x} cy={y} r="3" className="hole" />;
        })}
        {runs.map((run, i) => {
          const v = run.readings[bearing];
          const [x, y] = place((R * v.mmS) / most, v.phaseDeg);
          const newestRun = i === runs.length - 1;
          return (
            <g key={run.name} className={newestRun ? 'vector now' : 'vector'}>
              <path d={`M0 0L${x} ${y}`} />
              <circle cx={x} cy={y} r={newestRun ? 6 : 4} />
            </g>
          );
        })}
        {add && add.massG > 0 && (
          <g className="weight">
            <path d={`M0 0L${place(R, add.angleDeg).join(' ')}`} />
            <rect x={place(R, add.angleDeg)[0] - 7} y={place(R, add.angleDeg)[1] - 7} width="14" height="14" />
          </g>
        )}
      </svg>
    </figure>
  );
}
