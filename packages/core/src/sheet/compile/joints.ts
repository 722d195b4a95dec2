import { formatNumber, inCanonical, type Quantity } from '../../quantities/index.ts';
import { ReckonError } from '../../reckoners/index.ts';
import type { FigureSource, Joint, Pattern, Stage } from '../types.ts';
import { safeTorque } from '../safe-torque.ts';
import { assumedWindow } from '../window.ts';
import type { RawFrom, RawJoint, RawSheet, RawStage } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

export function compileJoint(reader: Reader, id: string, raw: RawJoint, sheet: RawSheet): Joint {
  const at: Path = ['joints', id];
  reader.name([...at, 'fastener'], raw.fastener, sheet.parts, 'part');
  const said = sheet.parts[raw.fastener]?.count ?? 1;
  const count = said === 'unknown' ? 0 : said;
  const pattern = compilePattern(reader, [...at, 'pattern'], raw, said);
  return {
    id,
    title: raw.title ?? sheet.parts[raw.fastener]?.title ?? id,
    fastener: raw.fastener,
    count,
    thread: raw.thread,
    propertyClass: raw.class,
    pattern,
    into: raw.into && {
      material: raw.into.material,
      engagement: reader.quantity([...at, 'into', 'engagement'], raw.into.engagement, 'length'),
    },
    stages: raw.tighten.map((t, i) => compileStage(reader, [...at, 'tighten', i], t, i, raw)),
    lowBecause: raw['low-because'],
    fasteners: raw.fasteners ?? 'reuse',
    hand: raw.hand ?? 'right',
    threadlocker: raw.threadlocker,
    ...(raw['keep-clear'] === undefined ? {} : { keepClear: raw['keep-clear'] }),
    ...(raw.running ? { running: true } : {}),
    ...(raw.takes === undefined ? {} : { takes: compileTakes(reader, [...at, 'takes'], raw.takes, count) }),
    ...(raw.slot === undefined
      ? {}
      : {
          slot: {
            most: reader.quantity([...at, 'slot', 'forward'], raw.slot.forward, 'angle'),
            pin: reader.name([...at, 'slot', 'pin'], raw.slot.pin, sheet.parts, 'part'),
          },
        }),
    ...(raw.grip === undefined ? {} : { grip: reader.quantity([...at, 'grip'], raw.grip, 'length') }),
    hold: raw.hold,
    ...(raw.clamps === undefined
      ? {}
      : { clamps: asList(raw.clamps).map((p) => reader.name([...at, 'clamps'], p, sheet.parts, 'part')) }),
    from: raw.tighten.some((t) => t.figure === 'none') ? { kind: 'computed' } : figureFrom(raw.from, sheet),
  };
}

/** Which kind of fastener goes where: each place is one of the joint's. */
function compileTakes(
  reader: Reader,
  at: Path,
  takes: Readonly<Record<string, string>>,
  count: number,
): Readonly<Record<string, string>> {
  for (const place of Object.keys(takes))
    if (Number(place) > count)
      reader.problem([...at, place], 'count-disagrees', `there is no place ${place}: the joint has ${count} fasteners`);
  return takes;
}

function compilePattern(reader: Reader, at: Path, raw: RawJoint, count: number | 'unknown'): Pattern {
  const p = raw.pattern;
  if (!p) return { kind: 'single' };
  const circle = 'circle' in p;
  const places = circle ? undefined : 'rectangle' in p ? p.rectangle[0] * p.rectangle[1] : p.points.length;
  if (count === 'unknown' || (places === undefined ? count < 2 : count !== places))
    reader.problem(
      at,
      'count-disagrees',
      places === undefined
        ? `a circle of ${count}: say the count on the part "${raw.fastener}"`
        : `${places} places, but the count of "${raw.fastener}" is ${count}`,
    );
  if (circle)
    return {
      kind: 'circle',
      diameter: reader.quantity([...at, 'circle'], p.circle, 'length'),
      first: p.first ?? "12 o'clock",
    };
  if ('rectangle' in p) return { kind: 'rectangle', rows: p.rectangle[0], columns: p.rectangle[1] };
  const { points, order } = p;
  if (order && [...order].sort((x, y) => x - y).some((n, i) => n !== i + 1 || order.length !== points.length))
    reader.problem(
      [...at, 'order'],
      'count-disagrees',
      `the order must name each place from 1 to ${points.length} once`,
    );
  return { kind: 'points', points, order };
}

/** What a stage is called where the sheet gives it no name. */
export function stageName(given: string | undefined, i: number, of: number): string {
  return given ?? (i === of - 1 ? 'Final' : i === 0 ? 'Snug' : `Stage ${i + 1}`);
}

function compileStage(reader: Reader, at: Path, raw: RawStage, i: number, joint: RawJoint): Stage {
  const name = stageName(raw.name, i, joint.tighten.length);
  if (raw.figure === 'none') return computedStage(reader, at, name, joint);
  const key = raw.turn !== undefined ? 'turn' : raw.range === undefined ? 'to' : 'range';
  const given = raw[key];
  const kind = key === 'turn' ? 'angle' : 'torque';
  if (given === undefined) reader.problem(at, 'no-figure', 'a stage needs "to", "range", "turn" or "figure: none"');
  const units = raw['could-be'];
  const read = reader.band(
    [...at, key],
    units ? `${String(given)} ${units[0]}` : (given ?? (kind === 'angle' ? '0 deg' : '0 N·m')),
    kind,
  );
  const single = read.low === read.high;
  const middle = read.nominal ?? { value: (read.low.value + read.high.value) / 2, unit: read.low.unit };
  if (middle.unit !== 'unreadable' && inCanonical(middle, kind) <= 0)
    reader.problem(
      [...at, key],
      'out-of-range',
      `${kind === 'angle' ? 'a turn' : 'a torque'} of ${formatNumber(middle.value)} tightens nothing`,
    );
  if (kind === 'angle' && i === 0)
    reader.problem([...at, key], 'turn-from-nothing', 'a turn goes on from a torque: say that first');
  return {
    name,
    kind,
    to: middle,
    window: single ? assumedWindow(middle) : read,
    windowAssumed: single,
    ...(units ? { unitAsked: units } : {}),
    ...(raw.expect === undefined ? {} : { expect: reader.band([...at, 'expect'], raw.expect, 'angle') }),
  };
}

/** No figure in the book: a safe one from thread, class and the softer thread. Never a silent guess: marked computed. */
function computedStage(reader: Reader, at: Path, name: string, joint: RawJoint): Stage {
  let to: Quantity = { value: 0, unit: 'N·m' };
  try {
    to = safeTorque({
      thread: joint.thread,
      ...(joint.class === undefined ? {} : { propertyClass: joint.class }),
      ...(joint.into ? { into: joint.into } : {}),
    }).torque;
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    reader.problem(at, e.code, e.message);
  }
  return { name, kind: 'torque', to, window: assumedWindow(to), windowAssumed: true };
}

/** Whose figure: the entry's own word, else the sheet's. */
export function figureFrom(own: RawFrom | undefined, sheet: RawSheet): FigureSource | undefined {
  const said = own ?? sheet.from;
  return said && compileFrom(said);
}

export function compileFrom(raw: RawFrom): FigureSource {
  return typeof raw === 'string' ? { kind: raw } : { kind: 'maker', document: raw.maker, page: raw.page };
}
