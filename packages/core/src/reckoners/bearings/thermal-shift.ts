import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { materialNames, materials, type MaterialName } from '../materials/materials.ts';
import { choice, defaulted, defineReckoner, optional, quantity, ReckonError, type Work } from '../shape/index.ts';

/**
 * How the float of a bearing pair changes when case and shaft warm together.
 * change = (α case − α shaft) · span · ΔT, the growth of the case less that of the shaft. A positive one loosens a
 * face-to-face pair and tightens a back-to-back one: `floatChange` carries that sign. Linear expansion; common practice.
 */
export const thermalShift = defineReckoner({
  id: 'thermal-shift',
  title: 'Float when it is hot',
  subject: 'bearings',
  asks: ['aluminium case', 'float when hot', 'loosens when warm', 'cold setting'],
  formula: 'change = (α case − α shaft) · span · ΔT',
  sources: ['linear expansion', 'expansion of materials: handbook figures, from memory'],
  checks: [
    {
      inputs: { span: '150 mm', temperatureRise: '70 K', caseMaterial: 'aluminium', shaftMaterial: 'steel' },
      gives: { change: '0.122 mm', effect: 'looser' },
      source: 'by hand: 11.6e-6 × 150 × 70',
    },
  ],
  dangers: {
    'equally-warm': {
      harm: 'A shaft hotter than its case takes up the float: the bearing runs preloaded and burns.',
      fires: {},
    },
  },
  inputs: {
    span: quantity('length', 'Span between the bearings', { above: 0, max: 10000 }),
    temperatureRise: quantity('temperatureDifference', 'Temperature rise', { min: -300, max: 600 }),
    caseMaterial: optional(choice(materialNames, 'Case')),
    caseExpansion: optional(quantity('expansion', 'Expansion of the case', { min: 0, max: 1e-3, bareUnit: '1/K' })),
    shaftMaterial: optional(choice(materialNames, 'Shaft')),
    shaftExpansion: optional(quantity('expansion', 'Expansion of the shaft', { min: 0, max: 1e-3, bareUnit: '1/K' })),
    arrangement: defaulted(choice(['face-to-face', 'back-to-back'], 'Arrangement'), 'face-to-face'),
  },
  outputs: {
    change: { label: 'Growth of the case less the shaft', is: 'length' },
    floatChange: { label: 'Change of the float', is: 'length' },
    effect: { label: 'The pair becomes', is: 'word' },
  },
  compute(input, work) {
    const inCase = expansionOf('case', input.caseMaterial, input.caseExpansionPerK, work);
    const inShaft = expansionOf('shaft', input.shaftMaterial, input.shaftExpansionPerK, work);
    const change = (inCase - inShaft) * input.spanMm * input.temperatureRiseK;
    const floatChange = input.arrangement === 'face-to-face' ? change : -change;
    work.step(
      'Growth of the case less the shaft',
      '(α case − α shaft) · span · ΔT',
      `(${f(inCase * 1e6)} − ${f(inShaft * 1e6)})·10⁻⁶ × ${f(input.spanMm)} × ${f(input.temperatureRiseK)}`,
      canonical(change, 'length'),
    );
    work.step(
      'Change of the float',
      input.arrangement === 'face-to-face'
        ? 'the same: face to face loosens as the case grows'
        : 'turned round: back to back tightens as the case grows',
      input.arrangement,
      canonical(floatChange, 'length'),
    );
    const effect = Math.abs(floatChange) < 1e-9 ? 'unchanged' : floatChange > 0 ? 'looser' : 'tighter';
    work.warn(
      'equally-warm',
      'Case and shaft are taken to be equally warm. A shaft that runs hotter than its case is tighter than this.',
    );
    return { change: canonical(change, 'length'), floatChange: canonical(floatChange, 'length'), effect };
  },
});

function expansionOf(
  part: 'case' | 'shaft',
  material: MaterialName | undefined,
  own: number | undefined,
  work: Work,
): number {
  if ((material === undefined) === (own === undefined))
    throw new ReckonError(
      material === undefined ? 'missing-field' : 'inconsistent',
      `${part}Material`,
      material ?? null,
      `either ${part}Material or ${part}Expansion`,
    );
  const value = own ?? materials[material!].expansionPerK;
  work.given(`Expansion of the ${part}`, canonical(value, 'expansion'));
  return value;
}
