import { scaleLinear } from 'd3';
import { BRASS, Dim, INK, OXIDE, PALE, Polar, Sheet, SLATE, VERD } from '../../drawing/kit.tsx';
import { figure, sizeOf, written } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';

/** The pinion before the ring gear's axis: the distance wanted, the one measured, and the shim behind its head. */
export function PinionDrawing({ mm, got, shown, inputs }: DrawProps): React.JSX.Element {
  const off = (mm('checking') ?? 0) - (got('wantedDistance') ?? 0);
  const x = 240;
  const push = Math.sign(off) * Math.min(26, 8 + Math.abs(off) * 40) * (off === 0 ? 0 : 1);
  const face = 330 + push;
  return (
    <Sheet h={226} says={`Shim ${shown('shimNeeded')}, a change of ${shown('change')}`}>
      <path d={`M${x} 20V190`} stroke={INK} strokeDasharray="14 5 3 5" />
      <text x={x} y="14" textAnchor="middle">
        axis of the ring gear
      </text>
      <path d={`M${face} 66L${face + 60} 44V156L${face} 134z`} fill="url(#reckon-hatch)" stroke={INK} strokeWidth="2" />
      <rect x={face + 60} y="62" width="12" height="76" fill={BRASS} stroke={INK} strokeWidth="2" />
      <rect x={face + 72} y="70" width="40" height="60" fill={PALE} stroke={INK} strokeWidth="2" />
      <rect x={face + 112} y="84" width="60" height="32" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      <path d="M330 52V200" stroke={VERD} strokeWidth="2" strokeDasharray="7 6" />
      <Dim x1={x} x2={330} y={198} text={`wanted ${shown('wantedDistance')}`} />
      {off !== 0 && <path d={`M${face} 176H330`} stroke={OXIDE} strokeWidth="4" />}
      <text x={face + 66} y="30" textAnchor="middle" fontWeight="740" style={{ fontSize: 22 }}>
        {shown('shimNeeded')}
      </text>
      <text x="20" y="100">
        thicker moves
      </text>
      <text x="20" y="122" fontWeight="700">
        {written(inputs, 'thickerMoves')}
      </text>
    </Sheet>
  );
}

/** The shafts end to end, bent at each joint by its angle (shown larger than it is). */
export function AnglesDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const angles = (Array.isArray(inputs['angles']) ? (inputs['angles'] as unknown[]) : []).map((a) =>
    typeof a === 'object' && a !== null && 'vertical' in a
      ? Math.hypot(figure(a.vertical, 'angle') ?? 0, figure((a as { horizontal?: unknown }).horizontal, 'angle') ?? 0)
      : Math.abs(figure(typeof a === 'number' ? `${a} deg` : a, 'angle') ?? 0),
  );
  const piece = 480 / (angles.length + 1);
  let [x, y, heading] = [40, 120, 0];
  const points: [number, number][] = [[x, y]];
  angles.forEach((a, i) => {
    x += piece * Math.cos((heading * Math.PI) / 180);
    y += piece * Math.sin((heading * Math.PI) / 180);
    points.push([x, y]);
    heading += (i % 2 === 0 ? 1 : -1) * Math.min(28, a * 3);
  });
  points.push([x + piece * Math.cos((heading * Math.PI) / 180), y + piece * Math.sin((heading * Math.PI) / 180)]);
  return (
    <Sheet h={230} says={`Residual angle ${shown('residualAngle')}: ${shown('verdict')}`}>
      <path
        d={points.map(([px, py], i) => `${i ? 'L' : 'M'}${px} ${py}`).join('')}
        fill="none"
        stroke={SLATE}
        strokeWidth="12"
      />
      {points.slice(1, -1).map(([px, py], i) => (
        <g key={i}>
          <circle cx={px} cy={py} r="13" fill={BRASS} stroke={INK} strokeWidth="3" />
          <text x={px} y={py - 24} textAnchor="middle" fontWeight="700">
            {angles[i]!.toFixed(1)}°
          </text>
        </g>
      ))}
      <text x="40" y="212" fontWeight="740" style={{ fontSize: 24 }}>
        {shown('residualAngle')} left over
      </text>
      <text x="548" y="212" textAnchor="end">
        angles drawn three times as large
      </text>
    </Sheet>
  );
}

/** Both pulleys and the belt round them, to scale. */
export function BeltDrawing({ mm, shown, results }: DrawProps): React.JSX.Element {
  const [D, d, C] = [mm('largePulley') ?? 2, mm('smallPulley') ?? 1, mm('centres') ?? 3];
  const k = Math.min(500 / (C + (D + d) / 2), 170 / D);
  const [R, r, c] = [(D / 2) * k, (d / 2) * k, C * k];
  const x0 = 30 + R;
  const y0 = 110;
  const slope = Math.asin(Math.max(-1, Math.min(1, (R - r) / c)));
  const at = (cx: number, radius: number, up: 1 | -1): [number, number] => [
    cx + radius * Math.sin(slope),
    y0 - up * radius * Math.cos(slope),
  ];
  const [a, b] = [at(x0, R, 1), at(x0 + c, r, 1)];
  const [e, g] = [at(x0 + c, r, -1), at(x0, R, -1)];
  return (
    <Sheet h={240} says={`Belt ${shown('length')} long, wrap of the small pulley ${shown('wrap')}`}>
      <circle cx={x0} cy={y0} r={R} fill={PALE} stroke={INK} strokeWidth="2" />
      <circle cx={x0 + c} cy={y0} r={r} fill={PALE} stroke={INK} strokeWidth="2" />
      <path
        d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}A${r} ${r} 0 0 1 ${e[0]} ${e[1]}L${g[0]} ${g[1]}A${R} ${R} 0 1 1 ${a[0]} ${a[1]}`}
        fill="none"
        stroke={BRASS}
        strokeWidth="6"
      />
      <circle cx={x0} cy={y0} r="4" fill={INK} />
      <circle cx={x0 + c} cy={y0} r="4" fill={INK} />
      <text x="20" y="230" fontWeight="740" style={{ fontSize: 22 }}>
        {shown('length')}
      </text>
      <text x="548" y="230" textAnchor="end">
        wrap {shown('wrap')}
        {results['tension'] ? `, tension ${shown('tension')}` : ''}
      </text>
    </Sheet>
  );
}

/** The spring loose, fitted, lifted and with its coils touching, standing beside each other to scale. */
export function SpringDrawing({ mm, shown }: DrawProps): React.JSX.Element {
  const [free, fitted, lift, solid] = [mm('free') ?? 1, mm('installed') ?? 1, mm('lift') ?? 0, mm('solid')];
  const k = 150 / free;
  const states = [
    { name: 'loose', length: free, force: '' },
    { name: 'fitted', length: fitted, force: shown('seatForce') },
    { name: 'lifted', length: fitted - lift, force: shown('openForce') },
    ...(solid === undefined ? [] : [{ name: 'solid', length: solid, force: '' }]),
  ];
  return (
    <Sheet h={246} says={`Fitted ${shown('seatForce')}, lifted ${shown('openForce')}`}>
      <path d="M20 196H548" stroke={INK} strokeWidth="2" />
      {states.map((s, i) => {
        const h = Math.max(4, s.length * k);
        const coil = `l60 ${-h / 12}l-60 ${-h / 12}`.repeat(6);
        return (
          <g key={s.name}>
            <path
              d={`M${50 + i * 130} 196${coil}`}
              fill="none"
              stroke={i === 1 ? BRASS : SLATE}
              strokeWidth="5"
              strokeLinejoin="round"
            />
            <text x={80 + i * 130} y="218" textAnchor="middle" fontWeight="700">
              {s.name}
            </text>
            <text x={80 + i * 130} y="238" textAnchor="middle">
              {s.length} mm
            </text>
            <text x={80 + i * 130} y={Math.max(20, 186 - h)} textAnchor="middle">
              {s.force}
            </text>
          </g>
        );
      })}
    </Sheet>
  );
}

/** The cylinder cut open, bore and rod to scale. */
export function CylinderDrawing({ mm, shown }: DrawProps): React.JSX.Element {
  const [bore, rod] = [mm('bore') ?? 2, mm('rod') ?? 1];
  const k = 110 / bore;
  const [b, r] = [bore * k, rod * k];
  const mid = 100;
  return (
    <Sheet h={216} says={`Pushes ${shown('push')}, pulls ${shown('pull')}`}>
      <rect
        x="60"
        y={mid - b / 2 - 10}
        width="300"
        height={b + 20}
        fill="url(#reckon-hatch)"
        stroke={INK}
        strokeWidth="2"
      />
      <rect x="70" y={mid - b / 2} width="280" height={b} fill="var(--sheet)" stroke={INK} />
      <rect x="190" y={mid - b / 2} width="30" height={b} fill={BRASS} stroke={INK} strokeWidth="2" />
      <rect x="220" y={mid - r / 2} width="240" height={r} fill={PALE} stroke={INK} strokeWidth="2" />
      <path d={`M470 ${mid}h64m-16 -9l16 9l-16 9`} fill="none" stroke={SLATE} strokeWidth="4" />
      <text x="130" y={mid + 6} textAnchor="middle" fontWeight="700">
        {bore}
      </text>
      <text x="400" y={mid + 6} textAnchor="middle" fontWeight="700">
        {rod}
      </text>
      <text x="60" y="204" fontWeight="740" style={{ fontSize: 22 }}>
        pushes {shown('push')}
      </text>
      <text x="534" y="204" textAnchor="end" fontWeight="740" style={{ fontSize: 22 }}>
        pulls {shown('pull')}
      </text>
    </Sheet>
  );
}

/** The vibration before and with the trial, and where the weight goes. */
export function OnePlaneDrawing({ inputs, got, shown }: DrawProps): React.JSX.Element {
  const part = (name: string): Record<string, unknown> => (inputs[name] ?? {}) as Record<string, unknown>;
  const [o, r] = [sizeOf(part('initial')['amplitude']), sizeOf(part('withTrial')['amplitude'])];
  const deg = (typed: unknown): number => figure(typeof typed === 'number' ? `${typed} deg` : typed, 'angle') ?? 0;
  const most = Math.max(o, r, 1e-12);
  return (
    <Sheet h={290} says={`Add ${shown('mass')} at ${shown('angle')}`}>
      <Polar
        cx={140}
        cy={130}
        r={96}
        title="vibration"
        most={most}
        vectors={[
          { length: o, deg: deg(part('initial')['phase']), color: SLATE },
          { length: r, deg: deg(part('withTrial')['phase']), color: OXIDE, dashed: true },
        ]}
      />
      <Polar
        cx={410}
        cy={130}
        r={96}
        title={`add ${shown('mass')} at ${shown('angle')}`}
        most={1}
        vectors={[
          { length: 1, deg: got('angle') ?? 0, color: BRASS },
          { length: 0.6, deg: deg(part('trial')['angle']), color: PALE, dashed: true },
        ]}
      />
    </Sheet>
  );
}

/** The lever of an indicator on its face, at its angle. */
export function IndicatorDrawing({ angle, shown }: DrawProps): React.JSX.Element {
  const phi = ((angle('tipAngle') ?? 0) * Math.PI) / 180;
  const tip = { x: 300, y: 150 };
  const end = { x: tip.x - 190 * Math.cos(phi), y: tip.y - 8 - 190 * Math.sin(phi) * 0.7 };
  const turn = scaleLinear([0, 85], [0, 1])((phi * 180) / Math.PI);
  return (
    <Sheet h={200} says={`Truly ${shown('true')}`}>
      <rect x="60" y="158" width="460" height="26" fill="url(#reckon-hatch)" stroke={INK} strokeWidth="2" />
      <path d={`M${tip.x} ${tip.y}L${end.x} ${end.y}`} stroke={SLATE} strokeWidth="7" strokeLinecap="round" />
      <circle cx={tip.x} cy={tip.y} r="8" fill={BRASS} stroke={INK} strokeWidth="2" />
      <rect x={end.x - 34} y={end.y - 20} width="40" height="40" rx="6" fill={PALE} stroke={INK} strokeWidth="2" />
      <path
        d={`M${tip.x - 90} 150A90 90 0 0 1 ${tip.x - 90 * Math.cos(phi)} ${150 - 90 * Math.sin(phi) * 0.7}`}
        fill="none"
        stroke={turn > 0.12 ? OXIDE : VERD}
        strokeWidth="3"
      />
      <text x="540" y="70" textAnchor="end" fontWeight="740" style={{ fontSize: 30 }}>
        {shown('true')}
      </text>
      <text x="540" y="96" textAnchor="end">
        of what it shows
      </text>
    </Sheet>
  );
}
