import { canonical, formatQuantity, inCanonical } from '../../quantities/index.ts';
import { ReckonError } from '../../reckoners/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command, DecideContext } from '../command/commands.ts';
import {
  advisePack,
  depthsRead,
  drawerWithPackOut,
  neededPack,
  piecesOfDrawer,
  predict,
  type PackAdvice,
} from './index.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { reach } from '../command/reach.ts';

/** Fits a pack from the drawer for a setting, after a trial that was read. */
export function decideFitPack(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'fit-pack' }>,
  context: DecideContext,
): Decision {
  const reached = reach(sheet, state, command.op, ['set']);
  if ('refused' in reached) return reached.refused;
  const setting = sheet.settings[reached.op.setting];
  if (!setting?.shims) return refuse('wrong-kind', 'This setting is not made with shims', 'Set it as the sheet says');
  const soFar = state.settings[setting.id];
  const drawer = context.drawers[setting.shims.drawer] ?? [];
  const made = command.made?.trim();
  if (made === '')
    return refuse('not-complete', 'Where does the piece come from?', 'Say what it was bought as, or ground from');
  let advice:
    (Pick<PackAdvice, 'needed' | 'uncertainty' | 'forSetting'> & Partial<Pick<PackAdvice, 'fromDrawer'>>) | undefined;
  try {
    // What is made for it needs no drawer: only what is needed is reckoned.
    advice = made === undefined ? advisePack(setting, state, drawer) : neededPack(setting, state);
  } catch (e) {
    if (e instanceof ReckonError) return refuse('wrong-value', e.message, 'Read again with another trial pack');
    throw e;
  }
  if (!advice) {
    const { left } = depthsRead(setting, state);
    return left.length > 0
      ? refuse('not-complete', `Not measured yet: ${left.join(', ')}`, 'Measure the depths first')
      : refuse(
          'not-complete',
          `Read the ${setting.title.toLowerCase()} with the pack that is in first`,
          `${setting.repeats} readings`,
        );
  }
  if (command.pieces.length === 0)
    return refuse('wrong-value', 'A pack has at least one piece', 'Choose pieces from the drawer');

  const within = drawerWithPackOut(drawer, piecesOfDrawer(soFar));
  for (const piece of made === undefined ? command.pieces : []) {
    const mm = inCanonical(piece, 'length');
    const same = (q: typeof piece): boolean => Math.abs(inCanonical(q, 'length') - mm) < 1e-6;
    const wanted = command.pieces.filter(same).length;
    const there = within.find((d) => same(d.thickness))?.count ?? 0;
    if (wanted > there)
      return refuse(
        'not-in-drawer',
        `The drawer holds ${there} of ${formatQuantity(piece)}, not ${wanted}`,
        'Choose another pack',
      );
  }
  const packMm = command.pieces.reduce((total, p) => total + inCanonical(p, 'length'), 0);
  return accept({
    type: 'pack-fitted',
    payload: {
      op: reached.op.id,
      setting: setting.id,
      pieces: command.pieces,
      pack: canonical(Number(packMm.toFixed(6)), 'length'),
      needed: advice.needed,
      predicted: predict(setting, state, packMm) ?? setting.target,
      // The log holds a figure for every pack: nothing, where nobody said how well it is known.
      uncertainty: advice.uncertainty ?? canonical(0, 'length'),
      working: [...advice.forSetting.working, ...(advice.fromDrawer?.working ?? [])],
      ...(made === undefined ? {} : { made }),
    },
  });
}
