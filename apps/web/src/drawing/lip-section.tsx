import { scaleLinear } from 'd3';

const W = 392;
const H = 224;
const INK = 'var(--ink)';

/**
 * Section through bore, seal and shaft, outside on the left: which way the lip faces, how deep the seal sits, and where the
 * old lip ran. Lengths in mm.
 */
export function LipSection({
  shaft,
  bore,
  width,
  faces,
  depth,
  boreDepth,
  lipAt,
  grooveAt,
}: {
  readonly shaft: number;
  readonly bore: number;
  readonly width: number;
  readonly faces: string;
  /** Outer face of the seal below the face of the bore. */
  readonly depth: number;
  readonly boreDepth: number | undefined;
  readonly lipAt: number | undefined;
  readonly grooveAt: number | undefined;
}): React.JSX.Element {
  const deep = boreDepth ?? width * 1.5;
  const x = scaleLinear([0, deep], [96, 330]);
  const [top, wall, shaftTop] = [26, 62, 146];
  const [from, to] = [x(depth), x(depth + width)];
  const lip = x(depth + (lipAt ?? width * 0.45));
  const clear = grooveAt === undefined ? undefined : depth + (lipAt ?? width * 0.45) - grooveAt;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Seal ${depth.toFixed(1)} mm below the face, lip toward the ${faces}`}
    >
      <defs>
        <pattern id="hatch-seal" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--sheet)" />
          <path d="M0 0V8" stroke="#a9a392" strokeWidth="1.6" />
        </pattern>
      </defs>
      <path
        d={`M96 ${top}H372V${shaftTop - 34}H330V${wall}H96Z`}
        fill="url(#hatch-seal)"
        stroke={INK}
        strokeWidth="2"
      />
      <path d={`M20 ${shaftTop}H372V196H20Z`} fill="url(#hatch-seal)" stroke={INK} strokeWidth="2" />
      {grooveAt !== undefined && (
        <>
          <path
            d={`M${x(grooveAt) - 5} ${shaftTop}l5 6l5-6z`}
            fill="var(--sheet)"
            stroke="var(--oxide)"
            strokeWidth="2"
          />
          <text x={x(grooveAt)} y="212" textAnchor="middle" fontSize="14" fill="var(--oxide)">
            old groove
          </text>
        </>
      )}
      <path
        d={`M${from} ${wall}H${to}V${wall + 12}H${from + 12}V${wall + 52}L${lip - 8} ${shaftTop - 10}L${lip} ${shaftTop}L${lip + 14} ${shaftTop - 26}L${from + 26} ${wall + 40}L${from} ${wall + 30}Z`}
        fill="var(--brassfill)"
        stroke={INK}
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <circle cx={lip + 4} cy={shaftTop - 32} r="5" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      <path d={`M${lip + 22} ${shaftTop - 12}h44m0 0l-10-6v12z`} stroke={INK} strokeWidth="2" fill={INK} />
      <text x={W - 4} y={shaftTop - 20} fontSize="15" fontWeight="700" textAnchor="end">
        lip to the {faces}
      </text>
      <path d={`M96 14V${wall}M${from} 14V${wall}`} stroke="var(--brass)" strokeWidth="1.5" strokeDasharray="4 3" />
      <text x={depth > 0 ? from + 6 : 100} y="20" fontSize="15" fontWeight="700">
        {depth > 0 ? `${depth.toFixed(1)} mm deep` : 'flush'}
      </text>
      <text x="24" y="20" fontSize="14">
        outside
      </text>
      <text x="28" y="176" fontSize="14">
        shaft {shaft}
      </text>
      <text x="338" y="48" fontSize="14" textAnchor="end">
        bore {bore}
      </text>
      {clear !== undefined && (
        <text
          x={W - 8}
          y="212"
          textAnchor="end"
          fontSize="14"
          fontWeight="700"
          fill={Math.abs(clear) < 1 ? 'var(--oxide)' : 'var(--verd)'}
        >
          {Math.abs(clear) < 1 ? 'runs in the old groove' : `${Math.abs(clear).toFixed(1)} mm clear of it`}
        </text>
      )}
    </svg>
  );
}
