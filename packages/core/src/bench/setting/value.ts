import { canonical, convert, dimensionsOfUnit, inCanonical, type Band, type Quantity } from '../../quantities/index.ts';
import { rollingDrag, thermalShift, type Reckoning, type WorkingLine } from '../../reckoners/index.ts';
import { ETCHED, renewing, type Setting } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { settingMethodOf } from './setting-method.ts';

/** Is it a pull on a cord that stands for the setting's torque? */
export function isPull(setting: Setting, reading: Quantity): boolean {
  return setting.pull !== undefined && dimensionsOfUnit(reading.unit).includes('force');
}

/** What `rolling-drag` is asked for a pull. */
export function pullInputs(setting: Setting, reading: Quantity, gaugeU?: Quantity): Readonly<Record<string, unknown>> {
  const pull = setting.pull!;
  return {
    pull: reading,
    radius: pull.radius,
    ...(gaugeU ? { pullUncertainty: gaugeU } : {}),
    ...(pull.sealDrag ? { sealDrag: pull.sealDrag } : {}),
    ...(pull.second ? { secondary: pull.second } : {}),
  };
}

/**
 * What a reading says of a setting: a pull on a cord becomes the torque of the bearings alone, anything else is itself.
 * @throws ReckonError for a pull that is less than what the seal alone needs
 */
export function settingValue(
  setting: Setting,
  reading: Quantity,
  gaugeU?: Quantity,
): { readonly value: Quantity; readonly uncertainty?: Quantity; readonly working: readonly WorkingLine[] } {
  if (!isPull(setting, reading)) return { value: reading, ...(gaugeU ? { uncertainty: gaugeU } : {}), working: [] };
  const { results, working } = rollingDrag.reckon(pullInputs(setting, reading, gaugeU));
  return {
    value: results.dragTorque,
    ...(results.uncertainty ? { uncertainty: results.uncertainty } : {}),
    working,
  };
}

/** Kept bearings are a used pair: they are judged, and set, in half the band (common practice). */
const USED = 0.5;

/**
 * The band of a setting for this job: half of it where a bearing of the pair is used again, and about the figure etched on
 * the pinion where that says where it belongs.
 */
export function settingBand(
  setting: Setting,
  state: Pick<BenchState, 'findings' | 'readings' | 'methods'>,
): { readonly band: Band; readonly target: Quantity; readonly used: boolean } {
  const used = (setting.bearings ?? []).some((p) => !renewing.has(state.findings[p] ?? 'reuse'));
  const change = (of: (q: Quantity) => Quantity): { readonly band: Band; readonly target: Quantity } => ({
    band: {
      low: of(setting.band.low),
      high: of(setting.band.high),
      ...(setting.band.only === undefined ? {} : { only: setting.band.only }),
    },
    target: of(setting.target),
  });
  if (settingMethodOf(setting, state)?.kind === 'pinion') {
    const etched = state.readings.findLast((r) => r.id === setting.id && r.moment === 'depth' && r.where === ETCHED);
    if (etched) {
      const by = inCanonical(etched.value, 'length');
      return { ...change((q) => convert(canonical(inCanonical(q, 'length') + by, 'length'), q.unit)), used: false };
    }
  }
  if (!used) return { band: setting.band, target: setting.target, used: false };
  return { ...change((q) => ({ value: q.value * USED, unit: q.unit })), used: true };
}

/** What a float that is set cold becomes when the unit is warm. Undefined where the sheet says nothing of heat. */
export function hotValue(
  setting: Setting,
  cold: Quantity,
):
  | { readonly value: Quantity; readonly reckoned: Reckoning; readonly inputs: Readonly<Record<string, unknown>> }
  | undefined {
  const { hot } = setting;
  if (!hot) return undefined;
  const inputs = {
    span: hot.span,
    temperatureRise: hot.rise,
    caseMaterial: hot.caseMaterial,
    shaftMaterial: hot.shaftMaterial,
    arrangement: hot.arrangement,
  };
  const reckoned = thermalShift.reckon(inputs);
  const change = inCanonical(reckoned.results.floatChange, 'length');
  return { value: convert(canonical(inCanonical(cold, 'length') + change, 'length'), cold.unit), reckoned, inputs };
}
