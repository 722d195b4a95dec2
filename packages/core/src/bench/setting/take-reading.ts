import { ReckonError } from '../../reckoners/index.ts';
import { limitsOf, whyNotOf } from '../../quantities/index.ts';
import { depthsOf, type OpOf, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { depthsRead, settingMethodOf, settingBand, settingValue } from './index.ts';
import type { BenchState } from '../log/state.ts';
import { judged, wrongDimension } from '../measuring/judged.ts';

type TakeReading = Extract<Command, { type: 'take-reading' }>;

/** A reading of a setting: as found, one of the depths for its pack, or one of a try, judged once there are enough. */
export function decideSettingReading(
  state: BenchState,
  sheet: Sheet,
  command: TakeReading,
  op: OpOf<'read' | 'set'>,
): Decision {
  const own = sheet.settings[op.setting]!;
  const id = command.setting ?? own.id;
  if (id !== own.id && id !== own.together)
    return refuse(
      'wrong-value',
      `"${id}" is not set here`,
      `One of: ${[own.id, own.together].filter(Boolean).join(', ')}`,
    );
  const setting = sheet.settings[id]!;
  const base = {
    op: op.id,
    subject: 'setting' as const,
    id,
    value: command.value,
    how: command.how,
    instrument: command.instrument ?? null,
  };
  if (command.where !== undefined && op.kind === 'set') return depthReading(state, setting, command, base);
  const asPull = setting.pull !== undefined && whyNotOf(command.value, 'force') === undefined;
  const wrong = asPull ? undefined : wrongDimension(command.value, setting.dimension);
  if (wrong) return wrong;
  if (op.kind === 'set' && setting.feel && state.answers[op.id]?.answer !== 'no')
    return refuse('not-complete', setting.feel.ask, 'Feel it first, then put the gauge on');
  if (
    op.kind === 'set' &&
    depthsOf(settingMethodOf(setting, state)).length > 0 &&
    !state.settings[id]?.rounds.some((r) => r.fitted)
  )
    return refuse('not-complete', 'The pack is not in yet', 'Measure the depths and fit the pack that they ask for');
  const rounds = state.settings[id]?.rounds ?? [];
  const earlier = op.kind === 'set' ? (rounds.at(-1)?.readings ?? []) : [];
  const limits = limitsOf(settingBand(setting, state).band);
  let result = null;
  try {
    const values = [...earlier.map((r) => r.value), command.value].map(
      (v) => settingValue(setting, v, command.instrument?.uncertainty).value,
    );
    const { uncertainty, working } = settingValue(setting, command.value, command.instrument?.uncertainty);
    if (op.kind === 'read' || values.length >= setting.repeats)
      result = judged(values, uncertainty, setting.dimension, limits.lower, limits.upper, working);
  } catch (e) {
    if (e instanceof ReckonError) return refuse('wrong-value', e.message, 'Read it again');
    throw e;
  }
  const moment = op.kind === 'read' ? 'as-found' : rounds.length > 1 ? 'confirm' : 'trial';
  return accept({ type: 'reading-taken', payload: { ...base, moment, where: null, result } });
}

function depthReading(
  state: BenchState,
  setting: Sheet['settings'][string],
  command: TakeReading,
  base: { readonly op: string; readonly subject: 'setting'; readonly id: string } & Pick<
    TakeReading,
    'value' | 'how'
  > & {
      readonly instrument: NonNullable<TakeReading['instrument']> | null;
    },
): Decision {
  const depth = depthsOf(settingMethodOf(setting, state)).find((d) => d.id === command.where);
  if (!depth) {
    const { left, read } = depthsRead(setting, state);
    const all = [...left, ...read.map((r) => r.id)];
    return refuse(
      'wrong-value',
      `"${command.where}" is not a depth of this setting`,
      all.length > 0 ? `One of: ${all.join(', ')}` : 'Read the setting itself',
    );
  }
  const wrong = wrongDimension(command.value, 'length');
  if (wrong) return wrong;
  return accept({ type: 'reading-taken', payload: { ...base, moment: 'depth', where: depth.id, result: null } });
}
