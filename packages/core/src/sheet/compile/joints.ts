import { formatNumber, inCanonical } from '../../quantities/index.ts';
import type { FigureSource, Joint, Stage } from '../types.ts';
import type { RawFrom, RawJoint, RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** A stage with no tolerance of its own takes a tenth either way: common practice. */
const ASSUMED_TOLERANCE = 0.1;

export function compileJoint(reader: Reader, id: string, raw: RawJoint, sheet: RawSheet): Joint {
  const at: Path = ['joints', id];
  reader.name([...at, 'fastener'], raw.fastener, sheet.parts, 'part');
  const count = sheet.parts[raw.fastener]?.count ?? 1;
  if (raw.pattern && count < 2)
    reader.problem(
      [...at, 'pattern'],
      'count-disagrees',
      `a circle of ${count}: say the count on the part "${raw.fastener}"`,
    );
  return {
    id,
    title: raw.title ?? sheet.parts[raw.fastener]?.title ?? id,
    fastener: raw.fastener,
    count,
    thread: raw.thread,
    propertyClass: raw.class,
    pattern: raw.pattern
      ? {
          kind: 'circle',
          diameter: reader.quantity([...at, 'pattern', 'circle'], raw.pattern.circle, 'length'),
          first: raw.pattern.first ?? "12 o'clock",
        }
      : { kind: 'single' },
    into: raw.into && {
      material: raw.into.material,
      engagement: reader.quantity([...at, 'into', 'engagement'], raw.into.engagement, 'length'),
    },
    stages: raw.tighten.map((t, i) => compileStage(reader, [...at, 'tighten', i], t, i, raw.tighten.length)),
    lowBecause: raw['low-because'],
    fasteners: raw.fasteners ?? 'reuse',
    hand: raw.hand ?? 'right',
    threadlocker: raw.threadlocker,
    from: raw.from && compileFrom(raw.from),
  };
}

function compileStage(reader: Reader, at: Path, raw: RawJoint['tighten'][number], i: number, of: number): Stage {
  const key = raw.range === undefined ? 'to' : 'range';
  const given = raw.range ?? raw.to;
  if (given === undefined) reader.problem(at, 'no-figure', 'a stage needs "to" or "range"');
  const read = reader.band([...at, key], given ?? '0 N·m', 'torque');
  const single = read.low === read.high;
  const middle = read.nominal ?? { value: (read.low.value + read.high.value) / 2, unit: read.low.unit };
  const half = middle.value * ASSUMED_TOLERANCE;
  const window = single
    ? {
        low: { value: middle.value - half, unit: middle.unit },
        high: { value: middle.value + half, unit: middle.unit },
        nominal: middle,
      }
    : read;
  if (middle.unit !== 'unreadable' && inCanonical(middle, 'torque') <= 0)
    reader.problem([...at, key], 'out-of-range', `a torque of ${formatNumber(middle.value)} tightens nothing`);
  return {
    name: of === 1 ? 'Final' : i === of - 1 ? 'Final' : i === 0 ? 'Snug' : `Stage ${i + 1}`,
    to: middle,
    window,
    windowAssumed: single,
  };
}

export function compileFrom(raw: RawFrom): FigureSource {
  return typeof raw === 'string' ? { kind: raw } : { kind: 'maker', document: raw.maker, page: raw.page };
}
