import type { SettingOp } from './ops.ts';
import { formatBand } from '../../quantities/index.ts';
import { lowerFirst } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const settingTitles: Titles<SettingOp> = {
  set: (sheet, op) => {
    const s = sheet.settings[op.setting];
    return s ? `Set the ${lowerFirst(s.title)}, ${formatBand(s.band)}` : 'Set';
  },
  read: (sheet, op) => `${sheet.settings[op.setting]?.title ?? op.setting}, as found`,
};
