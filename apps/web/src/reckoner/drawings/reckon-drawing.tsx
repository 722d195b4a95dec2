import { formatQuantity, isQuantity, parseQuantity, QuantityError, type Quantity } from '@jubb/core/quantities';
import { reckoners, type Reckoning } from '@jubb/core/reckoners';
import { Rule } from '../../drawing/rule.tsx';
import { plain } from '../answer.tsx';
import { friendly } from '../friendly.ts';
import { figure, type Inputs } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';
import { BallsDrawing, ConeDrawing, DragDrawing } from './bearings.tsx';
import { CopperDrawing, LeastDrawing, OutputDrawing, ReadingsDrawing, RippleDrawing } from './electrical.tsx';
import { OrderDrawing, ShareDrawing, WrenchDrawing } from './fasteners.tsx';
import { FitDrawing, HeatDrawing, PressDrawing } from './fits.tsx';
import { PairDrawing, PatternDrawing } from './gears.tsx';
import { DecayDrawing, PumpDrawing, RiseDrawing } from './leaks.tsx';
import { GaugeDrawing, ShrinkDrawing } from './measuring.tsx';
import { BalanceDrawing, PlayDrawing, UnbalanceDrawing } from './rotors.tsx';
import { GlandDrawing, LipSealDrawing, RubberDrawing } from './seals.tsx';
import { NutDrawing, PackDrawing, PlateDrawing } from './stacks.tsx';
import { TableBars } from './tables.tsx';
import { Bars } from '../../drawing/kit.tsx';

import { BearingDrawing, ClearanceDrawing, GripDrawing } from './bearing-fits.tsx';
import {
  AnglesDrawing,
  BeltDrawing,
  CylinderDrawing,
  IndicatorDrawing,
  OnePlaneDrawing,
  PinionDrawing,
  SpringDrawing,
} from './mechanics.tsx';
import { LoosenedDrawing, StretchDrawing, TapDrillDrawing, ThreadFindDrawing } from './threads.tsx';

const drawings: Readonly<Record<string, (p: DrawProps) => React.JSX.Element>> = {
  'thread-find': ThreadFindDrawing,
  loosened: LoosenedDrawing,
  'bolt-stretch': StretchDrawing,
  'tap-drill': TapDrillDrawing,
  'bearing-find': BearingDrawing,
  'bearing-fit': ClearanceDrawing,
  'grip-at-temperature': GripDrawing,
  'pinion-depth': PinionDrawing,
  'shaft-angles': AnglesDrawing,
  belt: BeltDrawing,
  'spring-height': SpringDrawing,
  'cylinder-force': CylinderDrawing,
  'single-plane-balance': OnePlaneDrawing,
  'indicator-angle': IndicatorDrawing,
  'torque-sanity': ShareDrawing,
  'cone-and-locknut': ConeDrawing,
  'rolling-drag': DragDrawing,
  'ball-complement': BallsDrawing,
  'seal-material': RubberDrawing,
  'winding-resistance': CopperDrawing,
  'phase-balance': ReadingsDrawing,
  insulation: LeastDrawing,
  'charging-output': OutputDrawing,
  'residual-unbalance': UnbalanceDrawing,
  'shaft-play': PlayDrawing,
  'pump-up': PumpDrawing,
  'gauge-choice': GaugeDrawing,
  'gauge-uncertainty': (p) => (
    <TableBars {...p} table="budget" name="source" value="standard" says={`Uncertainty ${p.shown('U')}`} />
  ),
  'size-at-20': ShrinkDrawing,
  'rebuild-or-replace': (p) => (
    <TableBars {...p} table="options" name="name" value="expectedCost" says={p.shown('words')} />
  ),
  'tightening-order': OrderDrawing,
  'wrench-setting': WrenchDrawing,
  'shim-for-setting': PackDrawing,
  'shim-stack': PackDrawing,
  'nut-back-off': NutDrawing,
  'iso-fit': FitDrawing,
  'press-fit': PressDrawing,
  'heat-to-fit': HeatDrawing,
  'gear-ratio': PairDrawing,
  'backlash-shim': PairDrawing,
  'contact-pattern': PatternDrawing,
  'oring-gland': GlandDrawing,
  'oring-find': GlandDrawing,
  'lip-seal': LipSealDrawing,
  'plate-pack': PlateDrawing,
  'rectifier-ripple': RippleDrawing,
  'two-plane-balance': BalanceDrawing,
  'pressure-decay': DecayDrawing,
  'vacuum-hold': RiseDrawing,
};
/** Reckoners whose answer is a reading on its rule: reading, limits and uncertainty by name. */
const onARule: Readonly<
  Record<string, { reading: string; from: 'inputs' | 'results'; low?: string; high?: string; guard?: string }>
> = {
  verdict: { reading: 'reading', from: 'inputs', low: 'lower', high: 'upper', guard: 'uncertainty' },
  'spring-check': { reading: 'freeLength', from: 'inputs', low: 'limit', high: 'nominal' },
};

/** The drawing of a reckoning: its own, else a rule, else its figures to scale. */
export function ReckonDrawing({
  id,
  inputs,
  reckoning,
}: {
  readonly id: string;
  readonly inputs: Inputs;
  readonly reckoning: Reckoning;
}): React.JSX.Element | null {
  const { results } = reckoning;
  const Drawing = drawings[id];
  if (Drawing) {
    const input: DrawProps['input'] = (name, dimension) => figure(inputs[name], dimension);
    const props: DrawProps = {
      inputs,
      reckoning,
      results,
      input,
      mm: (name) => input(name, 'length'),
      angle: (name) => input(name, 'angle'),
      got: (name) => {
        const v = results[name];
        return isQuantity(v) ? v.value : undefined;
      },
      shown: (name) => plain(results[name]),
    };
    return (
      <div className="draw">
        <Drawing {...props} />
      </div>
    );
  }
  const rule = onARule[id];
  if (rule) {
    const of = (name: string | undefined): Quantity | undefined => {
      const v = name === undefined ? undefined : (inputs[name] ?? results[name]);
      return isQuantity(v) ? v : typeof v === 'string' ? quantityOf(v) : undefined;
    };
    const reading = rule.from === 'results' ? (results[rule.reading] as Quantity) : of(rule.reading);
    const [low, high, guard] = [of(rule.low), of(rule.high), of(rule.guard)];
    const same = [low, high, guard].every((q) => q === undefined || q.unit === reading?.unit);
    if (reading && same && (low || high))
      return (
        <div className="draw">
          <Rule
            {...(low ? { low: low.value } : {})}
            {...(high ? { high: high.value } : {})}
            guard={guard?.value ?? 0}
            readings={[reading.value]}
            unit={reading.unit}
            title="Reading"
          />
        </div>
      );
  }
  return <Scaled id={id} reckoning={reckoning} />;
}

function quantityOf(text: string): Quantity | undefined {
  try {
    return parseQuantity(text);
  } catch (e) {
    if (e instanceof QuantityError) return undefined;
    throw e;
  }
}

/** Figures of the commonest unit among the results, beside each other. */
function Scaled({ id, reckoning }: { readonly id: string; readonly reckoning: Reckoning }): React.JSX.Element | null {
  const outputs = reckoners.find((r) => r.id === id)?.outputs ?? {};
  const figures = Object.entries(reckoning.results).flatMap(([name, v]) =>
    isQuantity(v) ? [{ name: outputs[name]?.label ?? name, v }] : [],
  );
  const units = [...new Set(figures.map((f) => f.v.unit))].sort(
    (a, b) => figures.filter((f) => f.v.unit === b).length - figures.filter((f) => f.v.unit === a).length,
  );
  const bars = figures
    .filter((f) => f.v.unit === units[0])
    .map((f) => ({ name: f.name, value: f.v.value, shown: formatQuantity(friendly(f.v)) }));
  if (bars.length < 2) return null;
  return (
    <div className="draw">
      <Bars bars={bars} says={bars.map((b) => `${b.name} ${b.shown}`).join(', ')} />
    </div>
  );
}
