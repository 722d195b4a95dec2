import { mapValues } from '../../records.ts';
import { readingSays, type SheetFault } from '../faults.ts';
import type { RawSheet } from './raw.ts';
import type { Path, Reader } from './reader.ts';

/** What may stand once on each side: "lips" is lips@left and lips@right. */
const sidesOf = (name: string, known: Readonly<Record<string, unknown>>): readonly string[] =>
  Object.hasOwn(known, name) ? [name] : Object.keys(known).filter((k) => k.startsWith(`${name}@`));

/** The faults of a sheet: names resolved, on each side where a thing stands once on each. */
export function compileFaults(reader: Reader, raw: RawSheet): Readonly<Record<string, SheetFault>> {
  const readable = { ...raw.tests, ...raw.settings, ...raw.measures };
  const shown = { ...readable, ...raw.looks };
  const curable = { ...raw.parts, ...raw.settings, ...raw.joints, ...raw.fluids };
  return mapValues(raw.faults, (f, id): SheetFault => {
    const spread = <V extends string>(
      key: 'shows' | 'cure',
      given: Readonly<Record<string, V>>,
      known: Readonly<Record<string, unknown>>,
      what: string,
      look: (name: string, says: V, at: Path) => void,
    ): Readonly<Record<string, V>> =>
      Object.fromEntries(
        Object.entries(given).flatMap(([name, says]) => {
          const at: Path = ['faults', id, key, name];
          const names = sidesOf(name, known);
          if (names.length === 0) reader.name(at, name, known, what);
          return names.map((n) => {
            look(n, says, at);
            return [n, says] as const;
          });
        }),
      );
    return {
      id,
      title: f.title,
      often: f.often ?? 1,
      shows: spread('shows', f.shows, shown, 'test, look, setting or measure', (name, says, at) => {
        const choices = raw.looks?.[name]?.choose;
        if (choices) reader.name(at, says, choices, `choice of ${name}`);
        else if (!raw.looks?.[name] && !readingSays.some((s) => s === says))
          reader.problem(at, 'unknown-name', `"${name}" is read: it says ${readingSays.join(' or ')}, not "${says}"`);
      }),
      cure: spread('cure', f.cure, curable, 'part, setting, joint or fluid', () => undefined),
    };
  });
}
