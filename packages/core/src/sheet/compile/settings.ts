import { canonical, inCanonical, type Band, type Quantity } from '../../quantities/index.ts';
import type { School, Setting } from '../setting.ts';
import { figureFrom } from './joints.ts';
import type { RawSchool, RawSetting, RawSheet } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** A hexagon, where the sheet does not count the cone's flats. */
const USUAL_FLATS = 6;

export function compileSetting(reader: Reader, id: string, s: RawSetting, sheet: RawSheet): Setting {
  const at: Path = ['settings', id];
  // Figures by variant are laid over before this; what is left of `by` names a method.
  const by = typeof s.by === 'string' ? s.by : undefined;
  const dimension = reader.dimension([...at, 'quantity'], s.quantity);
  const band = s.chart ? chartBand(reader, at, s.chart) : reader.band([...at, 'band'], s.band ?? 'nothing', dimension);
  if (s.chart && s.band !== undefined)
    reader.problem([...at, 'band'], 'band-twice', 'the chart says the band: leave "band" out');
  if (s.seat) reader.name([...at, 'seat', 'joint'], s.seat.joint, sheet.joints, 'joint');
  if (s.shims !== undefined && (s.thicker === undefined || s.trial === undefined))
    reader.problem(at, 'shims-incomplete', 'shims need "thicker: looser|tighter" and a "trial" pack');
  if (s.shims !== undefined && dimension !== 'length' && s.per === undefined)
    reader.problem(at, 'shims-incomplete', `a pack moves a ${dimension} by how much? Say "per: { move, gives }"`);
  const length = (key: string, value: string | number): Quantity => reader.quantity([...at, key], value, 'length');
  const per = (path: Path, p: { move: string | number; gives: string | number }, of = dimension) => ({
    move: reader.quantity([...path, 'move'], p.move, 'length'),
    gives: reader.quantity([...path, 'gives'], p.gives, of),
  });
  const other = s.together === undefined ? undefined : sheet.settings?.[s.together];
  if (s.together !== undefined) reader.name([...at, 'together'], s.together, sheet.settings, 'setting');
  const school = (path: Path, raw: RawSchool): School => {
    const need = <K extends keyof RawSchool>(key: K): NonNullable<RawSchool[K]> | undefined => {
      const value = raw[key];
      if (value === undefined) reader.problem(path, 'school-incomplete', `the school "${raw.kind}" needs "${key}"`);
      return value ?? undefined;
    };
    const pitch = (): Quantity => reader.quantity([...path, 'pitch'], need('pitch') ?? '1 mm', 'length');
    switch (raw.kind) {
      case 'trial':
      case 'depths':
        if (s.shims === undefined)
          reader.problem(
            path,
            'school-incomplete',
            `the school "${raw.kind}" takes its pack from a drawer: say "shims"`,
          );
        return raw.kind === 'trial'
          ? { kind: 'trial' }
          : { kind: 'depths', depths: (need('depths') ?? []).map((d) => ({ ...d, gauge: d.gauge ?? 'depth gauge' })) };
      case 'gap':
      case 'pinion': {
        if (s.shims === undefined)
          reader.problem(
            path,
            'school-incomplete',
            `the school "${raw.kind}" takes its pack from a drawer: say "shims"`,
          );
        const gauge = raw.gauge ?? 'depth gauge';
        return raw.kind === 'gap'
          ? { kind: 'gap', gauge: raw.gauge ?? 'feeler' }
          : {
              kind: 'pinion',
              nominal: reader.quantity([...path, 'nominal'], need('nominal') ?? '1 mm', 'length'),
              gauge,
            };
      }
      case 'crush':
        return {
          kind: 'crush',
          first: reader.quantity([...path, 'first'], need('first') ?? '5 deg', 'angle'),
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
          first: reader.quantity([...path, 'first'], need('first') ?? '10 deg', 'angle'),
          backOff: reader.quantity([...path, 'back-off'], raw['back-off'] ?? '60 deg', 'angle'),
        };
      case 'sides':
        return {
          kind: 'sides',
          gearTeeth: need('gear') ?? 1,
          pinionTeeth: need('pinion') ?? 1,
          per: per(
            [...path, 'per'],
            need('per') ?? { move: '1 mm', gives: '1 N·m' },
            other ? reader.dimension([...at, 'together'], other.quantity) : dimension,
          ),
        };
      default:
        return { kind: 'slide' };
    }
  };
  if (s.school && s.schools) reader.problem(at, 'school-twice', 'say "school" or "schools", not both');
  const method = by === undefined ? undefined : sheet.methods?.[by];
  if (by !== undefined) reader.name([...at, 'by'], by, sheet.methods, 'method');
  for (const choice of Object.keys(s.schools ?? {}))
    if (method && !Object.hasOwn(method.choices, choice))
      reader.problem([...at, 'schools', choice], 'unknown-name', `"${by}" has no choice "${choice}"`);
  for (const choice of Object.keys(method?.choices ?? {}))
    if (s.schools && !Object.hasOwn(s.schools, choice))
      reader.problem([...at, 'schools'], 'school-missing', `no school says how it is set by the choice "${choice}"`);
  const bearings = asList(s.bearings).map((p) => reader.name([...at, 'bearings'], p, sheet.parts, 'part'));
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
    ...(s.shims === undefined
      ? {}
      : {
          shims: {
            drawer: s.shims,
            thicker: s.thicker ?? 'looser',
            trial: length('trial', s.trial ?? '0 mm'),
            pack: s.pack ?? 'the pack',
            mayBeOff: length('may-be-off', s['may-be-off'] ?? '0.01 mm'),
            ...(s.pieces === undefined ? {} : { pieces: s.pieces }),
            ...(s.per ? { per: per([...at, 'per'], s.per) } : {}),
          },
        }),
    ...(s.seat
      ? {
          seat: {
            joint: s.seat.joint,
            to: reader.quantity([...at, 'seat', 'to'], s.seat.to, 'torque'),
            turning: s.seat.turning,
          },
        }
      : {}),
    how: s.how,
    ...(by === undefined ? {} : { by }),
    ...(s.school
      ? { schools: { '': school([...at, 'school'], s.school) } }
      : s.schools
        ? {
            schools: Object.fromEntries(
              Object.entries(s.schools).map(([c, raw]) => [c, school([...at, 'schools', c], raw)]),
            ),
          }
        : {}),
    ...(s.pull
      ? {
          pull: {
            radius: length('pull', s.pull.radius),
            ...(s.pull['seal-drag'] === undefined
              ? {}
              : { sealDrag: reader.quantity([...at, 'pull', 'seal-drag'], s.pull['seal-drag'], 'torque') }),
            ...(s.pull.second
              ? {
                  second: {
                    pull: reader.quantity([...at, 'pull', 'second', 'pull'], s.pull.second.pull, 'force'),
                    radius: length('pull', s.pull.second.radius),
                    ratio: s.pull.second.ratio,
                  },
                }
              : {}),
          },
        }
      : {}),
    ...(bearings.length > 0 ? { bearings } : {}),
    ...(s.feel ? { feel: s.feel } : {}),
    ...(s.hot
      ? {
          hot: {
            span: length('hot', s.hot.span),
            rise: reader.quantity([...at, 'hot', 'rise'], s.hot.rise, 'temperatureDifference'),
            caseMaterial: s.hot.case,
            shaftMaterial: s.hot.shaft ?? 'steel',
            arrangement: s.hot.arrangement ?? 'face-to-face',
          },
        }
      : {}),
    ...(s.together === undefined ? {} : { together: s.together }),
    ...(s.chart
      ? {
          chart: {
            shaft: length('chart', s.chart.shaft),
            rows: s.chart.rows.map((r) => ({
              shaft: length('chart', r.shaft),
              compression: length('chart', r.compression),
            })),
          },
        }
      : {}),
    ...(s.outside === undefined ? {} : { outside: s.outside }),
    ...(s.part === undefined ? {} : { part: reader.name([...at, 'part'], s.part, sheet.parts, 'part') }),
    ...(s.of === undefined ? {} : { of: asList(s.of).map((p) => reader.name([...at, 'of'], p, sheet.parts, 'part')) }),
    from: figureFrom(s.from, sheet),
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
