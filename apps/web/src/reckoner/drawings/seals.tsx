import { BRASS, Dim, INK, OXIDE, PALE, Sheet, VERD } from '../../drawing/kit.tsx';
import type { DrawProps } from './draw-props.ts';
import { rowsOf } from './rows.ts';

/** Section through the gland with the ring squashed in it. */
export function GlandDrawing({ inputs, mm, got, results, shown }: DrawProps): React.JSX.Element {
  const width = mm('grooveWidth') ?? 4;
  const best = (results['matches'] as readonly Record<string, { value: number }>[] | undefined)?.[0];
  const section = got('sectionInstalled') ?? best?.['section']?.value ?? mm('section') ?? width * 0.7;
  const groove = mm('grooveDiameter') ?? 0;
  const depth =
    inputs['kind'] === 'face'
      ? (mm('grooveDepth') ?? section)
      : Math.abs((mm('matingDiameter') ?? groove) - groove) / 2;
  const k = Math.min(150 / Math.max(depth, section), 300 / width);
  const [W, D] = [width * k, depth * k];
  const left = 280 - W / 2;
  const area = (Math.PI / 4) * (section * k) ** 2;
  // The rubber keeps its area: squashed to the depth, it spreads to the sides.
  const flat = Math.min(D, section * k);
  const wide = Math.min(W, area / (flat * 0.89));
  const says = best
    ? `${String((best as unknown as Record<string, string>)['code'])} in the groove`
    : `Squeeze ${shown('squeeze')}, fill ${shown('fill')}`;
  return (
    <Sheet h={260} says={says}>
      <path
        d={`M60 40H${left}V${40 + D}H${left + W}V40H500V222H60Z`}
        fill="url(#reckon-hatch)"
        stroke={INK}
        strokeWidth="2"
      />
      <rect x="60" y="10" width="440" height="30" fill="var(--line2)" stroke={INK} strokeWidth="2" />
      <rect
        x={280 - wide / 2}
        y={40 + (D - flat)}
        width={wide}
        height={flat}
        rx={flat * 0.42}
        ry={flat * 0.42}
        fill={INK}
      />
      <circle
        cx={280}
        cy={40 + D - (section * k) / 2}
        r={(section * k) / 2}
        fill="none"
        stroke={BRASS}
        strokeWidth="3"
        strokeDasharray="5 5"
      />
      <rect x={246} y={40 + D + 6} width={68} height={19} fill="var(--sheet)" />
      <Dim x1={left} x2={left + W} y={40 + D + 26} text={`${width} mm`} />
      <text x="70" y="31">
        {inputs['kind'] === 'rod' ? 'rod' : inputs['kind'] === 'face' ? 'cover' : 'bore'}
      </text>
      <text x="280" y="248" textAnchor="middle">
        {results['squeeze']
          ? `squeeze ${shown('squeeze')}, stretch ${shown('stretch')}, fill ${shown('fill')}`
          : 'dashed: the ring before it is squeezed'}
      </text>
    </Sheet>
  );
}

/** The seal on its shaft in its bore, with the old groove. */
export function LipSealDrawing({ mm, got, results, shown }: DrawProps): React.JSX.Element {
  const bore = mm('boreDepth') ?? 14;
  const width = mm('sealWidth') ?? 8;
  const at = got('fitAt') ?? mm('flushDepth') ?? 0;
  const lip = mm('lipOffset') ?? width / 2;
  const groove = mm('grooveAt');
  const k = 300 / Math.max(bore * 1.3, 1);
  const x = (d: number): number => 110 + d * k;
  const bad = results['verdict'] === 'sleeve' || results['verdict'] === 'too-fast';
  return (
    <Sheet h={250} says={`${shown('verdict').replace('-', ' ')}; speed at the lip ${shown('surfaceSpeed')}`}>
      <path d={`M110 20V70H${x(bore)}V120H520V20Z`} fill="url(#reckon-hatch)" stroke={INK} strokeWidth="2" />
      <rect x="20" y="170" width="520" height="60" fill="var(--line2)" stroke={INK} strokeWidth="2" />
      {groove !== undefined && (
        <path d={`M${x(groove) - 8} 170l8 9 8-9`} fill="var(--sheet)" stroke={OXIDE} strokeWidth="3" />
      )}
      <g fill={bad ? 'var(--oxidewash)' : BRASS} stroke={INK} strokeWidth="2">
        <path d={`M${x(at)} 71H${x(at + width)}V84H${x(at) + 13}V124H${x(at)}Z`} />
        <path
          d={`M${x(at) + 2} 124L${x(at + lip) - 4} 168H${x(at + lip) + 4}L${x(at + lip) + 14} 138L${x(at) + 13} 108Z`}
        />
      </g>
      {at > 0 && (
        <>
          <path d={`M${x(0)} 96H${x(at)}M${x(0)} 89v14`} stroke={INK} strokeWidth="2" />
          <text x={x(0) - 8} y={101} textAnchor="end" fontWeight="700">
            {Math.round(at * 100) / 100} mm
          </text>
        </>
      )}
      <text x="30" y="206">
        shaft{groove === undefined ? '' : `, old groove at ${groove} mm`}
      </text>
      <text x={x(bore) + 60} y="106">
        bore
      </text>
    </Sheet>
  );
}

/** Which rubbers bear it. */
export function RubberDrawing({ results, shown }: DrawProps): React.JSX.Element {
  const suited = (results['suited'] as readonly string[] | undefined) ?? [];
  const unsuited = rowsOf(results['unsuited']).map((r) => String(r['material']));
  return (
    <Sheet h={110} says={`Suited: ${shown('suited') || 'none'}`}>
      {[...suited.map((s) => [s, true] as const), ...unsuited.map((s) => [s, false] as const)].map(
        ([name, good], i) => (
          <g key={name} transform={`translate(${14 + i * 60} 24)`}>
            <rect
              width="54"
              height="54"
              fill={good ? 'var(--verdwash)' : 'var(--sheet)'}
              stroke={good ? VERD : PALE}
              strokeWidth="2"
            />
            <text x="27" y="27" textAnchor="middle" fontWeight={good ? 740 : 400}>
              {name}
            </text>
            {good ? (
              <path d="M12 42h30" stroke={VERD} strokeWidth="6" />
            ) : (
              <path d="M10 39h14v6H10zM30 45h14v-6H30z" fill={OXIDE} />
            )}
          </g>
        ),
      )}
    </Sheet>
  );
}
