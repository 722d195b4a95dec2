import { mapValues } from '../records.ts';
import type { Op } from './ops.ts';
import { USUAL_RISKS } from './risks.ts';
import type { Setting } from './setting.ts';
import {
  SHEET_FORMAT,
  type IdentifyQuestion,
  type Joint,
  type Measure,
  type Part,
  type Sheet,
  type Stage,
  type Step,
  type VariedEntries,
} from './types.ts';

/** A compiled sheet of format 1, as jobs of that time have it pinned. Only what differs is named. */
interface SheetOne extends Omit<SheetTwo, 'format' | 'identify' | 'parts' | 'joints' | 'steps'> {
  readonly format?: undefined;
  readonly identify: readonly (Omit<IdentifyQuestion, 'id' | 'by' | 'needs' | 'choices'> & {
    readonly choices: readonly { readonly variant: string }[];
  })[];
  readonly parts: Readonly<Record<string, Omit<Part, 'countKnown'>>>;
  readonly joints: Readonly<
    Record<string, Omit<Joint, 'stages'> & { readonly stages: readonly Omit<Stage, 'kind'>[] }>
  >;
  readonly steps: readonly (Omit<Step, 'tools' | 'ahead'> & { readonly tools: readonly string[] })[];
}

const brought = new WeakMap<object, Sheet>();

/**
 * A compiled sheet in the form of today. A job keeps the revision that it pinned, byte for byte; what computes with it
 * takes it through here. The same object comes back when nothing has to change.
 * @throws Error for a format that is newer than this program
 */
export function currentSheet(kept: Sheet): Sheet {
  if (kept.format === SHEET_FORMAT) return kept;
  if (kept.format !== undefined && kept.format !== 2 && kept.format !== 3 && kept.format !== 4)
    throw new Error(`a compiled sheet of format ${String(kept.format)}; this program knows up to ${SHEET_FORMAT}`);
  let sheet = brought.get(kept);
  if (!sheet) {
    brought.set(kept, (sheet = fromFour(formatFour(kept))));
  }
  return sheet;
}

function formatFour(kept: Sheet): SheetFour {
  if (kept.format === 4) return kept;
  if (kept.format === 3) return fromThree(kept);
  return fromThree(fromTwo(kept.format === 2 ? kept : fromOne(kept as unknown as SheetOne)));
}

/** A compiled sheet of format 4: the methods of a setting were called its schools. */
type SettingFour = Omit<Setting, 'methods'> & { readonly schools?: NonNullable<Setting['methods']> };
type SettingsFour = Readonly<Record<string, SettingFour>>;
interface SheetFour extends Omit<Sheet, 'settings' | 'byVariant'> {
  readonly settings: SettingsFour;
  readonly byVariant?: Readonly<Record<string, Omit<VariedEntries, 'settings'> & { readonly settings: SettingsFour }>>;
}

function fromFour({ settings, byVariant, ...four }: SheetFour): Sheet {
  const methodsOf = (of: SettingsFour): Sheet['settings'] =>
    mapValues(of, ({ schools, ...s }) => ({ ...s, ...(schools ? { methods: schools } : {}) }));
  return {
    ...four,
    format: SHEET_FORMAT,
    settings: methodsOf(settings),
    ...(byVariant ? { byVariant: mapValues(byVariant, (v) => ({ ...v, settings: methodsOf(v.settings) })) } : {}),
  };
}

/** A compiled sheet of format 3: nobody said where parts sit, and its order was that of its keys. */
type SheetThree = Omit<SheetFour, 'form' | 'spaces' | 'loads' | 'scopes'>;

function fromThree(three: SheetThree): SheetFour {
  return { ...three, format: 4, form: 1, spaces: {}, loads: {}, scopes: {} };
}

/** A compiled sheet of format 2: it says nothing of causes, sets, exchange units, or how readings are laid out. */
interface SheetTwo extends Omit<SheetThree, 'measures' | 'causes' | 'sets' | 'whileOpen' | 'exchange' | 'risks'> {
  readonly measures: Readonly<Record<string, Omit<Measure, 'shape' | 'inside' | 'derived'>>>;
}

function fromTwo(two: SheetTwo): SheetThree {
  return {
    ...two,
    format: 3,
    measures: mapValues(two.measures, (m) => ({ ...m, shape: 'size' as const, inside: false, derived: {} })),
    causes: {},
    sets: [],
    whileOpen: [],
    risks: USUAL_RISKS,
  };
}

function fromOne(one: SheetOne): SheetTwo {
  return {
    ...one,
    format: 2,
    identify: one.identify.map((q, i) => ({
      ...q,
      id: `q${i + 1}`,
      by: q.dimension ? 'measure' : 'word',
      needs: 'nothing',
      choices: q.choices.map(({ variant, ...c }) => ({ ...c, variants: [variant] })),
    })),
    parts: mapValues(one.parts, (p) => ({ ...p, countKnown: true })),
    joints: mapValues(one.joints, (j) => ({ ...j, stages: j.stages.map((s) => ({ ...s, kind: 'torque' as const })) })),
    leads: {},
    looks: {},
    stacks: {},
    opened: [],
    steps: one.steps.map((s) => ({
      ...s,
      tools: s.tools.map((title) => ({ title })),
      ahead: [],
      ops: s.ops.map((o): Op => (o.kind === 'off' ? { ...o, by: [] } : o)),
    })),
  };
}
