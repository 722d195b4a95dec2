import { BRASS, INK, OXIDE, PALE, Plot, Sheet } from '../../drawing/kit.tsx';
import { figure, written } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';
import { rowsOf } from './rows.ts';

/** Play against the place of the cone: the tries, the target and where to go next. */
export function ConeDrawing({ inputs, got, mm, shown }: DrawProps): React.JSX.Element {
  const tries = rowsOf(inputs['tries']).map(
    (t) => [figure(t['coneTurn'], 'angle') ?? 0, figure(t['playAfterLock'], 'length') ?? 0] as const,
  );
  const target = mm('target') ?? 0;
  const next = got('nextConeTurn') ?? 0;
  const last = tries.at(-1) ?? ([0, 0] as const);
  return (
    <Plot
      says={`Set the cone at ${shown('nextConeTurn')}`}
      x="cone, degrees"
      y="play after locking, mm"
      zero
      series={[
        { name: 'tries', points: [...tries], dots: true },
        { name: 'next', points: [last, [next, target]], color: BRASS, dashed: true, dots: true },
      ]}
    />
  );
}

/** The cord on the hub. */
export function DragDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  return (
    <Sheet h={220} says={`Rolling drag ${shown('dragTorque')}`}>
      <circle cx="180" cy="120" r="84" fill="url(#reckon-hatch)" stroke={INK} strokeWidth="3" />
      <circle cx="180" cy="120" r="30" fill="var(--sheet)" stroke={INK} strokeWidth="3" />
      <path d="M180 120V36" stroke={INK} strokeWidth="1.5" strokeDasharray="5 5" />
      <path d="M180 36H420M420 36l-14-8v16z" stroke={BRASS} strokeWidth="5" fill={BRASS} />
      <text x="190" y="84">
        {written(inputs, 'radius')}
      </text>
      <text x="430" y="42" fontWeight="700">
        {written(inputs, 'pull')}
      </text>
      <path d="M268 150A92 92 0 0 1 216 206" fill="none" stroke={INK} strokeWidth="3" />
      <text x="330" y="150" fontWeight="740" style={{ fontSize: 30 }}>
        {shown('dragTorque')}
      </text>
    </Sheet>
  );
}

/** The balls laid round the race. */
export function BallsDrawing({ inputs, mm, got, shown }: DrawProps): React.JSX.Element {
  const D = mm('pitchDiameter') ?? 1;
  const d = mm('ballDiameter') ?? 1;
  const most = got('mostThatFit') ?? 0;
  const count = Math.min(Number(inputs['count'] ?? most), 200);
  const k = 84 / (D / 2);
  const each = Math.asin(Math.min(1, d / D)) * 2;
  return (
    <Sheet h={250} says={`${shown('mostThatFit')} balls fit; gap ${shown('gap')}`}>
      <circle cx="280" cy="125" r={84} fill="none" stroke={PALE} strokeWidth={Math.max(2, d * k)} />
      {Array.from({ length: count }, (_, i) => (
        <circle
          key={i}
          cx={280 + 84 * Math.sin(i * each)}
          cy={125 - 84 * Math.cos(i * each)}
          r={(d * k) / 2}
          fill={i < most ? BRASS : 'var(--oxidewash)'}
          stroke={i < most ? INK : OXIDE}
          strokeWidth="1.5"
        />
      ))}
      <text x="280" y="131" textAnchor="middle" fontWeight="740" style={{ fontSize: 24 }}>
        {count}
      </text>
    </Sheet>
  );
}
