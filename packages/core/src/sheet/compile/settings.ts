import { canonical, inCanonical, type Band, type Dimension, type Quantity } from '../../quantities/index.ts';
import type { Setting } from '../setting.ts';
import { figureFrom } from './joints.ts';
import type { RawSetting, RawSheet } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';
import { compilePer, compileSettingMethods } from './setting-methods.ts';

/** A setting as the bench works it: its band, its pack, its methods, and how it is read. */
export function compileSetting(reader: Reader, id: string, s: RawSetting, sheet: RawSheet): Setting {
  const at: Path = ['settings', id];
  // Figures by variant are laid over before this; what is left of `by` names a method.
  const by = typeof s.by === 'string' ? s.by : undefined;
  const dimension = reader.dimension([...at, 'quantity'], s.quantity);
  const band = s.chart ? chartBand(reader, at, s.chart) : reader.band([...at, 'band'], s.band ?? 'nothing', dimension);
  if (s.chart && s.band !== undefined)
    reader.problem([...at, 'band'], 'band-twice', 'the chart says the band: leave "band" out');
  if (s.together !== undefined) reader.name([...at, 'together'], s.together, sheet.settings, 'setting');
  const part = (key: string, name: string): string => reader.name([...at, key], name, sheet.parts, 'part');
  const bearings = asList(s.bearings).map((p) => part('bearings', p));
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
    ...shimsOf(reader, at, s, dimension),
    ...seatOf(reader, at, s, sheet),
    how: s.how,
    ...(by === undefined ? {} : { by }),
    ...compileSettingMethods(reader, { at, written: s, sheet, dimension }, by),
    ...pullOf(reader, at, s),
    ...(bearings.length > 0 ? { bearings } : {}),
    ...(s.feel ? { feel: s.feel } : {}),
    ...hotOf(reader, at, s),
    ...(s.together === undefined ? {} : { together: s.together }),
    ...chartOf(reader, at, s),
    ...(s.outside === undefined ? {} : { outside: s.outside }),
    ...(s.part === undefined ? {} : { part: part('part', s.part) }),
    ...(s.of === undefined ? {} : { of: asList(s.of).map((p) => part('of', p)) }),
    from: figureFrom(s.from, sheet),
  };
}

const lengthAt = (reader: Reader, at: Path, key: string, value: string | number): Quantity =>
  reader.quantity([...at, key], value, 'length');

/** The pack that a drawer gives: what it moves, and which way. */
function shimsOf(reader: Reader, at: Path, s: RawSetting, dimension: Dimension): Pick<Setting, 'shims'> {
  if (s.shims === undefined) return {};
  if (s.thicker === undefined || s.trial === undefined)
    reader.problem(at, 'shims-incomplete', 'shims need "thicker: looser|tighter" and a "trial" pack');
  if (dimension !== 'length' && s.per === undefined)
    reader.problem(at, 'shims-incomplete', `a pack moves a ${dimension} by how much? Say "per: { move, gives }"`);
  return {
    shims: {
      drawer: s.shims,
      thicker: s.thicker ?? 'looser',
      trial: lengthAt(reader, at, 'trial', s.trial ?? '0 mm'),
      pack: s.pack ?? 'the pack',
      mayBeOff: lengthAt(reader, at, 'may-be-off', s['may-be-off'] ?? '0.01 mm'),
      ...(s.pieces === undefined ? {} : { pieces: s.pieces }),
      ...(s.per ? { per: compilePer(reader, [...at, 'per'], s.per, dimension) } : {}),
    },
  };
}

/** How it is seated before it is set. */
function seatOf(reader: Reader, at: Path, s: RawSetting, sheet: RawSheet): Pick<Setting, 'seat'> {
  if (!s.seat) return {};
  const { joint, to, turning } = s.seat;
  reader.name([...at, 'seat', 'joint'], joint, sheet.joints, 'joint');
  return { seat: { joint, to: reader.quantity([...at, 'seat', 'to'], to, 'torque'), turning } };
}

/** A drag that is read by a pull at a radius. */
function pullOf(reader: Reader, at: Path, s: RawSetting): Pick<Setting, 'pull'> {
  if (!s.pull) return {};
  const { radius, second, 'seal-drag': sealDrag } = s.pull;
  return {
    pull: {
      radius: lengthAt(reader, at, 'pull', radius),
      ...(sealDrag === undefined
        ? {}
        : { sealDrag: reader.quantity([...at, 'pull', 'seal-drag'], sealDrag, 'torque') }),
      ...(second
        ? {
            second: {
              pull: reader.quantity([...at, 'pull', 'second', 'pull'], second.pull, 'force'),
              radius: lengthAt(reader, at, 'pull', second.radius),
              ratio: second.ratio,
            },
          }
        : {}),
    },
  };
}

/** What warmth will make of it. */
function hotOf(reader: Reader, at: Path, s: RawSetting): Pick<Setting, 'hot'> {
  if (!s.hot) return {};
  return {
    hot: {
      span: lengthAt(reader, at, 'hot', s.hot.span),
      rise: reader.quantity([...at, 'hot', 'rise'], s.hot.rise, 'temperatureDifference'),
      caseMaterial: s.hot.case,
      shaftMaterial: s.hot.shaft ?? 'steel',
      arrangement: s.hot.arrangement ?? 'face-to-face',
    },
  };
}

/** The maker's chart, row by row. */
function chartOf(reader: Reader, at: Path, s: RawSetting): Pick<Setting, 'chart'> {
  if (!s.chart) return {};
  const length = (value: string | number): Quantity => lengthAt(reader, at, 'chart', value);
  return {
    chart: {
      shaft: length(s.chart.shaft),
      rows: s.chart.rows.map((r) => ({ shaft: length(r.shaft), compression: length(r.compression) })),
    },
  };
}

/** The band of a chart's row, either way of its figure. A shaft between rows is refused: a chart is not interpolated. */
function chartBand(reader: Reader, at: Path, chart: NonNullable<RawSetting['chart']>): Band {
  const mm = (key: string, value: string | number): number =>
    inCanonical(reader.quantity([...at, 'chart', key], value, 'length'), 'length');
  const shaft = mm('shaft', chart.shaft);
  const row = chart.rows.find((r) => Math.abs(mm('rows', r.shaft) - shaft) < 1e-9);
  if (!row)
    reader.problem(
      [...at, 'chart', 'shaft'],
      'not-in-chart',
      `the chart has no row for this shaft; it has: ${chart.rows.map((r) => String(r.shaft)).join(', ')}`,
    );
  const wanted = row ? mm('rows', row.compression) : 0;
  const tolerance = mm('tolerance', chart.tolerance);
  const length = (value: number): Quantity => canonical(value, 'length');
  return { low: length(wanted - tolerance), high: length(wanted + tolerance), nominal: length(wanted) };
}
