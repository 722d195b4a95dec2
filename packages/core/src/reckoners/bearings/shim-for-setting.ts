import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  choice,
  defineReckoner,
  list,
  more,
  needed,
  optional,
  quantity,
  ReckonError,
  record,
  text,
} from '../shape/index.ts';

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
  formula: 'needed = trial ∓ (measured − target)   or   Σ ± depths ± target   or   gap + target',
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
    {
      inputs: { method: 'gap', gap: '0.42 mm', target: '-0.05 mm' },
      gives: { shimNeeded: '0.37 mm' },
      source: 'arithmetic: 0.42 − 0.05 of preload',
    },
  ],
  dangers: {
    preload: {
      harm: 'A preload reckoned from lengths alone may be several times what was meant: the bearing burns.',
      fires: { target: '-0.001 mm' },
      silent: { target: '0 mm' },
    },
    'hidden-preload': {
      harm: 'A float that reads nothing may be a preload of any size: the pack that is reckoned from it keeps it.',
      fires: { measured: '0 mm' },
      silent: { measured: '0.01 mm' },
    },
    'no-uncertainty': {
      harm: 'The last hundredth is trusted though nobody said how well the gauge reads: a float of 0.02 becomes a preload.',
      fires: {},
      silent: { gaugeUncertainty: '0.01 mm' },
    },
    'gap-drawn-tight': {
      harm: 'A cover pulled down hard crushes the bearings and hides the gap: the pack comes out too thin, the preload is ruin.',
      fires: { method: 'gap', gap: '0.42 mm', target: '0.05 mm' },
      silent: { method: 'trial' },
    },
  },
  inputs: {
    method: choice(['trial', 'depths', 'gap'], 'Method'),
    gap: optional(quantity('length', 'Gap under the cover, drawn down lightly, no shims', { min: 0, max: 100 })),
    trialShim: optional(quantity('length', 'Trial pack', { min: 0, max: 1000 })),
    measured: optional(quantity('length', 'Float read with it', { min: -100, max: 100 })),
    target: quantity('length', 'Float wanted', { min: -100, max: 100, help: 'preload is negative' }),
    thickerShim: optional(choice(['looser', 'tighter'], 'A thicker pack makes it')),
    gaugeUncertainty: more(optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 100 }))),
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
    uncertainty: { label: 'Uncertainty (k = 2)', is: 'length', optional: true },
  },
  compute(input, work) {
    const need = <T>(value: T | undefined, field: string): T => needed(value, field, `for the method ${input.method}`);
    // Under a cover the pack holds it off: thicker is looser, whatever else is asked.
    const looser = input.method === 'gap' || need(input.thickerShim, 'thickerShim') === 'looser';
    let neededMm: number;
    let uncertaintyMm: number | undefined;
    if (input.method === 'gap') {
      const gap = need(input.gapMm, 'gap');
      neededMm = gap + input.targetMm;
      uncertaintyMm = input.gaugeUncertaintyMm;
      work.given('Gap, bearings seated and turning', canonical(gap, 'length'));
      work.given('Float wanted', canonical(input.targetMm, 'length'));
      work.step('Pack needed', 'gap + wanted', `${f(gap, 3)} + ${f(input.targetMm, 3)}`, canonical(neededMm, 'length'));
      work.warn(
        'gap-drawn-tight',
        'Draw the cover down by hand only, evenly, while you turn the shaft: stop when the bearings just drag, and read the gap at three places.',
      );
    } else if (input.method === 'trial') {
      const trial = need(input.trialShimMm, 'trialShim');
      const measured = need(input.measuredMm, 'measured');
      neededMm = looser ? trial - (measured - input.targetMm) : trial + (measured - input.targetMm);
      uncertaintyMm = input.gaugeUncertaintyMm;
      if (measured === 0)
        work.warn(
          'hidden-preload',
          'A float of nothing may hide a preload: fit a thicker pack until there is float to read, and begin from that.',
        );
      work.given('Trial pack', canonical(trial, 'length'));
      work.given('Float read', canonical(measured, 'length'));
      work.given('Float wanted', canonical(input.targetMm, 'length'));
      work.given('Thicker pack', looser ? 'looser' : 'tighter');
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
      const parts = depths.map((d) => d.uncertaintyMm ?? input.gaugeUncertaintyMm);
      uncertaintyMm = parts.some((u) => u === undefined) ? undefined : Math.hypot(...parts.map((u) => u!));
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
        input.method === 'trial' ? 'measured' : input.method,
        f(neededMm, 3),
        'figures that leave room for a pack',
        `the pack would be ${f(neededMm, 3)} mm: read again, or look for a part that is fitted wrong`,
      );
    }
    if (uncertaintyMm === undefined)
      work.warn(
        'no-uncertainty',
        'How well the gauge reads was not given: no ± is claimed for this pack. Prove the float after fitting.',
      );
    if (input.targetMm < 0) work.warn('preload', 'Preload reached through the pack: check it by rolling drag.');
    return {
      shimNeeded: canonical(neededMm, 'length'),
      uncertainty: uncertaintyMm === undefined ? undefined : canonical(uncertaintyMm, 'length'),
    };
  },
});
