import { curveKinds, MOST_POINTS, MOST_RIPPLE } from '@jubb/core/bench';
import { registerDecorator, type ValidationArguments } from 'class-validator';

const MOST_ROUNDS = 20;
const LARGEST = 1e9;

type Loose = Readonly<Record<string, unknown>>;
const isRecord = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);
const isNumber = (v: unknown): boolean => typeof v === 'number' && Number.isFinite(v) && Math.abs(v) <= LARGEST;
/** Has it these keys, all numbers, and no others but `also`? */
const numbers = (v: unknown, keys: readonly string[], also: readonly string[] = []): v is Loose =>
  isRecord(v) && keys.every((k) => isNumber(v[k])) && Object.keys(v).every((k) => keys.includes(k) || also.includes(k));
const list = (v: unknown, most: number, of: (item: unknown) => boolean, least = 0): boolean =>
  Array.isArray(v) && v.length >= least && v.length <= most && v.every(of);
const both = (v: unknown): boolean => list(v, 2, (x) => numbers(x, ['mmS', 'phaseDeg']), 2);
const weight = ['plane', 'massG', 'angleDeg'];

/** What is wrong with a run of a stand as it came over the wire; undefined when nothing is. */
export function runProblem(run: unknown): string | undefined {
  if (!isRecord(run)) return 'a run is an object with its kind';
  const keys = (...known: readonly string[]): string | undefined => {
    const other = Object.keys(run).find((k) => k !== 'kind' && !known.includes(k));
    return other === undefined ? undefined : `${other}: nothing of that name belongs to a ${String(run['kind'])} run`;
  };
  if (run['kind'] === 'alternator') {
    if (
      !list(run['sweep'], 200, (p) => numbers(p, ['drivenRpm', 'speedRpm', 'currentA', 'voltageV', 'temperatureC']), 2)
    )
      return 'sweep: 2 to 200 points of drivenRpm, speedRpm, currentA, voltageV and temperatureC';
    const ripple = run['ripple'];
    if (
      !numbers(ripple, ['sampleRateHz', 'speedRpm'], ['samplesV']) ||
      !list(ripple['samplesV'], MOST_RIPPLE, isNumber, 1)
    )
      return `ripple: samplesV (at most ${MOST_RIPPLE}), sampleRateHz and speedRpm`;
    return keys('sweep', 'ripple');
  }
  if (run['kind'] === 'balancing') {
    if (!both(run['initial'])) return 'initial: two bearings, each mmS and phaseDeg';
    if (!list(run['trials'], 2, (t) => numbers(t, weight, ['readings']) && both(t['readings'])))
      return 'trials: at most two, each plane, massG, angleDeg and readings';
    const added = (r: unknown): boolean =>
      isRecord(r) &&
      list(r['added'], 8, (w) => numbers(w, weight)) &&
      both(r['readings']) &&
      Object.keys(r).length === 2;
    if (!list(run['rounds'], MOST_ROUNDS, added)) return `rounds: at most ${MOST_ROUNDS}, each added and readings`;
    return keys('initial', 'trials', 'rounds');
  }
  if (curveKinds.some((k) => k === run['kind'])) {
    if (!list(run['points'], MOST_POINTS, (p) => list(p, 4, isNumber, 2), 2))
      return `points: 2 to ${MOST_POINTS}, each of 2 to 4 numbers`;
    if (run['tones'] !== undefined && !list(run['tones'], 40, (t) => numbers(t, ['hz', 'level'])))
      return 'tones: at most 40, each hz and level';
    if (run['floor'] !== undefined && !isNumber(run['floor'])) return 'floor: a number';
    return keys('points', 'tones', 'floor');
  }
  return `kind: ${JSON.stringify(run['kind'])} is none; one of: alternator, balancing, ${curveKinds.join(', ')}`;
}

/** A run of a stand, whole and of bounded size. */
export function IsRun(): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isRun',
      target: target.constructor,
      propertyName: String(propertyName),
      validator: {
        validate: (value: unknown) => runProblem(value) === undefined,
        defaultMessage: (args: ValidationArguments) => `run: ${runProblem(args.value) ?? ''}`,
      },
    });
}
