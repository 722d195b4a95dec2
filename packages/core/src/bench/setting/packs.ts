import { canonical, inCanonical, limitsOf, type Quantity } from '../../quantities/index.ts';
import { pinionDepth, shimForSetting, shimStack, type WorkingLine } from '../../reckoners/index.ts';
import { CHECKING, depthsOf, ETCHED, GAP, type SettingMethod, type Setting } from '../../sheet/index.ts';
import type { DrawerStock } from '../command/commands.ts';
import type { BenchState, SettingState } from '../log/state.ts';
import { settingMethodOf } from './setting-method.ts';
import { settingBand } from './value.ts';

/** The pack that is in now, by the newest round: what was fitted, or the sheet's trial pack. By depths there is none at first. */
export function packIn(setting: Setting, state: SettingState | undefined, byDepths = false): Quantity | undefined {
  return state?.rounds.findLast((r) => r.fitted)?.fitted?.pack ?? (byDepths ? undefined : setting.shims?.trial);
}

/** What is in the drawer once the pack that sits in the unit now is counted as being at hand again. */
export function drawerWithPackOut(drawer: readonly DrawerStock[], fitted: readonly Quantity[]): readonly DrawerStock[] {
  const same = (a: Quantity, b: Quantity): boolean =>
    Math.abs(inCanonical(a, 'length') - inCanonical(b, 'length')) < 1e-6;
  const out = drawer.map((d) => ({ ...d, count: d.count + fitted.filter((f) => same(f, d.thickness)).length }));
  const unlisted = fitted.filter((f) => !drawer.some((d) => same(f, d.thickness)));
  return [...out, ...unlisted.map((thickness) => ({ thickness, count: 1 }))];
}

/** The pieces of the pack that is in that came out of the drawer, and go back into it. */
export function piecesOfDrawer(state: SettingState | undefined): readonly Quantity[] {
  const fitted = state?.rounds.findLast((r) => r.fitted)?.fitted;
  return fitted?.made === undefined ? (fitted?.pieces ?? []) : [];
}

export interface PackAdvice {
  readonly needed: Quantity;
  /** Absent where nobody said how well what was read is known. */
  readonly uncertainty?: Quantity;
  readonly forSetting: { readonly working: readonly WorkingLine[]; readonly warnings: readonly string[] };
  readonly fromDrawer: ReturnType<typeof shimStack.reckon>;
  /** What the drawer was asked for: inputs of shim-stack. */
  readonly asked: {
    readonly needed: Quantity;
    readonly tolerance: Quantity;
    readonly drawer: readonly DrawerStock[];
    readonly maxPieces?: number;
  };
}

/** How much the setting moves for a millimetre more of pack, in its canonical unit. */
function slopeOf(setting: Setting, state: SettingState | undefined): { slope: number; learned: boolean } {
  const { shims, dimension } = setting;
  const sign = shims?.thicker === 'looser' ? 1 : -1;
  // A float is one for one, and geometry; a drag rises when it gets tighter, by what only the tries really tell.
  if (!shims?.per) return { slope: sign, learned: false };
  const told = (-sign * inCanonical(shims.per.gives, dimension)) / inCanonical(shims.per.move, 'length');
  const read = (state?.rounds ?? []).flatMap((r) =>
    r.result
      ? [{ pack: inCanonical(r.fitted?.pack ?? shims.trial, 'length'), value: inCanonical(r.result.mean, dimension) }]
      : [],
  );
  const [before, last] = read.slice(-2);
  if (!before || !last || Math.abs(last.pack - before.pack) < 1e-6) return { slope: told, learned: false };
  const slope = (last.value - before.value) / (last.pack - before.pack);
  // Tries that contradict the sheet say that something else moved; the sheet stands.
  return slope * told > 0 ? { slope, learned: true } : { slope: told, learned: false };
}

/** The depths of a setting that are not measured yet, and those that are, newest reading of each. */
export function depthsRead(
  setting: Setting,
  state: Pick<BenchState, 'readings' | 'methods'>,
): {
  readonly left: readonly string[];
  readonly read: readonly { readonly id: string; readonly value: Quantity; readonly uncertainty?: Quantity }[];
} {
  const depths = depthsOf(settingMethodOf(setting, state));
  const read = depths.flatMap(({ id }) => {
    const found = state.readings.findLast((r) => r.id === setting.id && r.moment === 'depth' && r.where === id);
    return found
      ? [
          {
            id,
            value: found.value,
            ...(found.instrument?.uncertainty ? { uncertainty: found.instrument.uncertainty } : {}),
          },
        ]
      : [];
  });
  return { left: depths.map((d) => d.id).filter((d) => !read.some((r) => r.id === d)), read };
}

type Needed = Pick<PackAdvice, 'needed' | 'uncertainty' | 'forSetting'>;

/**
 * The pack that the depths or the newest try ask for. Undefined while there is nothing to reckon from.
 * @throws ReckonError when the readings ask for no possible pack
 */
export function neededPack(setting: Setting, state: BenchState): Needed | undefined {
  const { shims } = setting;
  if (!shims) return undefined;
  const soFar = state.settings[setting.id];
  const method = settingMethodOf(setting, state);
  const { target } = settingBand(setting, state);
  const measured = depthsOf(method).length > 0;
  const pack = packIn(setting, soFar, measured);
  if (pack && soFar?.rounds.at(-1)?.result) return fromTry(setting, soFar, pack, target);
  if (!method || !measured) return undefined;
  const { left, read } = depthsRead(setting, state);
  if (left.length > 0) return undefined;
  return fromDepths(setting, method, read, target);
}

/** The pack that the depths ask for, before one has been in. @throws ReckonError when they ask for no possible pack */
function fromDepths(
  setting: Setting,
  method: SettingMethod,
  read: ReturnType<typeof depthsRead>['read'],
  target: Quantity,
): Needed {
  const of = (id: string): (typeof read)[number] => read.find((r) => r.id === id)!;
  const { thicker } = setting.shims!;
  if (method.kind === 'pinion') {
    const forSetting = pinionDepth.reckon({
      nominal: method.nominal,
      etched: of(ETCHED).value,
      checking: of(CHECKING).value,
      shimNow: canonical(0, 'length'),
      thickerMoves: thicker === 'looser' ? 'out' : 'in',
    });
    const { uncertainty } = of(CHECKING);
    return { needed: forSetting.results.shimNeeded, ...(uncertainty ? { uncertainty } : {}), forSetting };
  }
  if (method.kind === 'gap') {
    const { value, uncertainty } = of(GAP);
    return neededOf(
      shimForSetting.reckon({
        method: 'gap',
        gap: value,
        target,
        ...(uncertainty ? { gaugeUncertainty: uncertainty } : {}),
      }),
    );
  }
  return neededOf(
    shimForSetting.reckon({
      method: 'depths',
      depths: depthsOf(method).map((d) => {
        const { value, uncertainty } = of(d.id);
        return { name: d.title, value, sign: d.sign, ...(uncertainty ? { uncertainty } : {}) };
      }),
      target,
      thickerShim: thicker,
    }),
  );
}

/**
 * The pack that is needed, and the best ones that the drawer can make. Undefined while there is nothing to reckon from.
 * @throws ReckonError when the readings ask for no possible pack, or the drawer is empty
 */
export function advisePack(
  setting: Setting,
  state: BenchState,
  drawer: readonly DrawerStock[],
): PackAdvice | undefined {
  const reckoned = neededPack(setting, state);
  if (!reckoned || !setting.shims) return undefined;
  const { mayBeOff, pieces } = setting.shims;
  const fitted = piecesOfDrawer(state.settings[setting.id]);
  const asked = {
    needed: reckoned.needed,
    tolerance: mayBeOff,
    drawer: drawerWithPackOut(drawer, fitted),
    ...(pieces === undefined ? {} : { maxPieces: pieces }),
  };
  const close = shimStack.reckon(asked);
  if (close.results.stacks.length > 0) return { ...reckoned, fromDrawer: close, asked };
  // None so close to the middle: whatever comes out within the guarded band is good.
  const wide = { ...asked, tolerance: guardedRoom(setting, state) };
  const whole = shimStack.reckon(wide);
  return whole.results.stacks.length > 0
    ? { ...reckoned, fromDrawer: whole, asked: wide }
    : { ...reckoned, fromDrawer: close, asked };
}

/** By how much a pack may differ from the one that is needed, and still come out within the band with the gauge's guard. */
function guardedRoom(setting: Setting, state: BenchState): Quantity {
  const soFar = state.settings[setting.id];
  const canonicalOf = (q: Quantity): number => inCanonical(q, setting.dimension);
  const { band, target } = settingBand(setting, state);
  const result = soFar?.rounds.at(-1)?.result;
  const guard = result ? canonicalOf(result.uncertainty) : 0;
  const { lower, upper } = limitsOf(band);
  const sides = [
    ...(upper ? [canonicalOf(upper) - guard - canonicalOf(target)] : []),
    ...(lower ? [canonicalOf(target) - guard - canonicalOf(lower)] : []),
  ];
  const room = Math.max(...sides, 0);
  return canonical(room / Math.abs(slopeOf(setting, soFar).slope), 'length');
}

function neededOf(forSetting: ReturnType<typeof shimForSetting.reckon>): Needed {
  const { shimNeeded, uncertainty } = forSetting.results;
  return { needed: shimNeeded, ...(uncertainty === undefined ? {} : { uncertainty }), forSetting };
}

function fromTry(setting: Setting, soFar: SettingState | undefined, pack: Quantity, target: Quantity): Needed {
  const shims = setting.shims!;
  const result = soFar!.rounds.at(-1)!.result!;
  if (!shims.per) {
    const forSetting = shimForSetting.reckon({
      method: 'trial',
      trialShim: pack,
      measured: result.mean,
      target,
      thickerShim: shims.thicker,
      gaugeUncertainty: result.uncertainty,
    });
    return neededOf(forSetting);
  }
  const { slope, learned } = slopeOf(setting, soFar);
  const canonicalOf = (q: Quantity): number => inCanonical(q, setting.dimension);
  const needed = canonical(
    inCanonical(pack, 'length') + (canonicalOf(target) - canonicalOf(result.mean)) / slope,
    'length',
  );
  const line: WorkingLine = {
    name: 'Pack needed',
    formula: learned
      ? 'pack + (wanted − read) / slope of the last two tries'
      : 'pack + (wanted − read) / slope of the sheet',
    figures: `${inCanonical(pack, 'length').toFixed(3)} + (${canonicalOf(target).toFixed(3)} − ${canonicalOf(result.mean).toFixed(3)}) / ${slope.toFixed(2)}`,
    value: needed,
  };
  return {
    needed,
    uncertainty: canonical(Math.abs(canonicalOf(result.uncertainty) / slope), 'length'),
    forSetting: { working: [line], warnings: [] },
  };
}

/** What a pack of `packMm` should give: from the newest try; by depths, before any try, from what they ask for. */
export function predict(setting: Setting, state: BenchState, packMm: number): Quantity | undefined {
  const { shims, dimension } = setting;
  if (!shims) return undefined;
  const soFar = state.settings[setting.id];
  const result = soFar?.rounds.at(-1)?.result;
  const pack = packIn(setting, soFar);
  if (result && pack) {
    const moved = packMm - inCanonical(pack, 'length');
    return canonical(inCanonical(result.mean, dimension) + slopeOf(setting, soFar).slope * moved, dimension);
  }
  const needed = neededPack(setting, state)?.needed;
  if (!needed) return undefined;
  const off = packMm - inCanonical(needed, 'length');
  const { target } = settingBand(setting, state);
  return canonical(inCanonical(target, dimension) + slopeOf(setting, undefined).slope * off, dimension);
}
