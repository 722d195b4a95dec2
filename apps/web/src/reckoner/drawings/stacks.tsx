import { PackSection } from '../../drawing/pack-section.tsx';
import { figure } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';
import { BRASS, INK, Sheet } from '../../drawing/kit.tsx';

/** The pack between its bearings. */
export function PackDrawing({ results, got }: DrawProps): React.JSX.Element {
  const stacks = results['stacks'] as
    readonly { pieces: readonly { value: number }[]; total: { value: number } }[] | undefined;
  const nearest = results['nearestUnder'] as
    { pieces: readonly { value: number }[]; total: { value: number } } | undefined;
  const best = stacks?.[0] ?? nearest;
  const needed = got('shimNeeded');
  const pieces = best ? best.pieces.map((p) => p.value) : needed === undefined ? [] : [needed];
  const total = best?.total.value ?? needed ?? 0;
  return <PackSection pieces={pieces} pack={`${Math.round(total * 1000) / 1000} mm`} />;
}

/** The plates in their housing, to scale. */
export function PlateDrawing({ inputs, got, shown }: DrawProps): React.JSX.Element {
  const plates = (inputs['plates'] as readonly { kind: string; thicknesses: readonly string[] }[]) ?? [];
  const thick = plates.map((p) => {
    const values = p.thicknesses.map((t) => figure(t, 'length')).filter((t) => t !== undefined);
    return values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
  });
  const choose = got('choose') ?? 0;
  const clearance = Math.max(0, got('clearance') ?? 0);
  const total = thick.reduce((a, b) => a + b, 0) + choose + clearance;
  const k = 420 / Math.max(total, 1e-6);
  let x = 70;
  const slice = (t: number, fill: string, h: number, key: string): React.JSX.Element => {
    const at = x;
    x += t * k;
    return (
      <rect
        key={key}
        x={at}
        y={120 - h / 2}
        width={Math.max(1, t * k)}
        height={h}
        fill={fill}
        stroke={INK}
        strokeWidth="1.5"
      />
    );
  };
  return (
    <Sheet h={240} says={`Clearance ${shown('clearance')}${choose ? ` with the plate of ${shown('choose')}` : ''}`}>
      <path d="M70 20H60V220H70M490 20H500V220H490" fill="none" stroke={INK} strokeWidth="4" />
      {thick.map((t, i) =>
        slice(
          t,
          plates[i]!.kind === 'steel' ? 'var(--line)' : '#b98f5a',
          plates[i]!.kind === 'steel' ? 176 : 150,
          `p${i}`,
        ),
      )}
      {choose > 0 && slice(choose, BRASS, 190, 'choose')}
      <text x="70" y="236">
        grey steel, brown friction{choose > 0 ? ', brass the one to fit' : ''}; clearance {shown('clearance')}
      </text>
    </Sheet>
  );
}

/** Nut and holes: the positions that lock. */
export function NutDrawing({ inputs, results, angle }: DrawProps): React.JSX.Element {
  const slots = Number(inputs['slots'] ?? 6);
  const positions = (results['positions'] as readonly { angle: { value: number } }[] | undefined) ?? [];
  const turned = angle('angle') ?? 0;
  const at = (r: number, deg: number): string =>
    `${280 + r * Math.sin((deg * Math.PI) / 180)} ${125 - r * Math.cos((deg * Math.PI) / 180)}`;
  return (
    <Sheet
      h={256}
      says={positions.length ? `${positions.length} locking positions in a turn` : `Turned back by ${turned}°`}
    >
      <polygon
        points={Array.from({ length: 6 }, (_, i) => at(88, i * 60 + 30).replace(' ', ',')).join(' ')}
        fill="var(--line2)"
        stroke={INK}
        strokeWidth="2"
      />
      <circle cx="280" cy="125" r="40" fill="url(#reckon-hatch)" stroke={INK} strokeWidth="2" />
      {Array.from({ length: slots }, (_, i) => (
        <path key={i} d={`M${at(58, (i * 360) / slots)}L${at(78, (i * 360) / slots)}`} stroke={INK} strokeWidth="9" />
      ))}
      {positions.map((p, i) => (
        <path key={i} d={`M${at(100, p.angle.value)}L${at(112, p.angle.value)}`} stroke={BRASS} strokeWidth="6" />
      ))}
      {turned > 0 && (
        <path
          d={`M${at(100, 0)}A100 100 0 ${turned > 180 ? 1 : 0} 1 ${at(100, Math.min(turned, 359))}`}
          fill="none"
          stroke={BRASS}
          strokeWidth="5"
        />
      )}
    </Sheet>
  );
}
