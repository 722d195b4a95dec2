import type { Load, Part, Scope, Sits, Space } from '../types.ts';
import { mapValues } from '../../records.ts';
import type { RawPart, RawSheet } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** Where a part sits, what shuts it in, and what it shuts. */
export function compileSits(reader: Reader, at: Path, p: RawPart, sheet: RawSheet): Pick<Part, 'sits'> {
  if ([p.in, p.on, p.behind, p.closes, p.with].every((v) => v === undefined)) return {};
  const places = { ...sheet.parts, ...sheet.spaces };
  if (p.in !== undefined) reader.name([...at, 'in'], p.in, places, 'part or space');
  if (p.on !== undefined) reader.name([...at, 'on'], p.on, sheet.parts, 'part');
  if (p.with !== undefined) reader.name([...at, 'with'], p.with, sheet.parts, 'part');
  const sits: Sits = {
    ...(p.in === undefined ? {} : { in: p.in }),
    ...(p.on === undefined ? {} : { on: p.on }),
    behind: asList(p.behind).map((b) => reader.name([...at, 'behind'], b, sheet.parts, 'part')),
    closes: asList(p.closes).map((c) => reader.name([...at, 'closes'], c, sheet.spaces, 'space')),
    ...(p.with === undefined ? {} : { with: p.with }),
  };
  return { sits };
}

/** The rooms of a unit, what stores force in it, and how much of it a job may be about. */
export function compileUnit(
  reader: Reader,
  sheet: RawSheet,
): {
  readonly spaces: Readonly<Record<string, Space>>;
  readonly loads: Readonly<Record<string, Load>>;
  readonly scopes: Readonly<Record<string, Scope>>;
} {
  const openings = { ...sheet.parts, ...sheet.joints, ...sheet.leads };
  const opening = (at: Path, name: string): string => reader.name(at, name, openings, 'part, joint or lead');
  return {
    spaces: mapValues(sheet.spaces, (s, id): Space => {
      const at: Path = ['spaces', id];
      if (s.holds !== undefined) reader.name([...at, 'holds'], s.holds, sheet.fluids, 'fluid');
      const named = (key: 'drain' | 'fill' | 'level'): object =>
        s[key] === undefined ? {} : { [key]: opening([...at, key], s[key]) };
      return {
        id,
        title: s.title ?? id.replace(/-/g, ' '),
        ...(s.holds === undefined ? {} : { holds: s.holds }),
        ...named('drain'),
        ...named('fill'),
        ...named('level'),
        ...(s.under === undefined ? {} : { under: s.under }),
        ports: asList(s.ports).map((p) => opening([...at, 'ports'], p)),
      };
    }),
    loads: mapValues(sheet.loads, (l, id): Load => {
      const at: Path = ['loads', id];
      if (l.part !== undefined) reader.name([...at, 'part'], l.part, sheet.parts, 'part');
      return {
        id,
        title: l.title,
        ...(l.part === undefined ? {} : { part: l.part }),
        loadedBy: reader.name([...at, 'loaded-by'], l['loaded-by'], sheet.aids, 'aid'),
        frees: asList(l.frees).map((f) =>
          reader.name([...at, 'frees'], f, { ...sheet.parts, ...sheet.joints }, 'part or joint'),
        ),
      };
    }),
    scopes: mapValues(sheet.scopes, (s, id): Scope => {
      const rungs = Object.fromEntries(sheet.rungs.map((r) => [r.id, r]));
      return {
        id,
        title: s.title,
        downTo: asList(s['down-to']).map((r) => reader.name(['scopes', id, 'down-to'], r, rungs, 'rung')),
        without: asList(s.without).map((r) => reader.name(['scopes', id, 'without'], r, rungs, 'rung')),
        ...(s.asks === undefined ? {} : { asks: s.asks }),
      };
    }),
  };
}
