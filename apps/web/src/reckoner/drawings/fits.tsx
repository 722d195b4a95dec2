import { written } from '../inputs.ts';
import { scaleLinear } from 'd3';
import type { DrawProps } from './draw-props.ts';
import { BRASS, INK, OXIDE, PALE, Sheet, VERD } from '../../drawing/kit.tsx';

/** Tolerance zones of hole and shaft about the zero line, µm. */
export function FitDrawing({ inputs, got, shown }: DrawProps): React.JSX.Element {
  const um = (name: string): number | undefined => {
    const v = got(name);
    return v === undefined ? undefined : v * 1000;
  };
  const zones = [
    {
      name: written(inputs, 'hole'),
      low: um('holeLower'),
      high: um('holeUpper'),
      fill: 'url(#reckon-hatch)',
      x: 150,
    },
    { name: written(inputs, 'shaft'), low: um('shaftLower'), high: um('shaftUpper'), fill: BRASS, x: 310 },
  ].filter((z) => z.low !== undefined && z.high !== undefined);
  const ends = zones.flatMap((z) => [z.low!, z.high!, 0]);
  const y = scaleLinear([Math.min(...ends), Math.max(...ends)], [210, 34]).nice();
  return (
    <Sheet
      h={250}
      says={`${shown('kind') || 'Limits'}: ${zones.map((z) => `${z.name} from ${z.low} to ${z.high} µm`).join(', ')}`}
    >
      {y.ticks(5).map((t) => (
        <g key={t}>
          <path d={`M70 ${y(t)}H540`} stroke={PALE} />
          <text x="62" y={y(t) + 5} textAnchor="end">
            {t}
          </text>
        </g>
      ))}
      <text x="16" y="18">
        µm
      </text>
      {zones.map((z) => (
        <g key={z.x}>
          <rect
            x={z.x}
            y={y(z.high!)}
            width="130"
            height={Math.max(3, y(z.low!) - y(z.high!))}
            fill={z.fill}
            stroke={INK}
            strokeWidth="2"
          />
          <rect x={z.x + 42} y={(y(z.high!) + y(z.low!)) / 2 - 14} width="46" height="28" fill="var(--sheet)" />
          <text
            x={z.x + 65}
            y={(y(z.high!) + y(z.low!)) / 2 + 7}
            textAnchor="middle"
            fontWeight="740"
            style={{ fontSize: 20 }}
          >
            {z.name}
          </text>
        </g>
      ))}
      <path d={`M70 ${y(0)}H540`} stroke={INK} strokeWidth="3" />
      <text x="540" y={y(0) + 18} textAnchor="end">
        nominal {written(inputs, 'size')}
      </text>
    </Sheet>
  );
}

/** Rings of a press fit to scale, seen from the end; the hub pale when it yields. */
export function PressDrawing({ mm, results, shown }: DrawProps): React.JSX.Element {
  const D = mm('hubOutside') ?? 1;
  const k = 108 / D;
  const verdict = results['verdict'];
  const yields = verdict === 'hub-yields' || verdict === 'both-yield';
  const crushed = verdict === 'shaft-yields' || verdict === 'both-yield';
  return (
    <Sheet h={244} says={`Pressure ${shown('pressure')}, pressed with ${shown('pressForce')}`}>
      <circle
        cx="150"
        cy="122"
        r={108}
        fill={yields ? 'var(--oxidewash)' : 'url(#reckon-hatch)'}
        stroke={yields ? OXIDE : INK}
        strokeWidth="3"
      />
      <circle
        cx="150"
        cy="122"
        r={(mm('diameter') ?? 0) * k}
        fill={crushed ? 'var(--oxidewash)' : BRASS}
        stroke={crushed ? OXIDE : INK}
        strokeWidth="3"
      />
      <circle cx="150" cy="122" r={(mm('shaftBore') ?? 0) * k} fill="var(--sheet)" stroke={INK} strokeWidth="2" />
      {[0, 60, 120, 180, 240, 300].map((a) => {
        const r = (mm('diameter') ?? 0) * k;
        const [c, s] = [Math.cos((a * Math.PI) / 180), Math.sin((a * Math.PI) / 180)];
        return (
          <path
            key={a}
            d={`M${150 + (r + 16) * c} ${122 + (r + 16) * s}L${150 + (r + 2) * c} ${122 + (r + 2) * s}`}
            stroke={OXIDE}
            strokeWidth="4"
          />
        );
      })}
      <text x="300" y="70">
        pressure
      </text>
      <text x="300" y="100" fontWeight="740" style={{ fontSize: 26 }}>
        {shown('pressure')}
      </text>
      <text x="300" y="140">
        on the press
      </text>
      <text x="300" y="170" fontWeight="740" style={{ fontSize: 26 }}>
        {shown('pressForce')}
      </text>
    </Sheet>
  );
}

/** A thermometer from the shop to the limit, with what is needed. */
export function HeatDrawing({ got, input, shown }: DrawProps): React.JSX.Element {
  const ambient = input('ambient', 'temperature') ?? 20;
  const limit = input('limitTemperature', 'temperature') ?? 120;
  // What heat alone would take is never drawn past the limit: nobody is to go there.
  const needed = got('heatTo') ?? ambient;
  const chill = got('chillShaftTo');
  const x = scaleLinear([Math.min(ambient, chill ?? ambient) - 15, Math.max(needed, limit) + 15], [20, 540]);
  const mark = (t: number, name: string, up: boolean, color = INK): React.JSX.Element => (
    <g>
      <path d={`M${x(t)} ${up ? 70 : 104}v${up ? -24 : 24}`} stroke={color} strokeWidth="3" />
      <text x={x(t)} y={up ? 38 : 148} textAnchor="middle" fontWeight="700">
        {name} {Math.round(t)} °C
      </text>
    </g>
  );
  return (
    <Sheet
      h={170}
      says={`Heat to ${shown('heatTo')}${chill === undefined ? '' : ` and cool the shaft to ${shown('chillShaftTo')}`}`}
    >
      <rect x={x(ambient)} y="70" width={x(limit) - x(ambient)} height="34" fill="var(--verdwash)" stroke={VERD} />
      <rect
        x={x(ambient)}
        y="80"
        width={Math.max(0, x(Math.min(needed, limit)) - x(ambient))}
        height="14"
        fill={BRASS}
      />
      {chill !== undefined && (
        <rect x={x(chill)} y="80" width={x(ambient) - x(chill)} height="14" fill="var(--slate)" />
      )}
      {mark(ambient, 'shop', false)}
      {mark(needed, 'ring', true)}
      {mark(limit, 'at most', false, VERD)}
      {chill !== undefined && mark(chill, 'shaft', true)}
    </Sheet>
  );
}
