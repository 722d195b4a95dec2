import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, optional, quantity, ReckonError } from '../shape/index.ts';

/** Specific heat of steel, J/(kg·K). */
const STEEL_HEAT = 460;
/** Below this, dry ice no longer reaches and steel shrinks less than its handbook figure (common practice). */
const DRY_ICE_C = -78;

/**
 * How hot a ring must be to drop on, and how long it stays so. rise = (interference + clearance)/(α d). When that is
 * hotter than allowed, the ring goes to the limit and the shaft takes the rest by cold. Cooling of the ring by
 * Newton's law: t = m c/(h A) · ln(rise now / rise at which the clearance is gone).
 */
export const heatToFit = defineReckoner({
  id: 'heat-to-fit',
  title: 'Heat to fit',
  subject: 'fits',
  asks: ['how hot', 'oven', 'heater', 'freeze the shaft', 'drop on'],
  formula: 'rise = (interference + clearance)/(α d);  time = m c/(h A) · ln(rise / rise without clearance)',
  sources: ['linear expansion; Newton’s law of cooling', '120 °C for rolling bearings: common practice'],
  checks: [
    {
      inputs: { diameter: '50 mm', interference: '0.042 mm', clearance: '0.030 mm' },
      gives: { rise: '125 K', temperatureNeeded: '145 °C' },
      source: 'by hand: 0.072/(11.5e-6 × 50)',
    },
  ],
  inputs: {
    diameter: quantity('length', 'Diameter of the fit', { above: 0, max: 5000 }),
    interference: quantity('length', 'Interference on diameter', { min: 0, max: 50 }),
    clearance: quantity('length', 'Clearance to drop freely', { min: 0, max: 50 }),
    expansion: defaulted(
      quantity('expansion', 'Expansion of ring and shaft', { above: 0, max: 1e-3, bareUnit: '1/K' }),
      '11.5e-6 1/K',
    ),
    ambient: defaulted(quantity('temperature', 'Temperature of the shop', { min: -60, max: 80 }), '20 °C'),
    limitTemperature: defaulted(quantity('temperature', 'No hotter than', { min: 0, max: 1000 }), '120 °C'),
    coolShaftTo: optional(quantity('temperature', 'Shaft cooled to', { min: -200, max: 80 })),
    mass: optional(quantity('mass', 'Mass of the ring', { above: 0, max: 10000 })),
    surface: optional(quantity('area', 'Surface of the ring', { above: 0, max: 1e9 })),
    filmCoefficient: defaulted(
      quantity('filmCoefficient', 'Film coefficient', { above: 0, max: 10000 }),
      '15 W/(m²·K)',
    ),
  },
  outputs: {
    rise: { label: 'Rise needed', is: 'temperatureDifference' },
    temperatureNeeded: { label: 'Heat the ring to', is: 'temperature' },
    chillShaftTo: { label: 'And cool the shaft to', is: 'temperature', optional: true },
    droppableFor: { label: 'Drops on for', is: 'time', optional: true },
  },
  compute(input, work) {
    const perK = input.expansionPerK * input.diameterMm;
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
    const fromShaft = input.coolShaftToC === undefined ? 0 : Math.max(0, input.ambientC - input.coolShaftToC) * perK;
    const rise = Math.max(0, total - fromShaft) / perK;
    const needed = input.ambientC + rise;
    if (fromShaft > 0)
      work.step(
        'The cold shaft gives',
        'α d (ambient − shaft)',
        `${f(input.expansionPerK * 1e6)}·10⁻⁶ × ${f(input.diameterMm)} × ${f(input.ambientC - input.coolShaftToC!)}`,
        canonical(fromShaft, 'length'),
      );
    work.step(
      'Rise needed',
      '(interference + clearance − cold shaft)/(α d)',
      `(${f(input.interferenceMm, 3)} + ${f(input.clearanceMm, 3)} − ${f(fromShaft, 3)})/(${f(input.expansionPerK * 1e6)}·10⁻⁶ × ${f(input.diameterMm)})`,
      canonical(rise, 'temperatureDifference'),
    );
    work.step('Temperature', 'ambient + rise', `${f(input.ambientC)} + ${f(rise)}`, canonical(needed, 'temperature'));
    let chill: number | undefined;
    let ringRise = rise;
    if (needed > input.limitTemperatureC) {
      ringRise = input.limitTemperatureC - input.ambientC;
      const rest = total - ringRise * perK;
      chill = input.ambientC - rest / perK;
      work.step(
        'Left for the shaft',
        'total − α d (limit − ambient)',
        `${f(total, 3)} − ${f(ringRise * perK, 3)}`,
        canonical(rest, 'length'),
      );
      work.step(
        'Cool the shaft to',
        'ambient − rest/(α d)',
        `${f(input.ambientC)} − ${f(rest / perK)}`,
        canonical(chill, 'temperature'),
      );
      work.warn(
        `${f(needed, 0)} °C is past the ${f(input.limitTemperatureC)} °C allowed: heat to the limit and cool the shaft to ${f(chill, 0)} °C.`,
      );
      if (chill < -273.15)
        throw new ReckonError(
          'no-fit-possible',
          'interference',
          input.interferenceMm,
          'less interference: no cold is enough',
        );
      if (chill < DRY_ICE_C)
        work.warn(
          'Colder than dry ice. Steel shrinks less than this far down, and cold burns: follow the rules for liquid nitrogen.',
        );
    }
    let droppable: number | undefined;
    if (input.massKg !== undefined && input.surfaceMm2 !== undefined) {
      const shaftGives = Math.max(fromShaft, total - ringRise * perK);
      const riseAtContact = Math.max(0, input.interferenceMm - shaftGives) / perK;
      const tau = (input.massKg * STEEL_HEAT) / (input.filmCoefficientWPerM2K * input.surfaceMm2 * 1e-6);
      work.step(
        'Cools with a time constant of',
        'm c/(h A)',
        `${f(input.massKg)} × ${STEEL_HEAT} / (${f(input.filmCoefficientWPerM2K)} × ${f(input.surfaceMm2 * 1e-6)})`,
        canonical(tau, 'time'),
      );
      if (riseAtContact > 0 && ringRise > riseAtContact) {
        droppable = tau * Math.log(ringRise / riseAtContact);
        work.step(
          'Drops on for',
          'τ ln(rise / rise at which it touches)',
          `${f(tau)} × ln(${f(ringRise)} / ${f(riseAtContact)})`,
          canonical(droppable, 'time'),
        );
        work.warn(
          'Once it touches the shaft it cools in seconds: have everything at hand, push it home in one go and hold it there.',
        );
      }
    }
    work.warn('Hot parts burn and do not look hot. Greased and sealed bearings take less than 120 °C: see the maker.');
    return {
      rise: canonical(rise, 'temperatureDifference'),
      temperatureNeeded: canonical(needed, 'temperature'),
      chillShaftTo: chill === undefined ? undefined : canonical(chill, 'temperature'),
      droppableFor: droppable === undefined ? undefined : canonical(droppable, 'time'),
    };
  },
});
