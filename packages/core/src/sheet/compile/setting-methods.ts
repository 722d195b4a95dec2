import type { Dimension, Quantity } from '../../quantities/index.ts';
import type { SettingMethod } from '../setting.ts';
import type { RawSettingMethod, RawSetting, RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** A hexagon, where the sheet does not count the cone's flats. */
const USUAL_FLATS = 6;

/** What the method of a setting is compiled beside: its setting as it was written, and the sheet. */
export interface SettingAsWritten {
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

/** One method of making a setting: what it needs is there, or the sheet is told what is missing. */
export function compileSettingMethod(
  reader: Reader,
  path: Path,
  raw: RawSettingMethod,
  { at, written, sheet, dimension }: SettingAsWritten,
): SettingMethod {
  const need = <K extends keyof RawSettingMethod>(key: K): NonNullable<RawSettingMethod[K]> | undefined => {
    const value = raw[key];
    if (value === undefined) reader.problem(path, 'method-incomplete', `the method "${raw.kind}" needs "${key}"`);
    return value ?? undefined;
  };
  const fromDrawer = (): void => {
    if (written.shims === undefined)
      reader.problem(path, 'method-incomplete', `the method "${raw.kind}" takes its pack from a drawer: say "shims"`);
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

/** The methods of a setting by the choice that picks each; a single one stands under no choice. */
export function compileSettingMethods(
  reader: Reader,
  beside: SettingAsWritten,
  by: string | undefined,
): { readonly methods?: Readonly<Record<string, SettingMethod>> } {
  const { at, written: s, sheet } = beside;
  if (s.method && s.methods) reader.problem(at, 'method-twice', 'say "method" or "methods", not both');
  const choices = by === undefined ? undefined : sheet.methods?.[by]?.choices;
  if (by !== undefined) reader.name([...at, 'by'], by, sheet.methods, 'method');
  for (const choice of Object.keys(s.methods ?? {}))
    if (choices && !Object.hasOwn(choices, choice))
      reader.problem([...at, 'methods', choice], 'unknown-name', `"${by}" has no choice "${choice}"`);
  for (const choice of Object.keys(choices ?? {}))
    if (s.methods && !Object.hasOwn(s.methods, choice))
      reader.problem([...at, 'methods'], 'method-missing', `no method says how it is set by the choice "${choice}"`);
  if (s.method) return { methods: { '': compileSettingMethod(reader, [...at, 'method'], s.method, beside) } };
  if (!s.methods) return {};
  return {
    methods: Object.fromEntries(
      Object.entries(s.methods).map(([c, raw]) => [
        c,
        compileSettingMethod(reader, [...at, 'methods', c], raw, beside),
      ]),
    ),
  };
}
