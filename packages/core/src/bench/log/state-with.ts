import type {
  BenchState,
  Changes,
  JointState,
  PartLineState,
  Pull,
  SettingRound,
  SettingState,
  Stamp,
} from './state.ts';

/** `done` with one operation more; as it is for something that no operation asked for. */
export function done(state: BenchState, stamp: Stamp, op: string | null, more: object = {}): Pick<BenchState, 'done'> {
  return { done: op === null ? state.done : { ...state.done, [op]: { ...stamp, ...more } } };
}

/** One line of parts changed; nothing where there is no such line. */
export function withLine(state: BenchState, id: string, change: (line: PartLineState) => PartLineState): Changes {
  const line = state.partLines[id];
  return line ? { partLines: { ...state.partLines, [id]: change(line) } } : {};
}

/** One setting changed, which may be the first that is heard of it. */
export function withSetting(state: BenchState, id: string, change: (s: SettingState) => SettingState): Changes {
  const before: SettingState = state.settings[id] ?? { rounds: [{ readings: [] }] };
  return { settings: { ...state.settings, [id]: change(before) } };
}

/** One joint changed. */
export function withJointState(state: BenchState, id: string, change: (j: JointState) => JointState): Changes {
  return { joints: { ...state.joints, [id]: change(state.joints[id] ?? { pulls: [] }) } };
}

/** The pulls of one joint changed. */
export function withJoint(state: BenchState, id: string, change: (pulls: readonly Pull[]) => readonly Pull[]): Changes {
  const before = state.joints[id] ?? { pulls: [] };
  return { joints: { ...state.joints, [id]: { ...before, pulls: change(before.pulls) } } };
}

/** Rounds with the newest one changed. */
export function replaceLast(
  rounds: readonly SettingRound[],
  change: (r: SettingRound) => SettingRound,
): readonly SettingRound[] {
  return [...rounds.slice(0, -1), change(rounds.at(-1)!)];
}
