import { decideFitPack } from './fit-pack.ts';
import { decideAdjust } from './adjust.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { SettingCommand } from './commands.ts';

/** How each of these commands is decided. */
export const settingDeciders: Deciders<SettingCommand['type']> = {
  'fit-pack': (state, sheet, command, { context }) => decideFitPack(state, sheet, command, context),
  adjust: decideAdjust,
};
