import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defineReckoner, list, optional, quantity, record, needed, ReckonError, text } from '../shape/index.ts';

/**
 * The shim pack that gives the wanted float (positive) or preload (negative).
 * From a trial: needed = trial − (measured − target) where a thicker pack loosens, trial + (measured − target) where it
 * tightens. From depths: the space that the signed depths leave is the pack of zero float; target added where thicker
 * loosens, taken off where it tightens. Common practice; one millimetre of pack moves the setting by one millimetre.
 */
export const shimForSetting = defineReckoner({
  id: 'shim-for-setting',
  title: 'Shim for a setting',
  subject: 'bearings',
  asks: ['which shim', 'end float', 'preload', 'how thick'],
  formula: 'needed = trial ∓ (measured − target)   or   needed = Σ ± depths ± target',
  sources: ['common practice'],
  checks: [
    {
      inputs: { method: 'trial', trialShim: '1.50 mm', measured: '0.23 mm', target: '0.05 mm', thickerShim: 'looser' },
      gives: { shimNeeded: '1.32 mm' },
      source: 'arithmetic',
    },
    {
      inputs: { method: 'trial', trialShim: '1.50 mm', measured: '0.23 mm', target: '0.05 mm', thickerShim: 'tighter' },
      gives: { shimNeeded: '1.68 mm' },
      source: 'arithmetic',
    },
  ],
  inputs: {
    method: choice(['trial', 'depths'], 'Method'),
    trialShim: optional(quantity('length', 'Trial pack', { min: 0, max: 1000 })),
    measured: optional(quantity('length', 'Float read with it', { min: -100, max: 100 })),
    target: quantity('length', 'Float wanted', { min: -100, max: 100, help: 'preload is negative' }),
    thickerShim: choice(['looser', 'tighter'], 'A thicker pack makes it'),
    gaugeUncertainty: optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 100 })),
    depths: optional(
      list(
        record(
          {
            name: text('Name'),
            value: quantity('length', 'Depth', { min: 0, max: 10000 }),
            sign: choice(['plus', 'minus'], 'Counts as'),
            uncertainty: optional(quantity('length', 'Uncertainty', { min: 0, max: 100 })),
          },
          'Depth',
        ),
        'Depths',
        { maxLength: 30 },
      ),
    ),
  },
  outputs: {
    shimNeeded: { label: 'Pack needed', is: 'length' },
    uncertainty: { label: 'Uncertainty (k = 2)', is: 'length' },
  },
  compute(input, work) {
    const need = <T>(value: T | undefined, field: string): T => needed(value, field, `for the method ${input.method}`);
    const looser = input.thickerShim === 'looser';
    let neededMm: number;
    let uncertaintyMm: number;
    if (input.method === 'trial') {
      const trial = need(input.trialShimMm, 'trialShim');
      const measured = need(input.measuredMm, 'measured');
      neededMm = looser ? trial - (measured - input.targetMm) : trial + (measured - input.targetMm);
      uncertaintyMm = input.gaugeUncertaintyMm ?? 0;
      work.given('Trial pack', canonical(trial, 'length'));
      work.given('Float read', canonical(measured, 'length'));
      work.given('Float wanted', canonical(input.targetMm, 'length'));
      work.given('Thicker pack', input.thickerShim);
      work.step(
        'Pack needed',
        looser ? 'trial − (read − wanted)' : 'trial + (read − wanted)',
        `${f(trial, 3)} ${looser ? '−' : '+'} (${f(measured, 3)} − ${f(input.targetMm, 3)})`,
        canonical(neededMm, 'length'),
      );
    } else {
      const depths = need(input.depths, 'depths');
      const gap = depths.reduce((sum, d) => sum + (d.sign === 'plus' ? d.valueMm : -d.valueMm), 0);
      neededMm = looser ? gap + input.targetMm : gap - input.targetMm;
      // GUM: independent uncertainties add in squares.
      uncertaintyMm = Math.hypot(...depths.map((d) => d.uncertaintyMm ?? input.gaugeUncertaintyMm ?? 0));
      for (const d of depths) work.given(`${d.name} (${d.sign})`, canonical(d.valueMm, 'length'));
      work.step(
        'Pack for no float',
        'sum of the signed depths',
        depths.map((d) => `${d.sign === 'plus' ? '+' : '−'} ${f(d.valueMm, 3)}`).join(' '),
        canonical(gap, 'length'),
      );
      work.step(
        'Pack needed',
        looser ? 'gap + wanted' : 'gap − wanted',
        `${f(gap, 3)} ${looser ? '+' : '−'} ${f(input.targetMm, 3)}`,
        canonical(neededMm, 'length'),
      );
    }
    if (neededMm <= 0) {
      throw new ReckonError(
        'no-shim-possible',
        input.method === 'trial' ? 'measured' : 'depths',
        f(neededMm, 3),
        'figures that leave room for a pack',
        `the pack would be ${f(neededMm, 3)} mm: read again, or look for a part that is fitted wrong`,
      );
    }
    if (input.targetMm < 0) work.warn('Preload reached through the pack: check it by rolling drag.');
    return { shimNeeded: canonical(neededMm, 'length'), uncertainty: canonical(uncertaintyMm, 'length') };
  },
});
