import {
  bearingFit,
  gripAtTemperature,
  heatToFit,
  oringGland,
  ReckonError,
  squeezeWindow,
} from '../../reckoners/index.ts';
import { glandInputs } from '../fits.ts';
import type { Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** Parts that are pressed, heated or squeezed can be: a slip in a size is found here and not at the bench. */
export const fitRules: readonly Rule[] = [
  ringsLieInTheirGrooves,
  heatIsEnough,
  fitsHoldWhenWarm,
  bearingsKeepClearance,
];

function ringsLieInTheirGrooves(sheet: Sheet, report: Report): void {
  for (const part of Object.values(sheet.parts)) {
    const gland = part.ring?.gland;
    if (!part.ring || !gland) continue;
    try {
      const { squeeze } = oringGland.reckon(glandInputs(part.ring, gland)).results;
      const { low, high } = squeezeWindow(gland.motion, gland.medium);
      if (squeeze.value < low || squeeze.value > high)
        report(
          ['parts', part.id, 'ring'],
          'ring-does-not-fit',
          `"${part.title}" is squeezed by ${squeeze.value.toFixed(1)} % in its groove; ${low} to ${high} % are usual`,
          'warning',
        );
    } catch (e) {
      if (!(e instanceof ReckonError)) throw e;
      report(['parts', part.id, 'ring', 'gland'], e.code, e.message);
    }
  }
}

function heatIsEnough(sheet: Sheet, report: Report): void {
  for (const { op, step } of opsOf(sheet, 'heat')) {
    const fit = op.part === undefined ? undefined : sheet.parts[op.part]?.fit;
    if (!fit) continue;
    const { results } = heatToFit.reckon({
      diameter: fit.diameter,
      interference: fit.interference.high,
      clearance: fit.clearance,
      limitTemperature: fit.limit,
    });
    if (results.chillShaftTo)
      report(
        ['rungs', step.rung],
        'heat-is-not-enough',
        `"${op.what}" drops on at ${Math.round(results.temperatureNeeded.value)} °C, more than it stands: say that the shaft is cooled, or look at its fit`,
        'warning',
      );
  }
}

/** A ring in a light case that lets go before the unit is warm turns in its seat. */
function fitsHoldWhenWarm(sheet: Sheet, report: Report): void {
  for (const part of Object.values(sheet.parts)) {
    const { fit } = part;
    if (!fit?.warm) continue;
    const { results } = gripAtTemperature.reckon({
      diameter: fit.diameter,
      interference: fit.interference.low,
      outerMaterial: fit.warm.around,
      temperature: fit.warm.temperature,
    });
    if (results.verdict === 'loose')
      report(
        ['parts', part.id, 'fit', 'warm'],
        'loose-when-warm',
        `"${part.title}" lets go at ${Math.round(results.loosensAt?.value ?? 0)} °C by its loosest fit: say what holds it, or look at its fit`,
        'warning',
      );
  }
}

/** A bearing whose tightest fit takes all of its clearance runs preloaded. */
function bearingsKeepClearance(sheet: Sheet, report: Report): void {
  for (const part of Object.values(sheet.parts)) {
    const { fit } = part;
    if (!fit?.bearing) continue;
    const { results } = bearingFit.reckon({
      bore: fit.diameter,
      outside: fit.bearing.outside,
      clearance: fit.bearing.clearance,
      shaftInterference: fit.interference.high,
      type: fit.bearing.type,
    });
    if (results.runningClearance.value < 0)
      report(
        ['parts', part.id, 'fit', 'bearing'],
        'runs-preloaded',
        `"${part.title}" is left ${(results.runningClearance.value * 1000).toFixed(1)} µm by its tightest fit: it runs preloaded`,
        'warning',
      );
  }
}
