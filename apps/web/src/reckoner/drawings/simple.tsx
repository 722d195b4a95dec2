import { formatQuantity, isQuantity } from '@jubb/core/quantities';
import type { ResultValue } from '@jubb/core/reckoners';
import { scaleLinear } from 'd3';
import { BRASS, Bars, INK, OXIDE, PALE, Plot, Sheet, SLATE, VERD } from '../../drawing/kit.tsx';
import { Rule } from '../../drawing/rule.tsx';
import { figure } from '../inputs.ts';
import { friendly } from '../friendly.ts';
import type { DrawProps } from './draw-props.ts';

type Rows = readonly Readonly<Record<string, unknown>>[];
const rowsOf = (value: unknown): Rows => (Array.isArray(value) ? (value as Rows) : []);

/** Where a torque stands between nothing and past yield. */
export function ShareDrawing({ got, shown }: DrawProps): React.JSX.Element {
  const share = got('percentOfYield') ?? 0;
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
      {zone(0, 30, PALE, 'low')}
      {zone(30, 95, 'var(--verdwash)', 'plausible')}
      {zone(95, 100, 'var(--brasswash)', 'high')}
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
        {String(inputs['radius'] ?? '')}
      </text>
      <text x="430" y="42" fontWeight="700">
        {String(inputs['pull'] ?? '')}
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

/** Resistance on copper’s straight line, as read and at the stated temperature. */
export function CopperDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const t = input('temperature', 'temperature') ?? 20;
  const ref = input('referenceTemperature', 'temperature') ?? 20;
  const at = got('corrected') ?? 0;
  const r = (x: number): number => (at * (235 + x)) / (235 + ref);
  const [a, b] = [Math.min(t, ref) - 20, Math.max(t, ref) + 20];
  return (
    <Plot
      says={`${shown('corrected')} at ${ref} °C`}
      x="°C"
      y="Ω"
      series={[
        {
          name: 'copper',
          points: [
            [a, r(a)],
            [b, r(b)],
          ],
          color: SLATE,
        },
        {
          name: 'read, and corrected',
          points: [
            [t, r(t)],
            [ref, at],
          ],
          dots: true,
        },
      ]}
    />
  );
}

/** Readings beside each other. */
export function ReadingsDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const readings = (inputs['readings'] as readonly unknown[]).map(String);
  return (
    <Bars
      says={`Spread ${shown('spread')}: ${shown('verdict')}`}
      bars={readings.map((r, i) => ({ name: `Phase ${i + 1}`, value: parseFloat(r) || 0, shown: r }))}
    />
  );
}

/** A reading beside what it must be at least. */
export function LeastDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const reading = input('reading', 'resistance') ?? 0;
  return (
    <Bars
      says={`At least ${shown('minimum')}: ${shown('verdict')}`}
      bars={[
        {
          name: 'Reading',
          value: reading,
          shown: formatQuantity(friendly({ value: reading, unit: 'Ω' })),
          color: shown('verdict') === 'within' ? VERD : OXIDE,
        },
        { name: 'At least', value: got('minimum') ?? 0, shown: shown('minimum'), color: PALE },
      ]}
    />
  );
}

/** Measured current against the rated curve. */
export function OutputDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const points = (name: string): (readonly [number, number])[] =>
    rowsOf(inputs[name])
      .map((p) => [figure(p['speed'], 'speed') ?? 0, figure(p['current'], 'current') ?? 0] as const)
      .sort((a, b) => a[0] - b[0]);
  return (
    <Plot
      says={`Charging output: ${shown('verdict')}`}
      x="rpm"
      y="A"
      zero
      series={[
        { name: 'rated', points: points('rated'), color: SLATE, dashed: true },
        { name: 'measured', points: points('points'), dots: true },
      ]}
    />
  );
}

/** What is permitted falls as the speed rises. */
export function UnbalanceDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const n = input('speed', 'speed') ?? 1;
  const u = got('permissible') ?? 0;
  const curve = Array.from({ length: 40 }, (_, i) => 0.5 + i * 0.05).map((k) => [n * k, u / k] as const);
  return (
    <Plot
      says={`Permissible ${shown('permissible')}`}
      x="rpm"
      y="g·mm"
      zero
      series={[
        { name: 'permissible', points: curve, color: SLATE },
        {
          name: 'this speed',
          points: [
            [n, u],
            [n, 0],
          ],
          dots: true,
        },
      ]}
    />
  );
}

/** Axial and radial play, each on its rule. */
export function PlayDrawing({ inputs, mm }: DrawProps): React.JSX.Element {
  const guard = mm('gaugeUncertainty') ?? 0.005;
  return (
    <>
      {(['axial', 'radial'] as const).map((way) => {
        const limits = (inputs[`${way}Limits`] as readonly unknown[] | undefined)?.map((l) => figure(l, 'length'));
        const reading = mm(way);
        if (!limits || reading === undefined || limits[0] === undefined || limits[1] === undefined) return null;
        return (
          <Rule
            key={way}
            low={limits[0]}
            high={limits[1]}
            guard={guard}
            readings={[reading]}
            unit="mm"
            title={`${way === 'axial' ? 'Axial' : 'Radial'} play`}
          />
        );
      })}
    </>
  );
}

/** Tank pressure against time. */
export function PumpDrawing({ input, shown }: DrawProps): React.JSX.Element {
  const minutes = (input('time', 'time') ?? 60) / 60;
  return (
    <Plot
      says={`Delivers ${shown('freeAirDelivery')}`}
      x="min"
      y="bar, gauge"
      zero
      series={[
        {
          name: 'tank',
          points: [
            [0, input('pressureStart', 'pressure') ?? 0],
            [minutes, input('pressureEnd', 'pressure') ?? 0],
          ],
          dots: true,
        },
      ]}
    />
  );
}

/** A tolerance with the zone of the gauge at both ends. */
export function GaugeDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const of = (name: string): number | undefined => figure(inputs[name], 'length');
  const [low, high] = [of('lower') ?? of('nominal'), of('upper') ?? of('nominal')];
  if (low === undefined || high === undefined)
    return (
      <Bars
        says={`Ratio ${shown('ratio')}`}
        bars={[
          { name: 'Ratio', value: parseFloat(shown('ratio')), shown: shown('ratio') },
          { name: 'Good from', value: 4, shown: '4', color: PALE },
        ]}
      />
    );
  return (
    <Rule
      low={low}
      high={high}
      guard={of('uncertainty') ?? 0}
      readings={[]}
      unit="mm"
      title={`Tolerance, ${shown('verdict')}`}
    />
  );
}

/** Rows of a table by one of their figures. */
export function TableBars({
  results,
  table,
  name,
  value,
  says,
}: DrawProps & {
  readonly table: string;
  readonly name: string;
  readonly value: string;
  readonly says: string;
}): React.JSX.Element {
  const rows = rowsOf(results[table]);
  return (
    <Bars
      says={says}
      bars={rows.map((r) => {
        const v = r[value] as ResultValue;
        return {
          name: String(r[name]),
          value: isQuantity(v) ? v.value : Number(v),
          shown: isQuantity(v) ? formatQuantity(friendly(v)) : String(Math.round(Number(v))),
        };
      })}
    />
  );
}

/** Length against temperature: as measured, and at 20 °C. */
export function ShrinkDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const t = input('partTemperature', 'temperature') ?? 20;
  const L = input('length', 'length') ?? 0;
  return (
    <Plot
      says={`${shown('lengthAt20')} at 20 °C`}
      x="°C"
      y="mm"
      series={[
        {
          name: 'length',
          points: [
            [20, got('lengthAt20') ?? L],
            [t === 20 ? 21 : t, L],
          ],
          dots: true,
        },
      ]}
    />
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
