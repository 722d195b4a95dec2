import { partsOfRow, type Axis, type Lain } from '../axis.ts';
import type { RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

type Written = NonNullable<RawSheet['axes']>[string]['row'][number];

/** The rows of a sheet, in its order: every name in them a part, and the body one of its own row. */
export function compileAxes(reader: Reader, raw: RawSheet): readonly Axis[] {
  return Object.entries(raw.axes ?? {}).map(([id, a]): Axis => {
    const at: Path = ['axes', id];
    const row = a.row.map((l, i) => lain(reader, raw, [...at, 'row', i], l));
    const body = a.body === undefined ? {} : { body: reader.name([...at, 'body'], a.body, raw.parts, 'part') };
    if (a.body !== undefined && !row.some((l) => l.part === a.body))
      reader.problem(
        [...at, 'body'],
        'body-not-in-its-row',
        `"${a.body}" does not stand in the row of "${a.title}" itself: ${row.map((l) => l.part).join(', ')}`,
      );
    return { id, title: a.title, row, ...body };
  });
}

/** Gears that run in mesh: two parts of the sheet each, and not one with itself. */
export function compileMeshes(reader: Reader, raw: RawSheet): readonly (readonly [string, string])[] {
  return (raw.mesh ?? []).map(([a, b], i) => {
    const at: Path = ['mesh', i];
    if (a === b) reader.problem(at, 'meshes-with-itself', `"${a}" cannot be in mesh with itself`);
    return [reader.name([...at, 0], a, raw.parts, 'part'), reader.name([...at, 1], b, raw.parts, 'part')];
  });
}

function lain(reader: Reader, raw: RawSheet, at: Path, written: Written): Lain {
  const name = (part: string): string => reader.name(at, part, raw.parts, 'part');
  if (typeof written === 'string') return { part: name(written), carries: [] };
  const [part, inner] = Object.entries(written)[0]!;
  const carries = (inner as readonly Written[]).map((l, i) => lain(reader, raw, [...at, part, i], l));
  if (partsOfRow(carries).includes(part)) reader.problem(at, 'carries-itself', `"${part}" cannot lie in itself`);
  return { part: name(part), carries };
}
