import type { SheetProblem } from '../errors.ts';
import {
  needs,
  SHEET_FORMAT,
  type IdentifyQuestion,
  type Kit,
  type Measure,
  type Part,
  type Setting,
  type Sheet,
} from '../types.ts';
import { expandEach } from './each.ts';
import { compileFrom, compileJoint, figureFrom } from './joints.ts';
import type { RawMeasure, RawPart, RawQuestion, RawSetting, RawSheet } from './raw.ts';
import { asList, Reader, type Path } from './reader.ts';
import { compileSteps, stepId } from './steps.ts';

function mapValues<A, B>(
  from: Readonly<Record<string, A>> | undefined,
  make: (id: string, value: A) => B,
): Record<string, B> {
  return Object.fromEntries(Object.entries(from ?? {}).map(([id, value]) => [id, make(id, value)]));
}

/**
 * Makes a {@link Sheet} of a sheet as written: quantities parsed, names resolved, shorthands opened.
 * Goes on past what is wrong and returns every problem with its path; the sheet is usable only when none is an error.
 */
export function compileSheet(written: RawSheet): {
  sheet: Sheet;
  problems: readonly (SheetProblem & { readonly at: Path })[];
} {
  const reader = new Reader();
  const { raw, rungAt } = expandEach(written);
  const sheet: Sheet = {
    format: SHEET_FORMAT,
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
    parts: mapValues(raw.parts, (id, p) => compilePart(reader, id, p, raw)),
    kits: mapValues(raw.kits, (id, k): Kit => {
      k.covers.forEach((p, i) => reader.name(['kits', id, 'covers', i], p, raw.parts, 'part'));
      return { id, title: k.title ?? id, order: k.order, priceMinor: minor(k.price), covers: k.covers };
    }),
    joints: mapValues(raw.joints, (id, j) => compileJoint(reader, id, j, raw)),
    aids: mapValues(raw.aids, (id, a) => ({ id, title: a.title, where: a.where })),
    leads: mapValues(raw.leads, (id, l) => ({ id, title: l.title, where: l.where, kind: l.kind ?? 'connector' })),
    marks: mapValues(raw.marks, (id, m) => {
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
    measures: mapValues(raw.measures, (id, m) => compileMeasure(reader, id, m, raw)),
    settings: mapValues(raw.settings, (id, s) => compileSetting(reader, id, s, raw)),
    methods: mapValues(raw.methods, (id, m) => ({
      id,
      ask: m.ask,
      choices: Object.entries(m.choices).map(([choice, c]) => ({ id: choice, title: c.title, why: c.why ?? '' })),
    })),
    fluids: mapValues(raw.fluids, (id, f) => ({
      id,
      title: f.title ?? id,
      grade: f.grade,
      amount: reader.quantity(
        ['fluids', id, 'amount'],
        f.amount,
        /k?g$|oz$|lb$/.test(String(f.amount)) ? 'mass' : 'volume',
      ),
      from: figureFrom(f.from, raw),
    })),
    tests: mapValues(raw.tests, (id, t) => {
      const dimension = reader.dimension(['tests', id, 'quantity'], t.quantity);
      return {
        id,
        title: t.title,
        dimension,
        gauge: t.gauge ?? 'by hand',
        accept: reader.band(['tests', id, 'accept'], t.accept, dimension),
        failedBy: t['failed-by'] ?? [],
        from: figureFrom(t.from, raw),
      };
    }),
    looks: mapValues(raw.looks, (id, l) => {
      if (l.part !== undefined) reader.name(['looks', id, 'part'], l.part, raw.parts, 'part');
      return {
        id,
        title: l.title,
        ask: l.ask,
        by: l.by ?? 'eye',
        part: l.part,
        choices: Object.entries(l.choose).map(([choice, c]) => ({ id: choice, ...c })),
        failedBy: l['failed-by'] ?? [],
      };
    }),
    stacks: mapValues(raw.stacks, (id, s) => ({
      id,
      title: s.title,
      from: s.from ?? 'top',
      layers: s.order.map((part, i) => ({
        part: reader.name(['stacks', id, 'order', i], part, raw.parts, 'part'),
        title: raw.parts[part]?.title ?? part,
      })),
      last: s.last,
    })),
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
  return { sheet, problems: reader.problems };
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

function minor(price: number | undefined): number | undefined {
  return price === undefined ? undefined : Math.round(price * 100);
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
    goes: p.goes,
    fits: p.fits,
    where: p.where,
    length: p.length === undefined ? undefined : reader.quantity([...at, 'length'], p.length, 'length'),
    savedFrom: p['saved-from'],
    replaces: p.replaces,
    side: p.onSide,
    stays: p.stays ?? false,
    ring: p.ring && {
      inside: reader.quantity([...at, 'ring', 'inside'], p.ring.inside, 'length'),
      section: reader.quantity([...at, 'ring', 'section'], p.ring.section, 'length'),
      material: p.ring.material,
    },
    lip: p.lip && {
      shaft: reader.quantity([...at, 'lip', 'shaft'], p.lip.shaft, 'length'),
      bore: reader.quantity([...at, 'lip', 'bore'], p.lip.bore, 'length'),
      width: reader.quantity([...at, 'lip', 'width'], p.lip.width, 'length'),
      faces: p.lip.faces,
    },
  };
}

function compileMeasure(reader: Reader, id: string, m: RawMeasure, sheet: RawSheet): Measure {
  const at: Path = ['measures', id];
  const dimension = reader.dimension([...at, 'quantity'], m.quantity);
  const figure = (key: 'new' | 'min' | 'max'): ReturnType<Reader['quantity']> | undefined =>
    m[key] === undefined ? undefined : reader.quantity([...at, key], m[key], dimension);
  reader.name([...at, 'part'], m.part, sheet.parts, 'part');
  if (m.min === undefined && m.max === undefined)
    reader.problem(at, 'no-limit', `"${m.title}" has neither min nor max: nothing can be decided from it`);
  return {
    id,
    title: m.title,
    part: m.part,
    dimension,
    gauge: m.gauge ?? 'by hand',
    at: m.at && m.at.length > 0 ? m.at : ['once'],
    newSize: figure('new'),
    min: figure('min'),
    max: figure('max'),
    outsideOffers: m.outside?.offer ?? [],
    groove: m.groove,
    from: figureFrom(m.from, sheet),
  };
}

function compileSetting(reader: Reader, id: string, s: RawSetting, sheet: RawSheet): Setting {
  const at: Path = ['settings', id];
  const dimension = reader.dimension([...at, 'quantity'], s.quantity);
  const band = reader.band([...at, 'band'], s.band, dimension);
  if (s.seat) reader.name([...at, 'seat', 'joint'], s.seat.joint, sheet.joints, 'joint');
  if (s.shims !== undefined && (s.thicker === undefined || s.trial === undefined)) {
    reader.problem(at, 'shims-incomplete', 'shims need "thicker: looser|tighter" and a "trial" pack');
  }
  return {
    id,
    title: s.title,
    kind: s.kind,
    dimension,
    gauge: s.gauge ?? 'by hand',
    band,
    target:
      s.target === undefined
        ? { value: (band.low.value + band.high.value) / 2, unit: band.low.unit }
        : reader.quantity([...at, 'target'], s.target, dimension),
    repeats: s.repeats ?? 1,
    shims:
      s.shims === undefined
        ? undefined
        : {
            drawer: s.shims,
            thicker: s.thicker ?? 'looser',
            trial: reader.quantity([...at, 'trial'], s.trial ?? '0 mm', 'length'),
            pack: s.pack ?? 'the pack',
            mayBeOff: reader.quantity([...at, 'may-be-off'], s['may-be-off'] ?? '0.01 mm', 'length'),
          },
    seat: s.seat && {
      joint: s.seat.joint,
      to: reader.quantity([...at, 'seat', 'to'], s.seat.to, 'torque'),
      turning: s.seat.turning,
    },
    how: s.how,
    from: figureFrom(s.from, sheet),
  };
}
