import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { materialNames, materials } from '../materials/materials.ts';
import { choice, defaulted, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';

/** Reference temperature of lengths, °C (ISO 1). */
const REFERENCE_C = 20;

/** What a warm part would measure at 20 °C, with the gauge's own warmth taken out too. ISO 1. */
export const sizeAt20 = defineReckoner({
  id: 'size-at-20',
  title: 'Size at 20 °C',
  subject: 'metrology',
  asks: ['warm part', 'measured hot', 'temperature correction'],
  formula: 'L20 = L (1 + αg (tg − 20))/(1 + α (t − 20))',
  sources: ['ISO 1; linear expansion', 'expansion of materials: handbook figures, from memory'],
  checks: [
    {
      inputs: { length: '100.000 mm', material: 'aluminium', partTemperature: '50 °C', gaugeTemperature: '20 °C' },
      gives: { lengthAt20: '99.931 mm' },
      source: 'by hand: 100/(1 + 23.1e-6 × 30)',
    },
  ],
  dangers: {
    'still-warm': {
      harm: 'A hot part is fitted by its reckoned size while the gauge warms in the hand: the fit is wrong by hundredths.',
      fires: { partTemperature: '36 °C' },
      silent: { partTemperature: '35 °C' },
    },
  },
  inputs: {
    length: quantity('length', 'Reading', { above: 0, max: 1e5 }),
    material: optional(choice(materialNames, 'Part')),
    expansion: optional(quantity('expansion', 'Expansion of the part', { min: 0, max: 1e-3, bareUnit: '1/K' })),
    partTemperature: quantity('temperature', 'Temperature of the part', { min: -200, max: 1000 }),
    gaugeTemperature: optional(
      quantity('temperature', 'Temperature of the gauge', { min: -200, max: 1000, help: 'as the part, when left out' }),
    ),
    gaugeExpansion: more(
      defaulted(quantity('expansion', 'Expansion of the gauge', { min: 0, max: 1e-3, bareUnit: '1/K' }), '11.5e-6 1/K'),
    ),
  },
  outputs: { lengthAt20: { label: 'At 20 °C', is: 'length' } },
  compute(input, work) {
    if ((input.material === undefined) === (input.expansionPerK === undefined))
      throw new ReckonError(
        input.material === undefined ? 'missing-field' : 'inconsistent',
        'material',
        input.material ?? null,
        'either material or expansion',
      );
    const alpha = input.expansionPerK ?? materials[input.material!].expansionPerK;
    const tg = input.gaugeTemperatureC ?? input.partTemperatureC;
    if (input.gaugeTemperatureC === undefined)
      work.assume('Temperature of the gauge', canonical(tg, 'temperature'), 'as the part, not given');
    work.given('Expansion of the part', canonical(alpha, 'expansion'));
    const at20 =
      (input.lengthMm * (1 + input.gaugeExpansionPerK * (tg - REFERENCE_C))) /
      (1 + alpha * (input.partTemperatureC - REFERENCE_C));
    work.step(
      'At 20 °C',
      'L (1 + αg (tg − 20))/(1 + α (t − 20))',
      `${f(input.lengthMm, 4)} × (1 + ${f(input.gaugeExpansionPerK * 1e6)}·10⁻⁶ × ${f(tg - 20)})/(1 + ${f(alpha * 1e6)}·10⁻⁶ × ${f(input.partTemperatureC - 20)})`,
      canonical(at20, 'length'),
    );
    if (Math.abs(input.partTemperatureC - tg) > 15)
      work.warn(
        'still-warm',
        'Part and gauge differ a lot: the gauge warms while it is held. Let the part cool if it can wait.',
      );
    return { lengthAt20: canonical(at20, 'length') };
  },
});
