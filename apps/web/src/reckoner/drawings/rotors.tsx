import { convert, parseQuantity, type Quantity } from '@jubb/core/quantities';
import { BRASS, OXIDE, Plot, Polar, Sheet, SLATE, VERD } from '../../drawing/kit.tsx';
import { Rule } from '../../drawing/rule.tsx';
import { figure } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';

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

/** An amplitude as it was typed, in the unit of the answer. */
function amplitudeIn(typed: unknown, unit: string): number {
  const q = parseQuantity(typeof typed === 'number' ? { value: typed, unit: '1' } : typed);
  return q.unit === unit ? q.value : convert(q, unit).value;
}

interface Vibration {
  readonly amplitude: Quantity;
  readonly phase: { readonly value: number };
}

/** Two polar plots: the vibration as it is and what will be left, and where the weights go. */
export function BalanceDrawing({ inputs, results, shown }: DrawProps): React.JSX.Element {
  const residual = results['predictedResidual'] as unknown as readonly Vibration[];
  const initial = (inputs['initial'] as readonly { amplitude: unknown; phase: unknown }[]).map((v) => ({
    length: amplitudeIn(v.amplitude, residual[0]!.amplitude.unit),
    deg: figure(v.phase, 'angle') ?? 0,
  }));
  const corrections = results['corrections'] as readonly { mass: { value: number }; angle: { value: number } }[];
  const most = Math.max(...initial.map((v) => v.length), 1e-9);
  const heaviest = Math.max(...corrections.map((c) => c.mass.value), 1e-12);
  return (
    <Sheet
      h={290}
      says={`Add ${corrections.map((c) => `${(c.mass.value * 1000).toFixed(1)} g at ${c.angle.value.toFixed(0)}°`).join(' and ')}; condition ${shown('condition')}`}
    >
      {[0, 1].map((k) => (
        <Polar
          key={k}
          cx={140 + k * 280}
          cy={120}
          r={88}
          most={most}
          title={`Plane ${k + 1}: add ${(corrections[k]!.mass.value * 1000).toFixed(1)} g at ${corrections[k]!.angle.value.toFixed(0)}°`}
          vectors={[
            { ...initial[k]!, color: OXIDE },
            { length: (corrections[k]!.mass.value / heaviest) * most, deg: corrections[k]!.angle.value, color: BRASS },
            { length: residual[k]!.amplitude.value, deg: residual[k]!.phase.value, color: VERD, dashed: true },
          ]}
        />
      ))}
      <text x="280" y="282" textAnchor="middle">
        red: as it is · brass: the weight · green: what is left
      </text>
    </Sheet>
  );
}
