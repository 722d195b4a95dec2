import { registerDecorator } from 'class-validator';

/** The year 2200, in minutes since 1970. */
export const LATEST_MINUTE = 120_960_000;
/** Pieces of a plan: some hundreds of jobs. */
export const MOST_SLOTS = 3000;
const MOST_PINS = 500;

type Loose = Readonly<Record<string, unknown>>;
const isMinute = (v: unknown): boolean => typeof v === 'number' && Number.isFinite(v) && v >= 0 && v <= LATEST_MINUTE;
const isText = (v: unknown, most: number): boolean => typeof v === 'string' && v.length > 0 && v.length <= most;
const isOn = (v: unknown): boolean => Array.isArray(v) && v.length <= 10 && v.every((r) => isText(r, 80));

/** What may stand in an entry of a list, by key; `?` at its end where it may be left out. */
type Shape = Readonly<Record<string, (v: unknown) => boolean>>;
const SLOT: Shape = {
  activity: (v) => isText(v, 200),
  start: isMinute,
  end: isMinute,
  on: isOn,
  'place?': (v) => isText(v, 40),
};
const PIN: Shape = { activity: (v) => isText(v, 200), start: isMinute, 'on?': isOn };

/**
 * What is wrong with a list of thousands of entries, in words: the first of it, so that a list of nothing but faults costs
 * no more than a good one.
 */
function listProblem(list: unknown, most: number, shape: Shape): string | undefined {
  if (!Array.isArray(list)) return 'a list is due';
  if (list.length > most) return `at most ${most}; there are ${list.length}`;
  const known = new Set(Object.keys(shape).map((k) => k.replace('?', '')));
  for (const [i, entry] of (list as unknown[]).entries()) {
    if (typeof entry !== 'object' || entry === null || Array.isArray(entry)) return `${i}: an object is due`;
    const other = Object.keys(entry).find((k) => !known.has(k));
    if (other !== undefined) return `${i}.${other.slice(0, 40)}: nothing of that name belongs here`;
    for (const [key, good] of Object.entries(shape)) {
      const value = (entry as Loose)[key.replace('?', '')];
      if (!(key.endsWith('?') && value === undefined) && !good(value))
        return `${i}.${key.replace('?', '')}: not accepted`;
    }
  }
  return undefined;
}

const listOf = (name: string, most: number, shape: Shape) => (): PropertyDecorator => (target, propertyName) =>
  registerDecorator({
    name,
    target: target.constructor,
    propertyName: String(propertyName),
    validator: {
      validate: (value: unknown) => listProblem(value, most, shape) === undefined,
      defaultMessage: (args) => `${args?.property}: ${listProblem(args?.value, most, shape) ?? ''}`,
    },
  });

/** What is wrong with the pieces of a plan, in words; undefined when nothing is. */
export const slotsProblem = (list: unknown): string | undefined => listProblem(list, MOST_SLOTS, SLOT);

/** The pieces of a plan. */
export const IsSlots = listOf('isSlots', MOST_SLOTS, SLOT);
/** The pieces that stay where they were put. */
export const IsPins = listOf('isPins', MOST_PINS, PIN);
