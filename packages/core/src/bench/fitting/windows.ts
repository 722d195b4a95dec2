import { canonical, inCanonical, type Quantity } from '../../quantities/index.ts';
import {
  bearingFit,
  gripAtTemperature,
  heatToFit,
  lipSeal,
  oringGland,
  pistonReturn,
  pressFit,
  type Reckoning,
} from '../../reckoners/index.ts';
import { glandInputs, type Fit, type Lip, type Part, type Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';

type Inputs = Readonly<Record<string, unknown>>;
/** A reckoning of a panel with what it was asked, so that it can be opened in the Reckoner. */
export interface Asked<R extends Reckoning = Reckoning> {
  readonly id: string;
  readonly inputs: Inputs;
  readonly reckoned: R;
}

/** How hot a part must be to drop on, how hot it may be, and for how long it then drops; by its tightest fit. */
export function heatOf(fit: Fit): Asked<ReturnType<typeof heatToFit.reckon>> {
  const inputs = {
    diameter: fit.diameter,
    interference: fit.interference.high,
    clearance: fit.clearance,
    limitTemperature: fit.limit,
    ...(fit.mass ? { mass: fit.mass } : {}),
    ...(fit.surface ? { surface: fit.surface } : {}),
  };
  return { id: heatToFit.id, inputs, reckoned: heatToFit.reckon(inputs) };
}

/** Force to press a part, by its tightest fit; undefined where the sheet does not say how long and how thick the seat is. */
export function pressOf(fit: Fit): Asked<ReturnType<typeof pressFit.reckon>> | undefined {
  if (!fit.length || !fit.outside || inCanonical(fit.interference.high, 'length') <= 0) return undefined;
  const inputs = {
    diameter: fit.diameter,
    hubOutside: fit.outside,
    length: fit.length,
    interference: fit.interference.high,
  };
  return { id: pressFit.id, inputs, reckoned: pressFit.reckon(inputs) };
}

/** Whether a part still grips when both are warm, by its loosest fit; undefined where the sheet says nothing of warmth. */
export function gripOf(fit: Fit): Asked<ReturnType<typeof gripAtTemperature.reckon>> | undefined {
  if (!fit.warm) return undefined;
  const inputs = {
    diameter: fit.diameter,
    interference: fit.interference.low,
    outerMaterial: fit.warm.around,
    temperature: fit.warm.temperature,
  };
  return { id: gripAtTemperature.id, inputs, reckoned: gripAtTemperature.reckon(inputs) };
}

/** What a bearing's fit leaves of its clearance, by its tightest fit on the shaft; undefined for what is no bearing. */
export function clearanceOf(fit: Fit): Asked<ReturnType<typeof bearingFit.reckon>> | undefined {
  if (!fit.bearing) return undefined;
  const inputs = {
    bore: fit.diameter,
    outside: fit.bearing.outside,
    clearance: fit.bearing.clearance,
    shaftInterference: fit.interference.high,
    type: fit.bearing.type,
  };
  return { id: bearingFit.id, inputs, reckoned: bearingFit.reckon(inputs) };
}

/** A press that needs this much more than the tightest fit takes is pressing something askew. */
const ASKEW = 1.3;
/** Where a heated part is warm enough, and where it is too hot, °C. The need is capped at what it stands: the rest is the shaft's to give. */
export function heatWindow(fit: Fit): { readonly low: Quantity; readonly high: Quantity } {
  const needed = inCanonical(heatOf(fit).reckoned.results.temperatureNeeded, 'temperature');
  const limit = inCanonical(fit.limit, 'temperature');
  // A reading a few degrees short of the limit is as hot as it may safely be read.
  return { low: canonical(Math.min(needed, limit - HOT_MARGIN), 'temperature'), high: fit.limit };
}
const HOT_MARGIN = 8;

/** From what a press may show when all is well; undefined where nothing is reckoned. */
export function pressWindow(fit: Fit): { readonly high: Quantity } | undefined {
  const force = pressOf(fit)?.reckoned.results.pressForce;
  return force && { high: { value: force.value * ASKEW, unit: force.unit } };
}

/** Until when a part that was heated for its place still drops on: ISO 8601; undefined when it was not heated, or nobody can say. */
export function dropsUntil(
  sheet: Sheet,
  state: BenchState,
  part: string,
): { readonly since: string; readonly until: string } | undefined {
  const fit = sheet.parts[part]?.fit;
  const heated = sheet.steps
    .flatMap((s) => s.ops)
    .find((o) => o.kind === 'heat' && o.part === part && state.done[o.id]);
  const since = heated && state.done[heated.id]?.at;
  const seconds = fit && heatOf(fit).reckoned.results.droppableFor;
  if (since === undefined || !seconds) return undefined;
  const until = new Date(Date.parse(since) + inCanonical(seconds, 'time') * 1000);
  return { since, until: until.toISOString() };
}

/** How a ring lies in its groove: stretch, squeeze and fill against their windows; whether the spring still brings the piston back. */
export function ringOf(part: Part):
  | {
      readonly gland: Asked<ReturnType<typeof oringGland.reckon>>;
      readonly back?: Asked<ReturnType<typeof pistonReturn.reckon>>;
    }
  | undefined {
  const { ring } = part;
  if (!ring?.gland) return undefined;
  const { gland } = ring;
  const inputs = glandInputs(ring, gland);
  const reckoned = oringGland.reckon(inputs);
  if (!gland.returnSpring) return { gland: { id: oringGland.id, inputs, reckoned } };
  const back = {
    squeeze: reckoned.results.squeeze,
    section: ring.section,
    insideDiameter: ring.inside,
    springForce: gland.returnSpring,
  };
  return {
    gland: { id: oringGland.id, inputs, reckoned },
    back: { id: pistonReturn.id, inputs: back, reckoned: pistonReturn.reckon(back) },
  };
}

/** How fast the shaft rubs, and how deep the seal may go so that its lip runs clear of the old groove. */
export function lipOf(lip: Lip, grooved: boolean): Asked<ReturnType<typeof lipSeal.reckon>> | undefined {
  if (!lip.speed || !lip.material) return undefined;
  const inputs = {
    shaftDiameter: lip.shaft,
    speed: lip.speed,
    material: lip.material,
    sealWidth: lip.width,
    ...(lip.boreDepth ? { boreDepth: lip.boreDepth } : {}),
    ...(lip.lipAt ? { lipOffset: lip.lipAt } : {}),
    ...(grooved && lip.grooveAt ? { grooveAt: lip.grooveAt } : {}),
  };
  return { id: lipSeal.id, inputs, reckoned: lipSeal.reckon(inputs) };
}
