import type { SettingOp } from './ops.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { inCanonical, canonical, type Quantity } from '../../quantities/index.ts';
import { depthsRead, nextTry, settingMethodOf, settingBand } from './index.ts';
import { adjustmentOf } from './tries/next-try-of.ts';
import type { BenchState } from '../log/state.ts';
import { depthsOf, ETCHED, type OpOf, type SettingMethod, type Setting, type Sheet } from '../../sheet/index.ts';
import type { Command, DecideContext, DrawerStock } from '../command/commands.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const settingHands: Hands<SettingOp> = {
  set: (op, { sheet, state, context, read }) => setNext(sheet, state, context, op, read),
  read: (op, { sheet, state, read }) => {
    if (readingsOf(state, op.id).length > 0) return { type: 'complete', op: op.id };
    const s = sheet.settings[op.setting]!;
    return read(`${s.id} as-found`, s.target, s.dimension);
  },
};

/** How deep a rehearsal says each depth is, but for the one that makes the sum right. */
const REHEARSED_DEPTH_MM = 20;

/** Depths that ask for just one piece of the drawer, the thickest there is. */
function rehearsedDepth(
  setting: Setting,
  method: SettingMethod | undefined,
  id: string,
  drawer: readonly DrawerStock[],
): Quantity {
  const { shims } = setting;
  const depths = depthsOf(method);
  const first = depths.find((d) => d.sign === 'plus');
  if (id === ETCHED) return canonical(0, 'length');
  if (id !== first?.id) return canonical(REHEARSED_DEPTH_MM, 'length');
  const sizes = drawer.filter((d) => d.count > 0).map((d) => inCanonical(d.thickness, 'length'));
  const wanted = Math.max(...sizes, ...(sizes.length > 0 ? [] : [inCanonical(shims!.trial, 'length')]));
  // Without a shim the gauge face stands as much too far out as the shim is thick.
  if (method?.kind === 'pinion')
    return canonical(
      inCanonical(method.nominal, 'length') + (shims!.thicker === 'looser' ? -wanted : wanted),
      'length',
    );
  const target = inCanonical(setting.target, 'length') * (shims!.thicker === 'looser' ? 1 : -1);
  const others = depths.reduce((sum, d) => sum + (d === first ? 0 : d.sign === 'plus' ? 1 : -1), 0);
  return canonical(wanted - target - others * REHEARSED_DEPTH_MM, 'length');
}

/** The next command of a setting: feel it, measure its depths, read it, or move it as is advised. */
function setNext(
  sheet: Sheet,
  state: BenchState,
  context: DecideContext,
  op: OpOf<'set'>,
  read: (what: string, otherwise: Quantity, dimension: string) => Command,
): Command | undefined {
  const own = sheet.settings[op.setting]!;
  if (own.feel && state.answers[op.id]?.answer !== 'no') return { type: 'answer', op: op.id, answer: 'no' };
  const [depth] = depthsRead(own, state).left;
  const fitted = state.settings[own.id]?.rounds.some((r) => r.fitted);
  if (depth !== undefined && !fitted) {
    const otherwise = rehearsedDepth(
      own,
      settingMethodOf(own, state),
      depth,
      context.drawers[own.shims?.drawer ?? ''] ?? [],
    );
    const said = read(`${own.id} ${depth}`, otherwise, 'length');
    return { ...said, where: depth } as Command;
  }
  const needsPack = depthsRead(own, state).read.length > 0 && !fitted;
  for (const s of needsPack ? [] : [own, ...(own.together === undefined ? [] : [sheet.settings[own.together]!])]) {
    const rounds = state.settings[s.id]?.rounds ?? [];
    if (!rounds.at(-1)?.result) {
      const said = read(`${s.id} round ${Math.max(1, rounds.length)}`, settingBand(s, state).target, s.dimension);
      return s.id === own.id ? said : ({ ...said, setting: s.id } as Command);
    }
  }
  const next = nextTry(sheet, state, own, context.drawers);
  if (!next) return { type: 'complete', op: op.id };
  if (next.move?.kind === 'pack') return { type: 'fit-pack', op: op.id, pieces: next.move.pieces };
  if (next.needed) return { type: 'fit-pack', op: op.id, pieces: [next.needed], made: 'ground for a rehearsal' };
  if (next.cannot !== undefined) return undefined;
  return { type: 'adjust', op: op.id, note: next.say, ...adjustmentOf(next.move) };
}
