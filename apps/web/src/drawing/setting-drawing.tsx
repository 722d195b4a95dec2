import { arc } from 'd3';
import { isPackMethod, type SettingMethod } from '@jubb/core/sheet';
import { PackSection } from './pack-section.tsx';

const INK = 'var(--ink)';
const BRASS = 'var(--brass)';
const FILL = 'var(--brassfill)';
const METAL = 'var(--line2)';
const W = 392;
const H = 210;
const CX = 196;
const CY = 108;

/** The turn to make as an arrow round the middle, clockwise for a turn that tightens. */
function TurnArrow({ deg, r }: { readonly deg: number; readonly r: number }): React.JSX.Element | null {
  if (Math.abs(deg) < 0.5) return null;
  const to = (Math.max(-330, Math.min(330, deg)) * Math.PI) / 180;
  const d = arc()({ innerRadius: r - 4, outerRadius: r + 4, startAngle: 0, endAngle: to }) ?? '';
  const [x, y] = [r * Math.sin(to), -r * Math.cos(to)];
  const head = (to * 180) / Math.PI + (deg > 0 ? 0 : 180);
  return (
    <g transform={`translate(${CX} ${CY})`}>
      <path d={`M0 ${-r - 12}V${-r + 12}`} stroke={INK} strokeWidth="2" strokeDasharray="4 3" />
      <path d={d} fill={FILL} stroke={INK} strokeWidth="1.5" />
      <path d="M0-10L16 0L0 10Z" transform={`translate(${x} ${y}) rotate(${head})`} fill={INK} />
    </g>
  );
}

/** A castle nut from outside: its slots, the holes of the spindle, and the turn to make. */
function NutFace({
  slots,
  holes,
  turn,
}: {
  readonly slots: number;
  readonly holes: readonly number[];
  readonly turn: number;
}): React.JSX.Element {
  return (
    <>
      <g transform={`translate(${CX} ${CY})`}>
        <circle r="66" fill={METAL} stroke={INK} strokeWidth="2.5" />
        {Array.from({ length: slots }, (_, i) => (
          <rect
            key={i}
            x="-6"
            y="-67"
            width="12"
            height="20"
            fill="var(--sheet)"
            stroke={INK}
            strokeWidth="1.5"
            transform={`rotate(${(360 * i) / slots})`}
          />
        ))}
        <circle r="34" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
        {holes.map((h) => (
          <path key={h} d="M0-33V33" stroke={BRASS} strokeWidth="6" transform={`rotate(${h})`} />
        ))}
      </g>
      <TurnArrow deg={turn} r={86} />
    </>
  );
}

function ConeFace({ flats, turn }: { readonly flats: number; readonly turn: number }): React.JSX.Element {
  const hex = Array.from({ length: flats }, (_, i) => {
    const a = (2 * Math.PI * (i + 0.5)) / flats;
    return `${62 * Math.sin(a)},${-62 * Math.cos(a)}`;
  });
  return (
    <>
      <g transform={`translate(${CX} ${CY})`}>
        <polygon points={hex.join(' ')} fill={METAL} stroke={INK} strokeWidth="2.5" />
        <circle r="36" fill="none" stroke={INK} strokeWidth="2" />
        <circle r="22" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      </g>
      <TurnArrow deg={turn} r={84} />
    </>
  );
}

/** A gear between its two packs, from above; what goes in stands on its side. */
function Sides({
  left,
  right,
}: {
  readonly left: number | undefined;
  readonly right: number | undefined;
}): React.JSX.Element {
  const words = (mm: number | undefined): string =>
    mm === undefined ? 'pack' : mm === 0 ? 'as it is' : `${mm > 0 ? '+' : '−'}${Math.abs(mm).toFixed(2)} mm`;
  return (
    <>
      <path d="M40 66H352M40 150H352" stroke={INK} strokeWidth="2.5" />
      <path d={`M150 40H190V176H150Z`} fill={METAL} stroke={INK} strokeWidth="2.5" />
      <path d="M190 70l26 14v48l-26 14z" fill={METAL} stroke={INK} strokeWidth="2.5" />
      <path d="M224 176l18-44h26l18 44z" fill="var(--sheet)" stroke={INK} strokeWidth="2.5" />
      {[
        { x: 66, mm: left, name: 'left' },
        { x: 306, mm: right, name: 'right' },
      ].map(({ x, mm, name }) => (
        <g key={name}>
          <rect x={x} y="70" width="20" height="76" fill={mm ? FILL : METAL} stroke={INK} strokeWidth="2" />
          <text x={x + 10} y="34" textAnchor="middle" fontSize="15">
            {name}
          </text>
          <text x={x + 10} y="196" textAnchor="middle" fontSize="18" fontWeight="740">
            {words(mm)}
          </text>
        </g>
      ))}
      <text x="170" y="32" textAnchor="middle" fontSize="15">
        gear
      </text>
      <text x="255" y="166" textAnchor="middle" fontSize="13">
        pinion
      </text>
    </>
  );
}

/** A collar on its shaft: the mark where the faces just touch, and how far past it the collar goes. */
function Collar({
  wantedMm,
  slide,
}: {
  readonly wantedMm: number;
  readonly slide: number | undefined;
}): React.JSX.Element {
  return (
    <>
      <path d="M20 92H372V124H20Z" fill={METAL} stroke={INK} strokeWidth="2" />
      <path d="M40 50H70V166H40Z" fill={METAL} stroke={INK} strokeWidth="2" />
      <path d="M70 68H96V148H70Z" fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      <path d="M96 80l12 28l12-28l12 28l12-28l12 28l12-28" fill="none" stroke={INK} strokeWidth="2.5" />
      <path d="M168 62H206V154H168Z" fill={FILL} stroke={INK} strokeWidth="2" />
      <path d="M248 74V142" stroke={BRASS} strokeWidth="3" strokeDasharray="6 4" />
      <path d="M248 172H206M206 172l12-6v12z" stroke={INK} strokeWidth="2" fill={INK} />
      <text x="256" y="70" fontSize="15">
        mark: faces touch
      </text>
      <text x="228" y="196" textAnchor="middle" fontSize="18" fontWeight="740">
        {wantedMm.toFixed(1)} mm past it
      </text>
      {slide !== undefined && (
        <text x="187" y="48" textAnchor="middle" fontSize="16" fontWeight="700">
          {slide > 0 ? '←' : '→'} {Math.abs(slide).toFixed(1)} mm
        </text>
      )}
    </>
  );
}

/** What is set, as it sits, with the next move drawn on it. */
export function SettingDrawing({
  method,
  pieces,
  pack,
  turn,
  left,
  right,
  slide,
  wanted,
}: {
  readonly method: SettingMethod | undefined;
  /** Of the pack, mm. */
  readonly pieces: readonly number[];
  readonly pack: string;
  /** Turn to make, degrees; positive tightens. */
  readonly turn: number;
  readonly left?: number;
  readonly right?: number;
  readonly slide?: number;
  /** Middle of the band, mm. */
  readonly wanted: number;
}): React.JSX.Element | null {
  if (method && isPackMethod(method)) return <PackSection pieces={pieces} pack={pack} />;
  if (!method) return null;
  const turned = method.kind === 'turn' || method.kind === 'crush';
  const says = turned
    ? `The nut from outside, turn ${Math.round(turn)}°${method.kind === 'crush' ? ', never back' : ''}`
    : method.kind === 'nut'
      ? `The nut from outside, turn ${Math.round(turn)}°`
      : method.kind === 'cone'
        ? `The cone from outside, turn ${Math.round(turn)}°`
        : method.kind === 'sides'
          ? 'The gear between its two packs'
          : 'The collar on its shaft';
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" role="img" aria-label={says}>
      {method.kind === 'nut' ? (
        <NutFace slots={method.slots ?? 6} holes={method.holes.map((h) => h.value)} turn={turn} />
      ) : method.kind === 'cone' ? (
        <ConeFace flats={method.flats} turn={turn} />
      ) : turned ? (
        <NutFace slots={6} holes={[]} turn={turn} />
      ) : method.kind === 'sides' ? (
        <Sides left={left} right={right} />
      ) : (
        <Collar wantedMm={wanted} slide={slide} />
      )}
    </svg>
  );
}
