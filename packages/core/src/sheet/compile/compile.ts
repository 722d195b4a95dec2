import type { SheetProblem } from '../errors.ts';
import type { Kit, Measure, Part, Setting, Sheet } from '../types.ts';
import { compileJoint } from './joints.ts';
import type { RawMeasure, RawPart, RawSetting, RawSheet } from './raw.ts';
import { Reader, type Path } from './reader.ts';
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
export function compileSheet(raw: RawSheet): {
  sheet: Sheet;
  problems: readonly (SheetProblem & { readonly at: Path })[];
} {
  const reader = new Reader();
  const sheet: Sheet = {
    id: raw.sheet,
    revision: raw.revision,
    title: raw.title,
    kind: raw.kind,
    maker: raw.maker,
    models: raw.models ?? [],
    variants: Object.entries(raw.variants ?? {}).map(([id, v]) => ({ id, title: v.title })),
    identify: (raw.identify ?? []).map((q, i) => {
      const dimension = q.measure && reader.dimension(['identify', i, 'measure', 'quantity'], q.measure.quantity);
      return {
        ask: q.ask,
        gauge: q.measure?.gauge,
        dimension,
        choices: q.choose.map((c, j) => {
          const at: Path = ['identify', i, 'choose', j];
          reader.name([...at, 'variant'], c.variant, raw.variants, 'variant');
          return dimension
            ? { band: reader.band([...at, 'is'], c.is, dimension), variant: c.variant }
            : { word: String(c.is), variant: c.variant };
        }),
      };
    }),
    parts: mapValues(raw.parts, (id, p) => compilePart(reader, id, p)),
    kits: mapValues(raw.kits, (id, k): Kit => {
      k.covers.forEach((p, i) => reader.name(['kits', id, 'covers', i], p, raw.parts, 'part'));
      return { id, title: k.title ?? id, order: k.order, priceMinor: minor(k.price), covers: k.covers };
    }),
    joints: mapValues(raw.joints, (id, j) => compileJoint(reader, id, j, raw)),
    aids: mapValues(raw.aids, (id, a) => ({ id, ...a })),
    marks: mapValues(raw.marks, (id, m) => {
      m.between.forEach((p, i) => reader.name(['marks', id, 'between', i], p, raw.parts, 'part'));
      return {
        id,
        title: m.title ?? m.between.join(' to '),
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
      };
    }),
    steps: compileSteps(reader, raw),
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

function minor(price: number | undefined): number | undefined {
  return price === undefined ? undefined : Math.round(price * 100);
}

function compilePart(reader: Reader, id: string, p: RawPart): Part {
  const at: Path = ['parts', id];
  return {
    id,
    title: p.title,
    count: p.count ?? 1,
    renew: p.renew ?? 'inspect',
    order: p.order,
    priceMinor: minor(p.price),
    goes: p.goes,
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
  };
}
