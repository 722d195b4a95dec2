import type { Dimension, Quantity } from '../../quantities/index.ts';
import type { School } from '../setting.ts';
import type { RawSchool, RawSetting, RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** A hexagon, where the sheet does not count the cone's flats. */
const USUAL_FLATS = 6;

/** What a school is compiled beside: its setting as it was written, and the sheet. */
export interface SchoolOf {
  readonly at: Path;
  readonly written: RawSetting;
  readonly sheet: RawSheet;
  /** Of what the setting reads. */
  readonly dimension: Dimension;
}

/** How much is moved, and what that gives in a dimension. */
export const compilePer = (
  reader: Reader,
  path: Path,
  { move, gives }: { readonly move: string | number; readonly gives: string | number },
  of: Dimension,
): { readonly move: Quantity; readonly gives: Quantity } => ({
  move: reader.quantity([...path, 'move'], move, 'length'),
  gives: reader.quantity([...path, 'gives'], gives, of),
});

/** One school of making a setting: what it needs is there, or the sheet is told what is missing. */
export function compileSchool(
  reader: Reader,
  path: Path,
  raw: RawSchool,
  { at, written, sheet, dimension }: SchoolOf,
): School {
  const need = <K extends keyof RawSchool>(key: K): NonNullable<RawSchool[K]> | undefined => {
    const value = raw[key];
    if (value === undefined) reader.problem(path, 'school-incomplete', `the school "${raw.kind}" needs "${key}"`);
    return value ?? undefined;
  };
  const fromDrawer = (): void => {
    if (written.shims === undefined)
      reader.problem(path, 'school-incomplete', `the school "${raw.kind}" takes its pack from a drawer: say "shims"`);
  };
  const quantity = (key: string, value: string | number, of: Dimension): Quantity =>
    reader.quantity([...path, key], value, of);
  const pitch = (): Quantity => quantity('pitch', need('pitch') ?? '1 mm', 'length');
  switch (raw.kind) {
    case 'trial':
      fromDrawer();
      return { kind: 'trial' };
    case 'depths':
      fromDrawer();
      return {
        kind: 'depths',
        depths: (need('depths') ?? []).map((d) => ({ ...d, gauge: d.gauge ?? 'depth gauge' })),
      };
    case 'gap':
      fromDrawer();
      return { kind: 'gap', gauge: raw.gauge ?? 'feeler' };
    case 'pinion':
      fromDrawer();
      return {
        kind: 'pinion',
        nominal: quantity('nominal', need('nominal') ?? '1 mm', 'length'),
        gauge: raw.gauge ?? 'depth gauge',
      };
    case 'crush':
      return {
        kind: 'crush',
        first: quantity('first', need('first') ?? '5 deg', 'angle'),
        part: reader.name([...path, 'part'], need('part') ?? '', sheet.parts, 'part'),
      };
    case 'nut':
      if (raw.slots !== undefined) need('holes');
      return {
        kind: 'nut',
        pitch: pitch(),
        ...(raw.slots === undefined ? {} : { slots: raw.slots }),
        holes: (raw.holes ?? []).map((h, i) => reader.quantity([...path, 'holes', i], h, 'angle')),
      };
    case 'cone':
      return { kind: 'cone', pitch: pitch(), flats: raw.flats ?? USUAL_FLATS };
    case 'turn':
      return {
        kind: 'turn',
        first: quantity('first', need('first') ?? '10 deg', 'angle'),
        backOff: quantity('back-off', raw['back-off'] ?? '60 deg', 'angle'),
      };
    case 'sides': {
      const other = written.together === undefined ? undefined : sheet.settings?.[written.together];
      return {
        kind: 'sides',
        gearTeeth: need('gear') ?? 1,
        pinionTeeth: need('pinion') ?? 1,
        per: compilePer(
          reader,
          [...path, 'per'],
          need('per') ?? { move: '1 mm', gives: '1 N·m' },
          other ? reader.dimension([...at, 'together'], other.quantity) : dimension,
        ),
      };
    }
    default:
      return { kind: 'slide' };
  }
}

/** The schools of a setting by the choice that picks each; a single one stands under no choice. */
export function compileSchools(
  reader: Reader,
  beside: SchoolOf,
  by: string | undefined,
): { readonly schools?: Readonly<Record<string, School>> } {
  const { at, written: s, sheet } = beside;
  if (s.school && s.schools) reader.problem(at, 'school-twice', 'say "school" or "schools", not both');
  const method = by === undefined ? undefined : sheet.methods?.[by];
  if (by !== undefined) reader.name([...at, 'by'], by, sheet.methods, 'method');
  for (const choice of Object.keys(s.schools ?? {}))
    if (method && !Object.hasOwn(method.choices, choice))
      reader.problem([...at, 'schools', choice], 'unknown-name', `"${by}" has no choice "${choice}"`);
  for (const choice of Object.keys(method?.choices ?? {}))
    if (s.schools && !Object.hasOwn(s.schools, choice))
      reader.problem([...at, 'schools'], 'school-missing', `no school says how it is set by the choice "${choice}"`);
  if (s.school) return { schools: { '': compileSchool(reader, [...at, 'school'], s.school, beside) } };
  if (!s.schools) return {};
  return {
    schools: Object.fromEntries(
      Object.entries(s.schools).map(([c, raw]) => [c, compileSchool(reader, [...at, 'schools', c], raw, beside)]),
    ),
  };
}
