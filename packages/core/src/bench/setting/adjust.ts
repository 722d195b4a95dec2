import type { CommandOf } from '../command/commands.ts';
import type { BenchState } from '../log/state.ts';
import { isPackMethod, type Sheet } from '../../sheet/index.ts';
import { type Decision, refuse, accept } from '../command/refusal.ts';
import { reach } from '../command/reach.ts';
import { settingMethodOf } from './setting-method.ts';
import { whyNotOf } from '../../quantities/index.ts';
import type { NewEvent } from '../log/events.ts';
/**
 * A setting is moved after readings, or a feel, that were not good; what is read next is a try of its own. A setting that
 * pulls on another begins a try of both.
 */
export function decideAdjust(state: BenchState, sheet: Sheet, command: CommandOf<'adjust'>): Decision {
  const reached = reach(sheet, state, command.op, ['set']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const setting = sheet.settings[op.setting]!;
  const method = settingMethodOf(setting, state);
  if (isPackMethod(method)) return refuse('wrong-kind', `${setting.title} is set by its pack`, 'Fit another pack');
  const both = [setting, ...(setting.together === undefined ? [] : [sheet.settings[setting.together]!])];
  const results = both.map((s) => state.settings[s.id]?.rounds.at(-1)?.result);
  const felt = state.answers[op.id]?.answer === 'yes';
  if (!felt && results.some((r) => !r)) return refuse('not-complete', 'Not read yet', 'Read it before it is moved');
  if (!felt && results.every((r) => r?.verdict === 'within'))
    return refuse('already-done', 'It is within its band', 'Complete the setting');
  const { type: _type, op: _op, note, ...how } = command;
  const back = how.turned !== undefined && how.turned.value < 0;
  if (method?.kind === 'crush' && back)
    return refuse('wrong-value', 'A crush sleeve is never backed off', 'Fit a new sleeve and nut, and begin anew');
  if (how.renewed !== undefined && (method?.kind !== 'crush' || how.renewed !== method.part))
    return refuse('wrong-value', `"${how.renewed}" is not spent by this setting`, 'Say how it was moved');
  if (how.turned && whyNotOf(how.turned, 'angle') !== undefined)
    return refuse('wrong-value', 'A turn is an angle', 'Give it in degrees');
  for (const [key, q] of Object.entries({ left: how.left, right: how.right, slid: how.slid }))
    if (q && whyNotOf(q, 'length') !== undefined)
      return refuse('wrong-value', `${key} is a length`, 'Give it in millimetres');
  return accept(
    ...both.map((s): NewEvent => ({
      type: 'setting-adjusted',
      payload: { op: op.id, setting: s.id, note: note.trim(), ...how },
    })),
  );
}
