import { heatToFit, oringGland, ReckonError, squeezeWindow } from '../../reckoners/index.ts';
import { glandInputs } from '../fits.ts';
import type { Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** Parts that are pressed, heated or squeezed can be: a slip in a size is found here and not at the bench. */
export const fitRules: readonly Rule[] = [ringsLieInTheirGrooves, heatIsEnough];

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
