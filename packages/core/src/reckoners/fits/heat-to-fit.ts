import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { materialNames, materials } from '../materials/materials.ts';
import { choice, defaulted, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';
import { filmOf, ringBody, STEEL_HEAT } from './ring-cooling.ts';

/** How far down each means of cooling reaches, °C: common practice. */
const FREEZER_C = -25;
const DRY_ICE_C = -78;
const LIQUID_NITROGEN_C = -196;
/** Greased and sealed bearings are not heated past this: common practice. */
const SEALED_LIMIT_C = 80;
/** Film coefficient in still air where the size of the ring is not known, W/(m²·K): handbooks. */
const STILL_AIR = 15;
/** Ring and shaft of ordinary bearing steel. */
const STEEL = '11.5e-6 1/K';

/**
 * How hot a ring must be to drop on, how cold its shaft where that is too hot, and how long the ring stays large enough.
 * rise = (interference + clearance − shift of the shaft)/(α ring · d); a cold shaft counts its own shrinkage, a warm one
 * its growth. Cooling by Newton's law, film coefficient and surface from the size of the ring.
 */
export const heatToFit = defineReckoner({
  id: 'heat-to-fit',
  title: 'Heat to fit',
  subject: 'fits',
  asks: ['how hot', 'oven', 'heater', 'freeze the shaft', 'drop on'],
  formula:
    'rise = (interference + clearance − α shaft d (ambient − shaft))/(α ring d);  time = m c/(h A) · ln(rise / rise without clearance)',
  sources: [
    'linear expansion; Newton’s law of cooling; free convection in air and radiation of bright steel (handbooks)',
    '120 °C for rolling bearings, 80 °C for sealed ones: common practice',
    'expansion by material: handbook figures, from memory (cast aluminium 21 to 22 ·10⁻⁶)',
  ],
  checks: [
    {
      inputs: { diameter: '50 mm', interference: '0.042 mm', clearance: '0.030 mm' },
      gives: { rise: '125 K', temperatureNeeded: '145 °C', heatTo: '120 °C', verdict: 'heat-and-chill' },
      source: 'by hand: 0.072/(11.5e-6 × 50)',
    },
    {
      inputs: {
        diameter: '62 mm',
        interference: '0.03 mm',
        clearance: '0.03 mm',
        ringMaterial: 'aluminium',
        shaftMaterial: 'steel',
      },
      gives: { rise: '41.9 K', heatTo: '61.9 °C', verdict: 'heat' },
      source: 'by hand: 0.06/(23.1e-6 × 62)',
    },
    {
      inputs: { diameter: '50 mm', interference: '0.042 mm', clearance: '0.030 mm', coolShaftTo: '70 °C' },
      gives: { rise: '175 K' },
      source: 'by hand: the warm shaft is 50 K over ambient and counts against it',
    },
  ],
  dangers: {
    'past-the-limit': {
      harm: 'A bearing heated past its limit is soft, and its grease and cage are spoilt: it fails on the road.',
      fires: { interference: '0.0276 mm' },
      silent: { interference: '0.0274 mm' },
    },
    'sealed-limit': {
      harm: 'A sealed or greased bearing is heated as a bare one: seal and grease are gone.',
      fires: { interference: '0.0048 mm' },
      silent: { interference: '0.0042 mm' },
    },
    'dry-ice': {
      harm: 'Dry ice burns the hand, and its gas settles in pits and cabs where nobody smells it.',
      fires: { interference: '0.055 mm' },
      silent: { interference: '0.050 mm' },
    },
    'liquid-nitrogen': {
      harm: 'Liquid nitrogen burns, bursts what is closed, makes steel brittle, and takes the air out of a room.',
      fires: { interference: '0.085 mm' },
      silent: { interference: '0.080 mm' },
    },
    'no-time': {
      harm: 'The ring grips halfway: it is driven on cold, and what was saved is broken.',
      fires: { interference: '0.020 mm', ringOutside: '90 mm', ringWidth: '20 mm' },
      silent: { interference: '0.020 mm' },
    },
    'warm-shaft': {
      harm: 'A shaft still warm from the last try has grown: the ring stops halfway.',
      fires: { coolShaftTo: '21 °C' },
      silent: { coolShaftTo: '20 °C' },
    },
    burns: {
      harm: 'A ring at 120 °C looks as a cold one does, and takes the skin off a hand.',
      fires: {},
    },
  },
  inputs: {
    diameter: quantity('length', 'Diameter of the fit', { above: 0, max: 5000 }),
    interference: quantity('length', 'Interference on diameter', { min: 0, max: 50 }),
    clearance: quantity('length', 'Clearance to drop freely', { min: 0, max: 50 }),
    ringMaterial: optional(choice(materialNames, 'Ring or housing made of')),
    shaftMaterial: optional(choice(materialNames, 'Shaft or part inside made of')),
    ringOutside: optional(quantity('length', 'Outside of the ring', { above: 0, max: 10000 })),
    ringWidth: optional(quantity('length', 'Width of the ring', { above: 0, max: 5000 })),
    ambient: defaulted(quantity('temperature', 'Temperature of the shop', { min: -60, max: 80 }), '20 °C'),
    limitTemperature: defaulted(quantity('temperature', 'No hotter than', { min: 0, max: 1000 }), '120 °C'),
    coolShaftTo: optional(
      quantity('temperature', 'Shaft is at', { min: LIQUID_NITROGEN_C, max: 200, help: 'as the shop, when left out' }),
    ),
    ringExpansion: more(
      optional(quantity('expansion', 'Expansion of the ring', { above: 0, max: 1e-3, bareUnit: '1/K' })),
    ),
    shaftExpansion: more(
      optional(quantity('expansion', 'Expansion of the shaft', { above: 0, max: 1e-3, bareUnit: '1/K' })),
    ),
    expansion: more(
      defaulted(
        quantity('expansion', 'Expansion where neither is said', { above: 0, max: 1e-3, bareUnit: '1/K' }),
        STEEL,
      ),
    ),
    mass: more(optional(quantity('mass', 'Mass of the ring', { above: 0, max: 10000 }))),
    surface: more(optional(quantity('area', 'Surface of the ring', { above: 0, max: 1e9 }))),
    filmCoefficient: more(optional(quantity('filmCoefficient', 'Film coefficient', { above: 0, max: 10000 }))),
  },
  outputs: {
    heatTo: { label: 'Heat the ring to', is: 'temperature' },
    chillShaftTo: { label: 'And cool the shaft to', is: 'temperature', optional: true },
    chillWith: { label: 'Cooled with', is: 'word', optional: true },
    verdict: { label: 'How', is: 'word' },
    droppableFor: { label: 'Drops on for', is: 'time', optional: true },
    rise: { label: 'Rise that heat alone would take', is: 'temperatureDifference' },
    temperatureNeeded: { label: 'Heat alone would take (not to be used above the limit)', is: 'temperature' },
  },
  compute(input, work) {
    const alphaRing =
      input.ringExpansionPerK ??
      (input.ringMaterial === undefined ? input.expansionPerK : materials[input.ringMaterial].expansionPerK);
    const alphaShaft =
      input.shaftExpansionPerK ??
      (input.shaftMaterial === undefined ? input.expansionPerK : materials[input.shaftMaterial].expansionPerK);
    const ringPerK = alphaRing * input.diameterMm;
    const shaftPerK = alphaShaft * input.diameterMm;
    const total = input.interferenceMm + input.clearanceMm;
    if (total <= 0)
      throw new ReckonError('out-of-range', 'interference', 0, 'an interference or a clearance above nothing');
    if (input.limitTemperatureC <= input.ambientC)
      throw new ReckonError(
        'out-of-range',
        'limitTemperature',
        input.limitTemperatureC,
        `above the shop’s ${f(input.ambientC)} °C`,
      );
    const shaftC = input.coolShaftToC ?? input.ambientC;
    const fromShaft = (input.ambientC - shaftC) * shaftPerK;
    const rise = Math.max(0, total - fromShaft) / ringPerK;
    const needed = input.ambientC + rise;
    work.given('Expansion of the ring', canonical(alphaRing, 'expansion'));
    if (alphaShaft !== alphaRing) work.given('Expansion of the shaft', canonical(alphaShaft, 'expansion'));
    if (fromShaft !== 0)
      work.step(
        fromShaft > 0 ? 'The cold shaft gives' : 'The warm shaft takes',
        'α shaft d (ambient − shaft)',
        `${f(alphaShaft * 1e6)}·10⁻⁶ × ${f(input.diameterMm)} × ${f(input.ambientC - shaftC)}`,
        canonical(fromShaft, 'length'),
      );
    work.step(
      'Rise needed',
      '(interference + clearance − shift of the shaft)/(α ring d)',
      `(${f(input.interferenceMm, 3)} + ${f(input.clearanceMm, 3)} − ${f(fromShaft, 3)})/(${f(alphaRing * 1e6)}·10⁻⁶ × ${f(input.diameterMm)})`,
      canonical(rise, 'temperatureDifference'),
    );
    work.step('Heat alone', 'ambient + rise', `${f(input.ambientC)} + ${f(rise)}`, canonical(needed, 'temperature'));
    if (fromShaft < 0)
      work.warn(
        'warm-shaft',
        `The shaft is ${f(shaftC - input.ambientC)} K over the shop: let it cool first, it takes from the clearance.`,
      );
    const tooHot = needed > input.limitTemperatureC + 1e-9;
    const ringRise = tooHot ? input.limitTemperatureC - input.ambientC : rise;
    const heatTo = input.ambientC + ringRise;
    work.step(
      'Heat the ring to',
      'no hotter than the limit',
      `least of ${f(needed)} and ${f(input.limitTemperatureC)}`,
      canonical(heatTo, 'temperature'),
    );
    let chill: number | undefined;
    if (tooHot) {
      const rest = total - ringRise * ringPerK;
      chill = input.ambientC - rest / shaftPerK;
      work.step(
        'Left for the shaft',
        'total − α ring d (limit − ambient)',
        `${f(total, 3)} − ${f(ringRise * ringPerK, 3)}`,
        canonical(rest, 'length'),
      );
      work.step(
        'Cool the shaft to',
        'ambient − rest/(α shaft d)',
        `${f(input.ambientC)} − ${f(rest / shaftPerK)}`,
        canonical(chill, 'temperature'),
      );
      if (chill < LIQUID_NITROGEN_C)
        throw new ReckonError(
          'no-fit-possible',
          'interference',
          input.interferenceMm,
          'less interference, or a press',
          `interference: heated to ${f(input.limitTemperatureC)} °C the shaft would have to be at ${f(chill, 0)} °C, colder than liquid nitrogen`,
        );
      work.warn(
        'past-the-limit',
        `Heat alone would take more than the ${f(input.limitTemperatureC)} °C allowed: heat the ring to ${f(input.limitTemperatureC)} °C and no further, and cool the shaft to ${f(chill, 0)} °C.`,
      );
    }
    if (heatTo > SEALED_LIMIT_C)
      work.warn(
        'sealed-limit',
        `A sealed or greased bearing takes no more than about ${SEALED_LIMIT_C} °C: see the maker.`,
      );
    const chillWith = chill === undefined ? undefined : coolant(chill);
    if (chill !== undefined && chillWith === 'dry ice')
      work.warn(
        'dry-ice',
        'This takes dry ice (−78 °C) in spirit: thick gloves, goggles, a well aired place above ground; wipe the frost off before it goes in.',
      );
    if (chill !== undefined && chillWith === 'liquid nitrogen')
      work.warn(
        'liquid-nitrogen',
        'Colder than dry ice: this takes liquid nitrogen, face shield, loose gloves, an open place and somebody beside you; never in a closed vessel or a pit. Steel shrinks about a fifth less than reckoned down there, and is brittle.',
      );
    const droppable = dropTime();
    work.warn(
      'burns',
      'Hot parts burn and do not look hot: gloves, a clear way to the shaft, and a sign on what cools.',
    );
    return {
      heatTo: canonical(heatTo, 'temperature'),
      chillShaftTo: chill === undefined ? undefined : canonical(chill, 'temperature'),
      chillWith,
      verdict: tooHot ? 'heat-and-chill' : rise > 0 ? 'heat' : 'drops-cold',
      droppableFor: droppable === undefined ? undefined : canonical(droppable, 'time'),
      rise: canonical(rise, 'temperatureDifference'),
      temperatureNeeded: canonical(needed, 'temperature'),
    };

    function dropTime(): number | undefined {
      const body =
        input.ringOutsideMm === undefined || input.ringWidthMm === undefined
          ? undefined
          : ringBody(input.diameterMm, outsideOf(input.ringOutsideMm), input.ringWidthMm);
      const mass = input.massKg ?? body?.massKg;
      const surface = input.surfaceMm2 ?? body?.surfaceMm2;
      if (mass === undefined || surface === undefined) return undefined;
      const size = input.ringOutsideMm ?? input.diameterMm * 1.6;
      const film = input.filmCoefficientWPerM2K ?? (body ? filmOf(size, heatTo, input.ambientC) : STILL_AIR);
      if (input.massKg === undefined)
        work.step(
          'Mass of the ring',
          '7850 kg/m³ × its volume',
          `${f(input.diameterMm)} to ${f(size)} × ${f(input.ringWidthMm!)}`,
          canonical(mass, 'mass'),
        );
      if (input.surfaceMm2 === undefined)
        work.step('Surface of the ring', 'both faces and both rims', 'of the same', canonical(surface, 'area'));
      if (input.filmCoefficientWPerM2K === undefined && body)
        work.step(
          'Film coefficient',
          '1.32 (ΔT/D)^¼ + radiation (ε 0.3)',
          `ΔT ${f(heatTo - input.ambientC)} K, D ${f(size / 1000, 3)} m`,
          canonical(film, 'filmCoefficient'),
        );
      else if (input.filmCoefficientWPerM2K === undefined)
        work.assume(
          'Film coefficient',
          canonical(film, 'filmCoefficient'),
          'still air; the size of the ring is not given',
        );
      const shaftGives = chill === undefined ? fromShaft : total - ringRise * ringPerK;
      const riseAtContact = Math.max(0, input.interferenceMm - shaftGives) / ringPerK;
      const tau = (mass * STEEL_HEAT) / (film * surface * 1e-6);
      work.step(
        'Cools with a time constant of',
        'm c/(h A)',
        `${f(mass)} × ${STEEL_HEAT} / (${f(film)} × ${f(surface * 1e-6, 4)})`,
        canonical(tau, 'time'),
      );
      if (!(riseAtContact > 0 && ringRise > riseAtContact)) return undefined;
      const time = tau * Math.log(ringRise / riseAtContact);
      work.step(
        'Drops on for',
        'τ ln(rise / rise at which it touches)',
        `${f(tau)} × ln(${f(ringRise)} / ${f(riseAtContact)})`,
        canonical(time, 'time'),
      );
      work.warn(
        'no-time',
        'Once it touches the shaft it cools in seconds: have everything at hand, push it home in one go and hold it there.',
      );
      return time;
    }
    function outsideOf(outside: number): number {
      if (outside <= input.diameterMm)
        throw new ReckonError(
          'out-of-range',
          'ringOutside',
          outside,
          `more than the diameter, ${f(input.diameterMm)} mm`,
        );
      return outside;
    }
  },
});

/** What reaches a temperature: a freezer, dry ice or liquid nitrogen. */
function coolant(c: number): 'freezer' | 'dry ice' | 'liquid nitrogen' {
  return c >= FREEZER_C ? 'freezer' : c >= DRY_ICE_C ? 'dry ice' : 'liquid nitrogen';
}
