import { inCanonical, type Quantity } from '../quantities/index.ts';
import { shimForSetting, shimStack, type Reckoning } from '../reckoners/index.ts';
import type { Setting } from '../sheet/index.ts';
import type { DrawerStock } from './commands.ts';
import type { SettingState } from './state.ts';

/** The pack that is in now, by the newest round: what was fitted, or the sheet's trial pack. */
export function packIn(setting: Setting, state: SettingState | undefined): Quantity | undefined {
  return state?.rounds.at(-1)?.fitted?.pack ?? setting.shims?.trial;
}

/** What is in the drawer once the pack that sits in the unit now is counted as being at hand again. */
export function drawerWithPackOut(drawer: readonly DrawerStock[], fitted: readonly Quantity[]): readonly DrawerStock[] {
  const same = (a: Quantity, b: Quantity): boolean =>
    Math.abs(inCanonical(a, 'length') - inCanonical(b, 'length')) < 1e-6;
  const out = drawer.map((d) => ({ ...d, count: d.count + fitted.filter((f) => same(f, d.thickness)).length }));
  const unlisted = fitted.filter((f) => !drawer.some((d) => same(f, d.thickness)));
  return [...out, ...unlisted.map((thickness) => ({ thickness, count: 1 }))];
}

export interface PackAdvice {
  readonly needed: Quantity;
  readonly uncertainty: Quantity;
  readonly forSetting: Reckoning;
  readonly fromDrawer: ReturnType<typeof shimStack.reckon>;
  /** What the drawer was asked for: inputs of shim-stack. */
  readonly asked: { readonly needed: Quantity; readonly tolerance: Quantity; readonly drawer: readonly DrawerStock[] };
}

/**
 * The pack that a trial asks for, and the best one that the drawer can make.
 * @throws ReckonError when the reading asks for no possible pack
 */
export function advisePack(
  setting: Setting,
  state: SettingState | undefined,
  drawer: readonly DrawerStock[],
): PackAdvice | undefined {
  const result = state?.rounds.at(-1)?.result;
  const trialShim = packIn(setting, state);
  if (!result || !trialShim || !setting.shims) return undefined;
  const forSetting = shimForSetting.reckon({
    method: 'trial',
    trialShim,
    measured: result.mean,
    target: setting.target,
    thickerShim: setting.shims.thicker,
    gaugeUncertainty: result.uncertainty,
  });
  const { shimNeeded, uncertainty } = forSetting.results;
  const fitted = state?.rounds.at(-1)?.fitted?.pieces ?? [];
  const asked = {
    needed: shimNeeded,
    tolerance: setting.shims.mayBeOff,
    drawer: drawerWithPackOut(drawer, fitted),
  };
  return { needed: shimNeeded, uncertainty, forSetting, fromDrawer: shimStack.reckon(asked), asked };
}

/** What a pack of `packMm` should give, from the newest trial: one millimetre of pack moves the setting by one. */
export function predict(setting: Setting, state: SettingState, packMm: number): Quantity | undefined {
  const result = state.rounds.at(-1)?.result;
  const trial = packIn(setting, state);
  if (!result || !trial || !setting.shims) return undefined;
  const moved = packMm - inCanonical(trial, 'length');
  const measuredMm = inCanonical(result.mean, 'length');
  return { value: setting.shims.thicker === 'looser' ? measuredMm + moved : measuredMm - moved, unit: 'mm' };
}
