import { canonical, formatQuantity, inCanonical, limitsOf, type Quantity } from '../../../quantities/index.ts';
import { ReckonError } from '../../../reckoners/index.ts';
import type { Setting } from '../../../sheet/index.ts';
import type { DrawerStock } from '../../command/commands.ts';
import type { BenchState } from '../../log/state.ts';
import { advisePack, neededPack, predict, type PackAdvice } from '../packs.ts';
import { settingBand } from '../value.ts';
import { canonicalFor, type NextTry } from './next-try-of.ts';

/**
 * Of the packs that the drawer can make: the fewest pieces that should come out within the band with the gauge's guard on
 * both sides; when none should, the nearest to what is wanted.
 */
function surest(
  setting: Setting,
  state: BenchState,
  advice: PackAdvice,
): PackAdvice['fromDrawer']['results']['stacks'][number] | undefined {
  const { stacks } = advice.fromDrawer.results;
  const canonicalOf = canonicalFor(setting);
  const { band, target } = settingBand(setting, state);
  const { lower, upper } = limitsOf(band);
  const guard = canonicalOf(
    state.settings[setting.id]?.rounds.at(-1)?.result?.uncertainty ?? canonical(0, setting.dimension),
  );
  const gives = (total: Quantity): number | undefined => {
    const predicted = predict(setting, state, inCanonical(total, 'length'));
    return predicted && canonicalOf(predicted);
  };
  const sure = stacks.find((s) => {
    const value = gives(s.total);
    return (
      value !== undefined &&
      (lower === undefined || value - guard >= canonicalOf(lower)) &&
      (upper === undefined || value + guard <= canonicalOf(upper))
    );
  });
  if (sure) return sure;
  // None is sure: the nearest of those that the sheet itself allows.
  const near = (total: Quantity): number =>
    Math.abs(inCanonical(total, 'length') - inCanonical(advice.needed, 'length'));
  const allowed = inCanonical(setting.shims!.mayBeOff, 'length') + 1e-9;
  const off = (total: Quantity): number => Math.abs((gives(total) ?? Infinity) - canonicalOf(target));
  return stacks.filter((s) => near(s.total) <= allowed).sort((a, b) => off(a.total) - off(b.total))[0];
}

/** Nothing lies in the drawer: what would be needed is said all the same. */
function emptyDrawer(setting: Setting, state: BenchState): NextTry | undefined {
  const needed = neededPack(setting, state);
  if (!needed) return undefined;
  const cannot = `The drawer ${setting.shims!.drawer} is empty, and ${formatQuantity(needed.needed, 2)} is needed: buy or grind one`;
  const { working, warnings } = needed.forSetting;
  return { say: cannot, cannot, needed: needed.needed, working, warnings };
}

/** Which shims of the drawer to fit. */
export function packTry(setting: Setting, state: BenchState, drawer: readonly DrawerStock[]): NextTry | undefined {
  let advice;
  try {
    if (!drawer.some((d) => d.count > 0)) return emptyDrawer(setting, state);
    advice = advisePack(setting, state, drawer);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    return { say: e.message, cannot: e.message, working: [], warnings: [] };
  }
  if (!advice) return undefined;
  const working = [...advice.forSetting.working, ...advice.fromDrawer.working];
  const { warnings } = advice.forSetting;
  const asked = { id: 'shim-stack', inputs: advice.asked };
  const best = surest(setting, state, advice);
  const size = (q: Quantity): string => formatQuantity(canonical(inCanonical(q, 'length'), 'length'), 2);
  if (!best) {
    const buy = advice.fromDrawer.results.buySize;
    const cannot = `The drawer cannot make ${size(advice.needed)}${buy ? `: buy or grind one of ${size(buy)}` : ''}`;
    return { say: cannot, cannot, needed: advice.needed, working, warnings, asked, uncertainty: advice.uncertainty };
  }
  const predicted = predict(setting, state, inCanonical(best.total, 'length'));
  return {
    say: `Fit ${best.pieces.map((p) => inCanonical(p, 'length').toFixed(2)).join(' + ')} = ${size(best.total)}`,
    move: { kind: 'pack', pieces: best.pieces, total: best.total },
    ...(predicted ? { predicted } : {}),
    uncertainty: advice.uncertainty,
    working,
    warnings,
    asked,
  };
}
