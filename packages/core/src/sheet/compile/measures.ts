import type { Quantity } from '../../quantities/index.ts';
import type { Measure } from '../types.ts';
import { figureFrom } from './joints.ts';
import type { RawMeasure, RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** Directions in which a bore is read at each depth, a quarter turn apart. */
const ACROSS = ['along', 'across'] as const;

/** A measurement as written: where it is read, its limits, and those of the figures derived from all its readings. */
export function compileMeasure(reader: Reader, id: string, m: RawMeasure, sheet: RawSheet): Measure {
  const at: Path = ['measures', id];
  const dimension = reader.dimension([...at, 'quantity'], m.quantity);
  const figure = (key: 'new' | 'min' | 'max' | 'out-of-round' | 'taper' | 'housing'): Quantity | undefined =>
    m[key] === undefined ? undefined : reader.quantity([...at, key], m[key], dimension);
  reader.name([...at, 'part'], m.part, sheet.parts, 'part');
  const shape = m.shape ?? 'size';
  const places = m.at && m.at.length > 0 ? m.at : ['once'];
  const derived = {
    outOfRound: figure('out-of-round'),
    taper: figure('taper'),
    spread:
      m.spread === undefined
        ? undefined
        : reader.quantity([...at, 'spread'], m.spread, String(m.spread).trim().endsWith('%') ? 'percent' : dimension),
    clearance: m.clearance && {
      of: reader.name([...at, 'clearance', 'of'], m.clearance.of, sheet.measures, 'measure'),
      band: reader.band([...at, 'clearance', 'band'], m.clearance.band, dimension),
    },
    housing: figure('housing'),
    room: m.room === undefined ? undefined : reader.band([...at, 'room'], m.room, dimension),
    voltage: m.voltage === undefined ? undefined : reader.quantity([...at, 'voltage'], m.voltage, 'voltage'),
  };
  if (m.min === undefined && m.max === undefined && !Object.values(derived).some((d) => d !== undefined))
    reader.problem(at, 'no-limit', `"${m.title}" has no limit: nothing can be decided from it`);
  if (shape === 'phases' && places.length !== 3)
    reader.problem([...at, 'at'], 'not-three', `three phases are read at three places, not ${places.length}`);
  if (shape === 'pack' && (derived.housing === undefined || derived.room === undefined))
    reader.problem(at, 'pack-incomplete', 'a pack needs the depth of its "housing" and the "room" that is to be left');
  return {
    id,
    title: m.title,
    part: m.part,
    dimension,
    gauge: m.gauge ?? 'by hand',
    shape,
    inside: m.inside ?? shape === 'bore',
    at: shape === 'bore' ? places.flatMap((p) => ACROSS.map((way) => `${p}, ${way}`)) : places,
    derived,
    newSize: figure('new'),
    min: figure('min'),
    max: figure('max'),
    outsideOffers: m.outside?.offer ?? [],
    groove: m.groove,
    from: figureFrom(m.from, sheet),
  };
}
