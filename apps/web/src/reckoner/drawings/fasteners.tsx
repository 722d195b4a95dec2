import { saneShares } from '@jubb/core/reckoners';
import { scaleLinear } from 'd3';
import { BRASS, Dim, INK, PALE, Sheet } from '../../drawing/kit.tsx';
import type { DrawProps } from './draw-props.ts';

/** The fasteners where they sit, each with its turn in the order. */
export function OrderDrawing({ inputs, results }: DrawProps): React.JSX.Element {
  const order = results['order'] as readonly number[];
  const count = order.length;
  const places: readonly (readonly [number, number])[] =
    inputs['pattern'] === 'circle'
      ? order.map((_, i) => [Math.sin((2 * Math.PI * i) / count), -Math.cos((2 * Math.PI * i) / count)] as const)
      : inputs['pattern'] === 'rectangle'
        ? order.map((_, i) => [i % Number(inputs['columns']), Math.floor(i / Number(inputs['columns']))] as const)
        : (inputs['points'] as readonly (readonly [number, number])[]).map(([x, y]) => [Number(x), Number(y)] as const);
  const fit = (i: 0 | 1, room: number, from: number): ((v: number) => number) => {
    const [lo, hi] = [Math.min(...places.map((p) => p[i])), Math.max(...places.map((p) => p[i]))];
    return (v) => from + (hi === lo ? room / 2 : ((v - lo) / (hi - lo)) * room);
  };
  const x = fit(0, inputs['pattern'] === 'circle' ? 210 : 400, inputs['pattern'] === 'circle' ? 175 : 80);
  const y = fit(1, 210, 30);
  const small = count > 24;
  return (
    <Sheet h={270} says={`Pull in the order ${order.join(', ')}`}>
      <path
        d={order.map((b, i) => `${i ? 'L' : 'M'}${x(places[b - 1]![0])} ${y(places[b - 1]![1])}`).join('')}
        fill="none"
        stroke={BRASS}
        strokeWidth="2"
        strokeDasharray="2 6"
        strokeLinecap="round"
      />
      {places.map(([px, py], i) => (
        <g key={i}>
          <circle
            cx={x(px)}
            cy={y(py)}
            r={small ? 10 : 19}
            fill={order[0] === i + 1 ? BRASS : 'var(--sheet)'}
            stroke={INK}
            strokeWidth="2"
          />
          {!small && (
            <text x={x(px)} y={y(py) + 7} textAnchor="middle" fontWeight="740" style={{ fontSize: 20 }}>
              {order.indexOf(i + 1) + 1}
            </text>
          )}
        </g>
      ))}
    </Sheet>
  );
}

/** The wrench with its extension, lever arms to scale. */
export function WrenchDrawing({ mm, results, angle, shown }: DrawProps): React.JSX.Element {
  const L = mm('wrenchLength') ?? 400;
  const E = mm('extension') ?? 0;
  const phi = ((angle('extensionAngle') ?? 0) * Math.PI) / 180;
  const k = 400 / (L + E);
  const drive = { x: 40 + L * k, y: 130 };
  const end = { x: drive.x + E * k * Math.cos(phi), y: drive.y - E * k * Math.sin(phi) };
  return (
    <Sheet h={220} says={`Set the wrench to ${shown('setting')}`}>
      <rect x="30" y="119" width="110" height="22" fill={PALE} stroke={INK} strokeWidth="2" />
      <path d={`M140 130H${drive.x}`} stroke={INK} strokeWidth="10" />
      <path d={`M${drive.x} ${drive.y}L${end.x} ${end.y}`} stroke={BRASS} strokeWidth="10" strokeLinecap="round" />
      <circle cx={drive.x} cy={drive.y} r="12" fill="var(--sheet)" stroke={INK} strokeWidth="3" />
      <circle cx={end.x} cy={end.y} r="14" fill={BRASS} stroke={INK} strokeWidth="3" />
      <Dim x1={40 + 45} x2={drive.x} y={180} text={`L ${L} mm`} />
      {E > 0 && (
        <text x={end.x} y={end.y - 24} textAnchor="middle">
          E {E} mm
        </text>
      )}
      <text x="40" y="60" fontWeight="740" style={{ fontSize: 34 }}>
        {shown('setting')}
      </text>
      <text x="40" y="84">
        on the scale{results['roundingError'] ? ', to the nearest graduation' : ''}
      </text>
    </Sheet>
  );
}

/** Where a torque stands between nothing and past yield. */
export function ShareDrawing({ got, shown }: DrawProps): React.JSX.Element {
  const share = got('percentOfYield') ?? 0;
  const [low, high] = [saneShares.low * 100, saneShares.high * 100];
  const x = scaleLinear([0, Math.max(130, share * 1.1)], [20, 540]);
  const zone = (from: number, to: number, fill: string, name: string): React.JSX.Element => (
    <g key={name}>
      <rect x={x(from)} y="60" width={x(to) - x(from)} height="34" fill={fill} stroke={INK} />
      <text x={(x(from) + x(to)) / 2} y="118" textAnchor="middle">
        {x(to) - x(from) > 40 ? name : ''}
      </text>
    </g>
  );
  return (
    <Sheet h={130} says={`${shown('percentOfYield')} of the torque at yield: ${shown('verdict').replace('-', ' ')}`}>
      {zone(0, low, PALE, 'low')}
      {zone(low, high, 'var(--verdwash)', 'plausible')}
      {zone(high, 100, 'var(--brasswash)', 'high')}
      {zone(100, Math.max(130, share * 1.1), 'var(--oxidewash)', 'past yield')}
      <path d={`M${x(share)} 60l-10-18h20z`} fill={INK} />
      <text
        x={Math.min(480, Math.max(60, x(share)))}
        y="32"
        textAnchor="middle"
        fontWeight="740"
        style={{ fontSize: 20 }}
      >
        {shown('percentOfYield')}
      </text>
    </Sheet>
  );
}
