import { isQuantity } from '@jubb/core/quantities';
import { scaleLinear } from 'd3';
import { BRASS, Dim, INK, OXIDE, PALE, Sheet, VERD } from '../../drawing/kit.tsx';
import type { DrawProps } from './draw-props.ts';

/** Flanks of a thread to scale beside its candidates: how far the crests of each stand from what was measured. */
export function ThreadFindDrawing({ results, mm, shown }: DrawProps): React.JSX.Element {
  const rows = (results['candidates'] as readonly Record<string, unknown>[]).slice(0, 4);
  const of = (row: Record<string, unknown>, name: string): number => {
    const q = row[name];
    return isQuantity(q) ? q.value : 0;
  };
  const measured = mm('outside') ?? 1;
  const largest = Math.max(measured, ...rows.map((r) => of(r, 'nominal')));
  const k = 190 / largest;
  return (
    <Sheet h={40 + rows.length * 62} says={`Most likely ${shown('best')}, of ${rows.length} that are near`}>
      {rows.map((row, i) => {
        const pitch = Math.max(6, of(row, 'pitch') * k);
        const d = of(row, 'nominal') * k;
        const y = 26 + i * 62;
        const teeth = Math.max(2, Math.floor(250 / pitch));
        const flank = `l${pitch / 2} 14l${pitch / 2} -14`.repeat(teeth);
        return (
          <g key={String(row['designation'])}>
            <path
              d={`M120 ${y}${flank}v${Math.min(46, d)}H120z`}
              fill={i === 0 ? BRASS : 'var(--sheet)'}
              stroke={INK}
              strokeWidth="2"
            />
            <text x="108" y={y + 26} textAnchor="end" fontWeight={i === 0 ? 740 : 500}>
              {String(row['designation'])}
            </text>
            <text x="552" y={y + 20} textAnchor="end">
              {of(row, 'nominal').toFixed(2)} × {of(row, 'pitch').toFixed(3)}
            </text>
            <text x="552" y={y + 40} textAnchor="end">
              {of(row, 'deviation') >= 0 ? '+' : '−'}
              {Math.abs(of(row, 'deviation')).toFixed(2)} mm
            </text>
          </g>
        );
      })}
      <text x="552" y="16" textAnchor="end">
        nominal × pitch, measured against it
      </text>
    </Sheet>
  );
}

/** Loosening torque, and the span in which the tightening torque lay. */
export function LoosenedDrawing({ got, shown, inputs }: DrawProps): React.JSX.Element {
  const [low, mid, high] = [got('low') ?? 0, got('tightenedTo') ?? 0, got('high') ?? 1];
  const x = scaleLinear([0, high * 1.15], [30, 530]);
  const read = Array.isArray(inputs['readings']) ? inputs['readings'].map(String).join(', ') : '';
  return (
    <Sheet h={150} says={`Tightened to about ${shown('tightenedTo')}, between ${shown('low')} and ${shown('high')}`}>
      <path d="M30 92H530" stroke={INK} strokeWidth="2" />
      {x.ticks(6).map((t) => (
        <text key={t} x={x(t)} y="118" textAnchor="middle">
          {t}
        </text>
      ))}
      <text x="530" y="142" textAnchor="end">
        N·m
      </text>
      <rect x={x(low)} y="64" width={Math.max(2, x(high) - x(low))} height="28" fill="var(--brasswash)" stroke={INK} />
      <path d={`M${x(mid)} 58v40`} stroke={BRASS} strokeWidth="7" />
      <path d={`M${x(mid)} 58v40`} stroke={INK} strokeWidth="2" />
      <text
        x={Math.min(470, Math.max(80, x(mid)))}
        y="44"
        textAnchor="middle"
        fontWeight="740"
        style={{ fontSize: 24 }}
      >
        {shown('tightenedTo')}
      </text>
      <text x="30" y="20">
        moved off at {read}
      </text>
    </Sheet>
  );
}

/** A bolt, its shank and free thread to scale, and by how much it grows, drawn larger. */
export function StretchDrawing({ mm, shown, results }: DrawProps): React.JSX.Element {
  const shank = mm('shank') ?? 0;
  const threaded = mm('threaded') ?? 1;
  const k = 300 / (shank + threaded);
  const end = 110 + (shank + threaded) * k;
  return (
    <Sheet h={170} says={`Stretches by ${shown('stretch')}`}>
      <rect x="70" y="50" width="40" height="84" fill={PALE} stroke={INK} strokeWidth="2" />
      <rect x="110" y="68" width={shank * k} height="48" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      <rect x={110 + shank * k} y="72" width={threaded * k} height="40" fill={BRASS} stroke={INK} strokeWidth="2" />
      {Array.from({ length: Math.floor((threaded * k) / 10) }, (_, i) => (
        <path key={i} d={`M${110 + shank * k + 4 + i * 10} 72l6 40`} stroke={INK} />
      ))}
      <rect x={end} y="56" width="34" height="72" fill={PALE} stroke={INK} strokeWidth="2" />
      <path d={`M${end + 40} 92h34m-12 -8l12 8l-12 8`} fill="none" stroke={OXIDE} strokeWidth="3" />
      {shank > 0 && <Dim x1={110} x2={110 + shank * k} y={150} text={`shank ${shank} mm`} />}
      <Dim x1={110 + shank * k} x2={end} y={150} text={`thread ${threaded} mm`} />
      <text x="110" y="34" fontWeight="740" style={{ fontSize: 24 }}>
        {shown('stretch')}
        {results['set'] ? `, grown by ${shown('set')}` : ''}
      </text>
    </Sheet>
  );
}

/** The drilled hole in the outside of the thread, from above, to scale. */
export function TapDrillDrawing({ got, shown, results }: DrawProps): React.JSX.Element {
  const drill = got('nearestDrill') ?? 1;
  const depth = (got('engagementPercent') ?? 0) / 100;
  // The hole is drawn at a fixed size; the thread round it by the depth that is left of it.
  const r = 62;
  return (
    <Sheet
      h={210}
      says={`Drill ${shown('nearestDrillName')}, which leaves ${shown('engagementPercent')} of the thread`}
    >
      <circle
        cx="130"
        cy="105"
        r={r + 34}
        fill="url(#reckon-hatch)"
        stroke={INK}
        strokeWidth="2"
        strokeDasharray="7 6"
      />
      <circle
        cx="130"
        cy="105"
        r={r + 34 * (1 - Math.min(1, depth))}
        fill="var(--brasswash)"
        stroke={INK}
        strokeWidth="2"
      />
      <circle cx="130" cy="105" r={Math.max(8, r - 20)} fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      <text x="130" y="112" textAnchor="middle" fontWeight="700">
        {drill.toFixed(2)}
      </text>
      <text x="280" y="70">
        drill
      </text>
      <text x="280" y="104" fontWeight="740" style={{ fontSize: 30 }}>
        {shown('nearestDrillName')}
      </text>
      <text x="280" y="140">
        leaves {shown('engagementPercent')} of the depth
      </text>
      <text x="280" y="164">
        by formula {results['drill'] ? shown('drill') : ''}
      </text>
      <path d="M280 176h120" stroke={VERD} strokeWidth="3" />
    </Sheet>
  );
}
