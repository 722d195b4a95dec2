import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { materialNames, materials, type MaterialName } from '../materials/materials.ts';
import { choice, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';

/** Where sizes are stated, °C (ISO 1). */
const REFERENCE_C = 20;
const ABSOLUTE_ZERO_C = -273.15;

/**
 * Interference of a fit at another temperature, and the temperature at which it lets go: the part outside and the part
 * inside grow by their own expansion. then = interference − d (α outer − α inner)(T − 20 °C).
 */
export const gripAtTemperature = defineReckoner({
  id: 'grip-at-temperature',
  title: 'Does the fit hold when warm',
  subject: 'bearings',
  asks: [
    'bearing spins in the case',
    'loose when hot',
    'aluminium case',
    'creep of the outer ring',
    'how warm to take it out',
  ],
  formula:
    'then = interference − d (α outer − α inner)(T − 20 °C);  loose at 20 °C + interference/(d (α outer − α inner))',
  sources: ['linear expansion; sizes at 20 °C (ISO 1)', 'expansion by material: handbook figures, from memory'],
  checks: [
    {
      inputs: {
        diameter: '62 mm',
        interference: '0.03 mm',
        outerExpansion: '23.1 µm/(m·K)',
        innerExpansion: '11.5 µm/(m·K)',
        temperature: '90 °C',
      },
      // 62 × 11.6e-6 = 0.000719 mm/K
      gives: { loosensAt: '61.7 °C', interferenceThen: '-0.0203 mm', verdict: 'loose' },
      source: 'by hand: 20 + 0.03/(62 × 11.6e-6)',
    },
    {
      inputs: { diameter: '62 mm', interference: '0.03 mm', outerExpansion: 23.1e-6, innerExpansion: 11.5e-6 },
      gives: { loosensAt: '61.7 °C' },
      source: 'the same, with expansions as bare numbers in 1/K',
    },
  ],
  dangers: {
    'lets-go': {
      harm: 'Warm, the ring turns in its seat: it wears the case out, and the shaft runs off its gears.',
      fires: { temperature: '61.8 °C' },
      silent: { temperature: '61.6 °C' },
    },
    'tighter-when-warm': {
      harm: 'The part inside grows more than the one outside: warm, the ring is burst or the bearing loses its clearance.',
      fires: { innerExpansion: 26e-6 },
      silent: { innerExpansion: 11.5e-6 },
    },
    'equally-warm': {
      harm: 'A case in the wind is colder than its bearing: the fit is another one than reckoned.',
      fires: {},
    },
  },
  inputs: {
    diameter: quantity('length', 'Diameter of the fit', { above: 0, max: 5000 }),
    interference: quantity('length', 'Interference at 20 °C', { min: 0, max: 10 }),
    outerMaterial: optional(choice(materialNames, 'Outside: case or hub')),
    innerMaterial: optional(choice(materialNames, 'Inside: ring or shaft')),
    temperature: optional(quantity('temperature', 'Both are at', { min: -200, max: 600 })),
    outerExpansion: more(
      optional(quantity('expansion', 'Expansion outside', { above: 0, max: 1e-3, bareUnit: '1/K' })),
    ),
    innerExpansion: more(optional(quantity('expansion', 'Expansion inside', { above: 0, max: 1e-3, bareUnit: '1/K' }))),
  },
  outputs: {
    interferenceThen: { label: 'Interference then', is: 'length', optional: true },
    loosensAt: { label: 'Lets go at', is: 'temperature', optional: true },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    if (input.outerExpansionPerK === undefined && input.outerMaterial === undefined)
      throw new ReckonError('missing-field', 'outerMaterial', null, 'outerMaterial or outerExpansion');
    const side = (name: string, alpha: number | undefined, material: MaterialName): number => {
      const value = alpha ?? materials[material].expansionPerK;
      work.assume(name, canonical(value, 'expansion'), alpha === undefined ? `of ${material}` : 'as given');
      return value;
    };
    const outer = side('Expansion outside', input.outerExpansionPerK, input.outerMaterial ?? 'steel');
    const inner = side('Expansion inside', input.innerExpansionPerK, input.innerMaterial ?? 'steel');
    const perK = input.diameterMm * (outer - inner);
    work.step(
      'Changes with each kelvin by',
      'd (α outer − α inner)',
      `${f(input.diameterMm)} × (${f(outer * 1e6)} − ${f(inner * 1e6)})·10⁻⁶`,
      canonical(perK, 'length'),
    );
    let loosensAt: number | undefined;
    if (Math.abs(perK) > 1e-12) {
      const at = REFERENCE_C + input.interferenceMm / perK;
      if (at > ABSOLUTE_ZERO_C && at < 2000) loosensAt = at;
      if (loosensAt !== undefined)
        work.step(
          'Lets go at',
          '20 °C + interference / that',
          `20 + ${f(input.interferenceMm, 4)} / ${f(perK, 6)}`,
          canonical(loosensAt, 'temperature'),
        );
    }
    let then: number | undefined;
    if (input.temperatureC !== undefined) {
      then = input.interferenceMm - perK * (input.temperatureC - REFERENCE_C);
      work.step(
        'Interference then',
        'interference − d (α outer − α inner)(T − 20 °C)',
        `${f(input.interferenceMm, 4)} − ${f(perK, 6)} × ${f(input.temperatureC - REFERENCE_C)}`,
        canonical(then, 'length'),
      );
      if (then <= 0)
        work.warn(
          'lets-go',
          `At ${f(input.temperatureC)} °C it is loose: take a closer fit, retaining compound that is good for that heat, or a ring that is held.`,
        );
    }
    if (perK < 0)
      work.warn(
        'tighter-when-warm',
        'The inside grows more: warm it grips harder. See that the ring outside and the clearance of the bearing bear it.',
      );
    work.warn(
      'equally-warm',
      'Both parts are taken to be equally warm: a bearing that heats itself is warmer than its case.',
    );
    return {
      interferenceThen: then === undefined ? undefined : canonical(then, 'length'),
      loosensAt: loosensAt === undefined ? undefined : canonical(loosensAt, 'temperature'),
      verdict: then === undefined ? undefined : then > 0 ? 'holds' : 'loose',
    };
  },
});
