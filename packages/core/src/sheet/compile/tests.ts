import type { Band, Quantity } from '../../quantities/index.ts';
import { standFigures, standGives, standTells, type Stand } from '../stand.ts';
import type { Test } from '../types.ts';
import { figureFrom } from './joints.ts';
import type { RawSheet, RawTest } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** A test: what is read, what is accepted, and, made on a stand, the figures of its run. */
export function compileTest(reader: Reader, id: string, raw: RawTest, sheet: RawSheet): Test {
  const at: Path = ['tests', id];
  const dimension = reader.dimension([...at, 'quantity'], raw.quantity);
  const failedBy = raw['failed-by'] ?? [];
  const stand = raw.stand && compileStand(reader, [...at, 'stand'], raw.stand);
  if (stand && !standGives[stand.kind].includes(dimension))
    reader.problem(
      [...at, 'quantity'],
      'wrong-stand',
      `a ${stand.kind} run gives a ${standGives[stand.kind].join(' or a ')}, not a ${raw.quantity}`,
    );
  if (raw.tells && !stand)
    reader.problem([...at, 'tells'], 'no-stand', 'only a run on a stand tells more than its figure: give a "stand"');
  for (const [tell, leadsTo] of Object.entries(raw.tells ?? {})) {
    const known = stand ? standTells[stand.kind] : [];
    if (stand && !known.includes(tell))
      reader.problem(
        [...at, 'tells', tell],
        'unknown-tell',
        `a ${stand.kind} run does not tell "${tell}"; it tells: ${known.join(', ')}`,
      );
    if (!failedBy.includes(leadsTo))
      reader.problem(
        [...at, 'tells', tell],
        'tells-nothing',
        `"${leadsTo}" is not among what this test fails by: ${failedBy.join(', ') || 'nothing'}`,
      );
  }
  return {
    id,
    title: raw.title,
    dimension,
    gauge: raw.gauge ?? 'by hand',
    accept: reader.band([...at, 'accept'], raw.accept, dimension),
    failedBy,
    ...(raw.at === undefined ? {} : { at: raw.at }),
    ...(raw.running ? { running: true } : {}),
    ...(raw.weight === undefined ? {} : { weight: raw.weight }),
    ...(raw.after === undefined ? {} : { after: reader.quantity([...at, 'after'], raw.after, 'time') }),
    ...(raw.of === undefined
      ? {}
      : { of: asList(raw.of).map((p) => reader.name([...at, 'of'], p, sheet.parts, 'part')) }),
    ...(stand ? { stand } : {}),
    ...(raw.tells ? { tells: raw.tells } : {}),
    from: figureFrom(raw.from, sheet),
  };
}

function compileStand(reader: Reader, at: Path, raw: NonNullable<RawTest['stand']>): Stand {
  const figures: Record<string, Quantity> = {};
  const bands: Record<string, Band> = {};
  for (const [name, spec] of Object.entries(standFigures[raw.kind])) {
    const given = raw[name];
    if (given === undefined) continue;
    const dimension = spec.is === 'count' ? 'ratio' : spec.is;
    if ('band' in spec) bands[name] = reader.band([...at, name], given, dimension);
    else
      figures[name] =
        spec.is === 'count' ? count(reader, [...at, name], given) : reader.quantity([...at, name], given, dimension);
  }
  return { kind: raw.kind, figures, bands };
}

function count(reader: Reader, at: Path, given: unknown): Quantity {
  if (typeof given === 'number' && given > 0) return { value: given, unit: '1' };
  reader.problem(at, 'not-a-number', `${JSON.stringify(given)}: a number above zero is meant`);
  return { value: 1, unit: '1' };
}
