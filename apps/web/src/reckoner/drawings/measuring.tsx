import { gaugeRatios } from '@jubb/core/reckoners';
import { Bars, PALE, Plot } from '../../drawing/kit.tsx';
import { Rule } from '../../drawing/rule.tsx';
import { figure } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';

/** A tolerance with the zone of the gauge at both ends. */
export function GaugeDrawing({ inputs, got, shown }: DrawProps): React.JSX.Element {
  const of = (name: string): number | undefined => figure(inputs[name], 'length');
  const [low, high] = [of('lower') ?? of('nominal'), of('upper') ?? of('nominal')];
  if (low === undefined || high === undefined)
    return (
      <Bars
        says={`Ratio ${shown('ratio')}`}
        bars={[
          { name: 'Ratio', value: got('ratio') ?? 0, shown: shown('ratio') },
          { name: 'Good from', value: gaugeRatios.good, shown: String(gaugeRatios.good), color: PALE },
        ]}
      />
    );
  return <Rule low={low} high={high} guard={of('uncertainty') ?? 0} readings={[]} unit="mm" title="Tolerance" />;
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
