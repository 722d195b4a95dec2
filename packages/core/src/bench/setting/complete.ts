import type { SettingOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { noteOf } from '../command/note-of.ts';
import type { NewEvent } from '../log/events.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const settingCompletions: Completions<SettingOp> = {
  set: (state, sheet, op) => {
    const { together } = sheet.settings[op.setting] ?? {};
    const events: NewEvent[] = [];
    for (const id of [op.setting, ...(together === undefined ? [] : [together])]) {
      const last = state.settings[id]?.rounds.at(-1)?.result;
      if (last?.verdict !== 'within')
        return refuse(
          'not-complete',
          `${sheet.settings[id]?.title ?? id} is not confirmed within its band`,
          'Read it, move it, and read again',
        );
      const { mean: value, uncertainty, verdict } = last;
      events.push({ type: 'setting-confirmed', payload: { op: op.id, setting: id, value, uncertainty, verdict } });
    }
    return accept(...events);
  },
  read: (state, _sheet, op, command) =>
    readingsOf(state, op.id).length > 0
      ? accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } })
      : refuse('not-complete', 'No reading yet', 'Take a reading, or type it'),
};
