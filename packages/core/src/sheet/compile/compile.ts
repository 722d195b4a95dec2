import type { SheetProblem } from '../errors.ts';
import {
  needs,
  SHEET_FORMAT,
  type IdentifyQuestion,
  type Kit,
  type Part,
  type Sheet,
  type VariedEntries,
} from '../types.ts';
import { variedMaps } from '../variants.ts';
import { mapValues } from '../../records.ts';
import type { FollowUp } from '../follow-up.ts';
import { expandEach } from './each.ts';
import { compileFaults } from './faults.ts';
import { compileFit, compileLip, compileRing } from './fits.ts';
import { compileFrom, compileJoint, figureFrom } from './joints.ts';
import type { RawPart, RawQuestion, RawSheet } from './raw.ts';
import { compileJudging, minor } from './judging.ts';
import { compileMeasure } from './measures.ts';
import { patternChoices, writtenChoices } from './looks.ts';
import { compileAxes, compileMeshes } from './axes.ts';
import { compileRoutes } from './routes.ts';
import { compileSetting } from './settings.ts';
import { asList, Reader, type Path } from './reader.ts';
import { compileTest } from './tests.ts';
import { compileSteps, stepId } from './steps.ts';
import { compileSits, compileUnit } from './unit.ts';

/**
 * Makes a {@link Sheet} of a sheet as written: quantities parsed, names resolved, shorthands opened.
 * Goes on past what is wrong and returns every problem with its path; the sheet is usable only when none is an error.
 */
export function compileSheet(written: RawSheet): {
  sheet: Sheet;
  problems: readonly (SheetProblem & { readonly at: Path })[];
  /** Where each operation stands in the text. */
  opAt: ReadonlyMap<string, Path>;
} {
  const reader = new Reader();
  const { raw: varied, rungAt } = expandEach(written);
  const raw = withoutVariants(varied);
  const sheet: Sheet = {
    format: SHEET_FORMAT,
    form: raw.jubb === 'build-sheet/2' ? 2 : 1,
    id: raw.sheet,
    revision: raw.revision,
    title: raw.title,
    kind: raw.kind,
    maker: raw.maker,
    models: raw.models ?? [],
    from: raw.from && compileFrom(raw.from),
    opened: raw.opened ?? [],
    variants: Object.entries(raw.variants ?? {}).map(([id, v]) => ({ id, title: v.title })),
    identify: (raw.identify ?? [])
      .map((q, i) => compileQuestion(reader, q, i, raw))
      .sort((a, b) => needs.indexOf(a.needs) - needs.indexOf(b.needs)),
    ...compileVaried(reader, raw),
    kits: mapValues(raw.kits, (k, id): Kit => {
      k.covers.forEach((p, i) => reader.name(['kits', id, 'covers', i], p, raw.parts, 'part'));
      return { id, title: k.title ?? id, order: k.order, priceMinor: minor(k.price), covers: k.covers };
    }),
    aids: mapValues(raw.aids, (a, id) => {
      if (a.on !== undefined) reader.name(['aids', id, 'on'], a.on, { ...raw.parts, ...raw.leads }, 'part or lead');
      return {
        id,
        title: a.title,
        where: a.where,
        ...(a.on === undefined ? {} : { on: a.on }),
        ...(a.leaves ? { leaves: true } : {}),
      };
    }),
    leads: mapValues(raw.leads, (l, id) => ({ id, title: l.title, where: l.where, kind: l.kind ?? 'connector' })),
    marks: mapValues(raw.marks, (m, id) => {
      m.between.forEach((p, i) => reader.name(['marks', id, 'between', i], p, raw.parts, 'part'));
      if (new Set(m.between).size < m.between.length)
        reader.problem(
          ['marks', id, 'between'],
          'mark-on-itself',
          `a mark stands between two parts, not "${m.between[0]}" and itself`,
        );
      return {
        id,
        title: m.title ?? m.between.map((p) => raw.parts[p]?.title ?? p).join(' to '),
        between: m.between,
        where: m.where,
        with: m.with ?? 'paint',
      };
    }),
    standing: Object.entries(raw.standing ?? {}).map(([id, s]) => ({
      id,
      say: s.say,
      from: stepId(s.from, 'strip'),
      until: stepId(s.until, 'build'),
    })),
    methods: mapValues(raw.methods, (m, id) => ({
      id,
      ask: m.ask,
      choices: Object.entries(m.choices).map(([choice, c]) => ({ id: choice, title: c.title, why: c.why ?? '' })),
    })),
    ...compileUnit(reader, raw),
    ...compileByVariant(reader, varied, raw),
    looks: mapValues(raw.looks, (l, id) => {
      if (l.part !== undefined) reader.name(['looks', id, 'part'], l.part, raw.parts, 'part');
      return {
        id,
        title: l.title,
        ask: l.ask,
        by: l.by ?? 'eye',
        part: l.part,
        ...(l.pattern === undefined ? {} : { pattern: l.pattern }),
        choices: l.pattern === undefined ? writtenChoices(reader, id, l) : patternChoices(),
        failedBy: l['failed-by'] ?? [],
      };
    }),
    ...compileJudging(reader, raw),
    ...(raw.axes ? { axes: compileAxes(reader, raw) } : {}),
    ...(raw.mesh ? { meshes: compileMeshes(reader, raw) } : {}),
    ...(raw.routes ? { routes: compileRoutes(reader, raw) } : {}),
    ...(raw.faults ? { faults: compileFaults(reader, raw) } : {}),
    stacks: mapValues(raw.stacks, (s, id) => ({
      id,
      title: s.title,
      from: s.from ?? 'top',
      layers: s.order.map((part, i) => ({
        part: reader.name(['stacks', id, 'order', i], part, raw.parts, 'part'),
        title: raw.parts[part]?.title ?? part,
      })),
      last: s.last,
    })),
    ...(raw['hand-over']
      ? {
          handOver: {
            runIn: raw['hand-over']['run-in'] ?? [],
            lookAgain: raw['hand-over']['look-again'] ?? [],
            ...(raw['hand-over']['follow-up']
              ? { followUps: compileFollowUps(reader, raw['hand-over']['follow-up']) }
              : {}),
            secondPerson: raw['hand-over']['second-person'] ?? false,
          },
        }
      : {}),
    steps: compileSteps(reader, raw, rungAt),
  };
  sheet.standing.forEach((s) => {
    for (const [key, step] of [
      ['from', s.from],
      ['until', s.until],
    ] as const) {
      if (!sheet.steps.some((t) => t.id === step))
        reader.problem(['standing', s.id, key], 'unknown-name', `"${step}" is no step`);
    }
  });
  // What is wrong with an entry is wrong with it in every variant: it is told once.
  const told = new Map(reader.problems.map((p) => [`${p.path} ${p.code} ${p.message}`, p]));
  return { sheet, problems: [...told.values()], opAt: reader.opAt };
}

type RawFollowUp = NonNullable<NonNullable<RawSheet['hand-over']>['follow-up']>[number];
/** What is done again: each with one span at least, as quantities. */
function compileFollowUps(reader: Reader, raw: readonly RawFollowUp[]): readonly FollowUp[] {
  return raw.map((f, i) => {
    const at: Path = ['hand-over', 'follow-up', i, 'after'];
    const span = (key: keyof FollowUp['after'], dimension: 'time' | 'length'): object =>
      f.after[key] === undefined ? {} : { [key]: reader.quantity([...at, key], f.after[key], dimension) };
    if (Object.keys(f.after).length === 0)
      reader.problem(at, 'says-nothing', `"${f.do}" says no span: running, distance or calendar`);
    return {
      do: f.do,
      after: { ...span('running', 'time'), ...span('distance', 'length'), ...span('calendar', 'time') },
    };
  });
}

/** The entries whose figures may differ by variant. */
function compileVaried(reader: Reader, raw: RawSheet): VariedEntries {
  return {
    parts: mapValues(raw.parts, (p, id) => compilePart(reader, id, p, raw)),
    joints: mapValues(raw.joints, (j, id) => compileJoint(reader, id, j, raw)),
    measures: mapValues(raw.measures, (m, id) => compileMeasure(reader, id, m, raw)),
    settings: mapValues(raw.settings, (s, id) => compileSetting(reader, id, s, raw)),
    fluids: mapValues(raw.fluids, (f, id) => ({
      id,
      title: f.title ?? id,
      grade: f.grade,
      amount: reader.quantity(
        ['fluids', id, 'amount'],
        f.amount,
        /k?g$|oz$|lb$/.test(String(f.amount)) ? 'mass' : 'volume',
      ),
      ...(f.kind === undefined ? {} : { kind: f.kind }),
      from: figureFrom(f.from, raw),
    })),
    tests: mapValues(raw.tests, (t, id) => compileTest(reader, id, t, raw)),
  };
}

/** An entry as it is for all, without what is other for some. */
function plainEntry<T extends { readonly by?: unknown }>(entry: T): T {
  if (typeof entry.by !== 'object') return entry;
  const { by: _by, ...plain } = entry;
  return plain as T;
}
function withoutVariants(raw: RawSheet): RawSheet {
  const maps = Object.fromEntries(
    variedMaps.flatMap((m) =>
      raw[m] === undefined ? [] : [[m, mapValues(raw[m] as Readonly<Record<string, { by?: unknown }>>, plainEntry)]],
    ),
  );
  return { ...raw, ...maps };
}

/** The entries that a variant has other than the rest, each compiled as a whole. */
function compileByVariant(reader: Reader, varied: RawSheet, plain: RawSheet): Pick<Sheet, 'byVariant'> {
  const named = new Set<string>();
  const others = (map: (typeof variedMaps)[number], variant: string): [string, object][] =>
    Object.entries((varied[map] ?? {}) as Readonly<Record<string, { readonly by?: unknown }>>).flatMap(
      ([id, entry]) => {
        if (typeof entry.by !== 'object' || entry.by === null) return [];
        for (const v of Object.keys(entry.by)) {
          if (!named.has(`${map} ${id} ${v}`)) reader.name([map, id, 'by', v], v, plain.variants, 'variant');
          named.add(`${map} ${id} ${v}`);
        }
        const own = (entry.by as Readonly<Record<string, object>>)[variant];
        return own === undefined ? [] : [[id, { ...plainEntry(entry), ...own }]];
      },
    );
  const out: Record<string, VariedEntries> = {};
  for (const variant of Object.keys(plain.variants ?? {})) {
    const maps = variedMaps.map((m) => [m, Object.fromEntries(others(m, variant))] as const);
    if (maps.every(([, entries]) => Object.keys(entries).length === 0)) continue;
    // Compiled in the sheet as this variant has it, so that an entry may speak of another that differs too.
    const whole = compileVaried(reader, {
      ...plain,
      ...Object.fromEntries(maps.map(([m, entries]) => [m, { ...plain[m], ...entries }])),
    });
    out[variant] = Object.fromEntries(
      maps.map(([m, entries]) => [m, Object.fromEntries(Object.keys(entries).map((id) => [id, whole[m][id]]))]),
    ) as unknown as VariedEntries;
  }
  return Object.keys(out).length === 0 ? {} : { byVariant: out };
}

function compileQuestion(reader: Reader, q: RawQuestion, i: number, sheet: RawSheet): IdentifyQuestion {
  const at: Path = ['identify', i];
  const dimension = q.measure && reader.dimension([...at, 'measure', 'quantity'], q.measure.quantity);
  if (q.part !== undefined) reader.name([...at, 'part'], q.part, sheet.parts, 'part');
  return {
    id: q.id ?? `q${i + 1}`,
    ask: q.ask,
    by: dimension ? 'measure' : q.count ? 'count' : 'word',
    gauge: q.measure?.gauge,
    dimension,
    needs: q.needs ?? 'nothing',
    part: q.part,
    choices: q.choose.map((c, j) => {
      const path: Path = [...at, 'choose', j];
      const variants = asList(c.variant).map((v) => reader.name([...path, 'variant'], v, sheet.variants, 'variant'));
      if (variants.length === 0 && c.order === undefined && c.says === undefined)
        reader.problem(path, 'says-nothing', 'an answer must say a variant, an order number, or something in words');
      return {
        ...(dimension ? { band: reader.band([...path, 'is'], c.is, dimension) } : { word: String(c.is) }),
        variants,
        order: c.order,
        says: c.says,
      };
    }),
  };
}

function compilePart(reader: Reader, id: string, p: RawPart, sheet: RawSheet): Part {
  const at: Path = ['parts', id];
  if (p.replaces !== undefined) reader.name([...at, 'replaces'], p.replaces, sheet.parts, 'part');
  if (p['saved-from'] !== undefined) reader.name([...at, 'saved-from'], p['saved-from'], sheet.parts, 'part');
  return {
    id,
    title: p.title,
    count: p.count === 'unknown' ? 0 : (p.count ?? 1),
    countKnown: p.count !== 'unknown',
    renew: p.renew ?? 'inspect',
    order: p.order,
    priceMinor: minor(p.price),
    reuseIf: p['reuse-if'],
    lookAgain: p['look-again'],
    ...(p.body ? { body: true } : {}),
    goes: p.goes,
    fits: p.fits,
    where: p.where,
    length: p.length === undefined ? undefined : reader.quantity([...at, 'length'], p.length, 'length'),
    ...(p.shape === undefined ? {} : { shape: p.shape }),
    ...(p.inside === undefined ? {} : { inside: reader.quantity([...at, 'inside'], p.inside, 'length') }),
    ...(p.outside === undefined ? {} : { outside: reader.quantity([...at, 'outside'], p.outside, 'length') }),
    ...(p.points === undefined ? {} : { points: p.points }),
    savedFrom: p['saved-from'],
    replaces: p.replaces,
    side: p.onSide,
    stays: p.stays ?? false,
    ring: p.ring && compileRing(reader, [...at, 'ring'], p.ring),
    lip: p.lip && compileLip(reader, [...at, 'lip'], p.lip),
    ...compileSits(reader, at, p, sheet),
    ...(p.fit ? { fit: compileFit(reader, [...at, 'fit'], p.fit) } : {}),
    ...(p['may-not-touch'] === undefined ? {} : { mayNotTouch: p['may-not-touch'] }),
  };
}
