import { canonical, type Quantity } from '../../quantities/index.ts';
import { isoFit, ReckonError } from '../../reckoners/index.ts';
import type { Fit, Lip } from '../fits.ts';
import type { Part } from '../types.ts';
import type { RawPart } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** Room to drop freely, and the most that a rolling bearing stands, where the sheet says nothing: common practice. */
const USUAL_CLEARANCE = '0.03 mm';
const USUAL_LIMIT = '120 °C';

export function compileRing(reader: Reader, at: Path, raw: NonNullable<RawPart['ring']>): NonNullable<Part['ring']> {
  const length = (key: string, value: string): Quantity => reader.quantity([...at, key], value, 'length');
  const { gland } = raw;
  const wants = gland?.kind === 'face' ? 'depth' : 'mating';
  if (gland && gland[wants] === undefined)
    reader.problem([...at, 'gland'], 'gland-incomplete', `the groove of a ${gland.kind} ring says its "${wants}"`);
  return {
    inside: length('inside', raw.inside),
    section: length('section', raw.section),
    material: raw.material,
    ...(gland
      ? {
          gland: {
            kind: gland.kind,
            motion: gland.motion ?? 'static',
            groove: length('gland', gland.groove),
            ...(gland.mating === undefined ? {} : { mating: length('gland', gland.mating) }),
            ...(gland.depth === undefined ? {} : { depth: length('gland', gland.depth) }),
            width: length('gland', gland.width),
            medium: gland.medium ?? 'hydraulic',
            ...(gland['return-spring'] === undefined
              ? {}
              : { returnSpring: reader.quantity([...at, 'gland', 'return-spring'], gland['return-spring'], 'force') }),
          },
        }
      : {}),
  };
}

export function compileLip(reader: Reader, at: Path, raw: NonNullable<RawPart['lip']>): Lip {
  const length = (key: string, value: string): Quantity => reader.quantity([...at, key], value, 'length');
  const maybe = (key: string, name: 'boreDepth' | 'lipAt' | 'grooveAt', value: string | undefined): object =>
    value === undefined ? {} : { [name]: length(key, value) };
  return {
    shaft: length('shaft', raw.shaft),
    bore: length('bore', raw.bore),
    width: length('width', raw.width),
    faces: raw.faces,
    ...(raw.speed === undefined ? {} : { speed: reader.quantity([...at, 'speed'], raw.speed, 'speed') }),
    ...(raw.material === undefined ? {} : { material: raw.material }),
    ...maybe('bore-depth', 'boreDepth', raw['bore-depth']),
    ...maybe('lip-at', 'lipAt', raw['lip-at']),
    ...maybe('groove-at', 'grooveAt', raw['groove-at']),
  };
}

export function compileFit(reader: Reader, at: Path, raw: NonNullable<RawPart['fit']>): Fit {
  const length = (key: string, value: string): Quantity => reader.quantity([...at, key], value, 'length');
  const diameter = length('diameter', raw.diameter);
  return {
    diameter,
    interference:
      raw.interference === undefined
        ? lettersOf(reader, at, raw, diameter)
        : reader.band([...at, 'interference'], raw.interference, 'length'),
    ...(raw.length === undefined ? {} : { length: length('length', raw.length) }),
    ...(raw.outside === undefined ? {} : { outside: length('outside', raw.outside) }),
    clearance: length('clearance', raw.clearance ?? USUAL_CLEARANCE),
    limit: reader.quantity([...at, 'limit'], raw.limit ?? USUAL_LIMIT, 'temperature'),
    ...(raw.mass === undefined ? {} : { mass: reader.quantity([...at, 'mass'], raw.mass, 'mass') }),
    ...(raw.surface === undefined ? {} : { surface: reader.quantity([...at, 'surface'], raw.surface, 'area') }),
    ...(raw.warm === undefined
      ? {}
      : {
          warm: {
            around: raw.warm.in,
            temperature: reader.quantity([...at, 'warm', 'to'], raw.warm.to, 'temperature'),
          },
        }),
    ...(raw.bearing === undefined
      ? {}
      : {
          bearing: {
            outside: reader.quantity([...at, 'bearing', 'outside'], raw.bearing.outside, 'length'),
            clearance: reader.quantity([...at, 'bearing', 'clearance'], raw.bearing.clearance, 'length'),
            type: raw.bearing.type ?? 'ball',
          },
        }),
  };
}

/** Interference by the letters of the fit (ISO 286-2): from none, for a transition fit, to the most there can be. */
function lettersOf(reader: Reader, at: Path, raw: NonNullable<RawPart['fit']>, size: Quantity): Fit['interference'] {
  const none = canonical(0, 'length');
  if (raw.hole === undefined || raw.shaft === undefined) {
    reader.problem(at, 'no-fit', 'a fit says its interference, or the letters of hole and shaft');
    return { low: none, high: none };
  }
  try {
    const { interferenceMin, interferenceMax } = isoFit.reckon({ size, hole: raw.hole, shaft: raw.shaft }).results;
    if (!interferenceMax)
      reader.problem(at, 'no-interference', `${raw.hole}/${raw.shaft} is loose: nothing is pressed`);
    return { low: interferenceMin ?? none, high: interferenceMax ?? none };
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    reader.problem([...at, e.field], e.code, e.message);
    return { low: none, high: none };
  }
}
