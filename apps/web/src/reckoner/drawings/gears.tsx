import type { DrawProps } from './draw-props.ts';
import { BRASS, INK, PALE, Sheet } from '../../drawing/kit.tsx';

const toothed = (cx: number, cy: number, r: number, teeth: number, turn = 0): string => {
  const n = Math.min(teeth, 90);
  const points: string[] = [];
  for (let i = 0; i < n * 4; i += 1) {
    const a = turn + (2 * Math.PI * i) / (n * 4);
    const radius = i % 4 < 2 ? r + 5 : r - 5;
    points.push(`${(cx + radius * Math.cos(a)).toFixed(1)},${(cy + radius * Math.sin(a)).toFixed(1)}`);
  }
  return points.join(' ');
};

/** The pair, wheels to the scale of their teeth. */
export function PairDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const first = (inputs['train'] as readonly (readonly number[])[] | undefined)?.[0];
  const a = Number(inputs['driver'] ?? inputs['pinionTeeth'] ?? first?.[0] ?? 10);
  const b = Number(inputs['driven'] ?? inputs['gearTeeth'] ?? first?.[1] ?? 40);
  const k = 200 / (Math.max(a, b) * 2);
  const [ra, rb] = [Math.max(12, a * k), Math.max(12, b * k)];
  const xa = 60 + ra;
  const xb = xa + ra + rb;
  return (
    <Sheet h={240} says={`${a} teeth drive ${b}: ${shown('ratio') || shown('perMove')}`}>
      <polygon points={toothed(xa, 120, ra, a)} fill={BRASS} stroke={INK} strokeWidth="1.5" />
      <polygon points={toothed(xb, 120, rb, b, Math.PI / b)} fill={PALE} stroke={INK} strokeWidth="1.5" />
      {[xa, xb].map((x) => (
        <circle key={x} cx={x} cy="120" r="6" fill={INK} />
      ))}
      <text x={xa} y={120 - ra - 12} textAnchor="middle" fontWeight="700">
        {a}
      </text>
      <text x={xb} y="150" textAnchor="middle" fontWeight="700">
        {b}
      </text>
    </Sheet>
  );
}

/** A tooth of the gear with the marking on each flank, and what it asks for. */
export function PatternDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const flank = (name: 'drive' | 'coast', x: number): React.JSX.Element | null => {
    const f = inputs[name] as { lengthwise?: string; profile?: string } | undefined;
    if (!f) return null;
    const px = x + { toe: 45, centre: 110, heel: 175 }[f.lengthwise ?? 'centre']!;
    const py = { top: 78, centre: 112, root: 146 }[f.profile ?? 'centre']!;
    return (
      <g key={name}>
        <path d={`M${x} 80L${x + 220} 56V168L${x} 156Z`} fill={PALE} stroke={INK} strokeWidth="2" />
        <ellipse
          cx={px}
          cy={py}
          rx="42"
          ry="17"
          fill={BRASS}
          stroke={INK}
          strokeWidth="2"
          transform={`rotate(-5 ${px} ${py})`}
        />
        <text x={x} y="190">
          toe
        </text>
        <text x={x + 220} y="190" textAnchor="end">
          heel
        </text>
        <text x={x + 110} y="40" textAnchor="middle" fontWeight="700">
          {name}
        </text>
      </g>
    );
  };
  return (
    <Sheet h={236} says={`${shown('move').replace('-', ' ')}: ${shown('reason')}`}>
      {flank('drive', 40)}
      {flank('coast', 310)}
      <text x="40" y="224" fontWeight="740" style={{ fontSize: 20 }}>
        {shown('move') === 'none' ? 'Leave it' : `Move: ${shown('move').replace('-', ' ')}`}
      </text>
    </Sheet>
  );
}
