import { mapValues } from '../../records.ts';
import type { Route } from '../route.ts';
import type { RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** The routes of a sheet: what runs, round what, in order. */
export function compileRoutes(reader: Reader, raw: RawSheet): Readonly<Record<string, Route>> {
  return mapValues(raw.routes, (r, id): Route => {
    const at: Path = ['routes', id];
    if (r.variant !== undefined) reader.name([...at, 'variant'], r.variant, raw.variants, 'variant');
    return {
      id,
      title: r.title,
      of: reader.name([...at, 'of'], r.of, { ...raw.leads, ...raw.parts }, 'lead or part'),
      ...(r.variant === undefined ? {} : { variant: r.variant }),
      pulleys: r.pulleys.map((p, i) => ({
        id: p.id,
        title: p.title ?? p.id,
        at: [p.at[0], p.at[1]],
        diameter: reader.quantity([...at, 'pulleys', i, 'diameter'], p.diameter, 'length'),
        side: p.side ?? 'inside',
      })),
      ...(r.length === undefined ? {} : { length: reader.quantity([...at, 'length'], r.length, 'length') }),
    };
  });
}
