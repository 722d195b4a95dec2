import { cautionClasses } from '../cautions.ts';
import { plainVerbs, type Op, type SideName } from '../types.ts';
import { compileWhen } from './conditions.ts';
import type { RawCaution, RawOp, RawSheet, RawSide } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** Keys of an op that say more about it, not what it is. */
const QUALIFIERS = new Set(['when', 'note', 'with', 'to', 'ask', 'yes', 'except']);
/** What cannot be left out of an op with each id. */
type OpBody = Op extends infer O ? (O extends Op ? Omit<O, 'id' | 'when' | 'note'> : never) : never;

interface Place {
  readonly rung: string;
  readonly side: SideName;
  /** Step id with `/` for spaces: op ids start with it. */
  readonly prefix: string;
  readonly at: Path;
}

/**
 * The operations of a side in the order in which they are done: cautions, what to do, aids in, tests and readings
 * before anything is disturbed, marks, joints undone, parts off, the listed ops, and aids out last.
 */
export function compileSideOps(reader: Reader, place: Place, side: RawSide, sheet: RawSheet): readonly Op[] {
  const ops: Op[] = [];
  const add = (body: OpBody, extra: Pick<Op, 'when' | 'note'> = { when: [] }): void => {
    ops.push({ id: `${place.prefix}/${ops.length + 1}`, ...extra, ...body } as Op);
  };
  asList(side.caution).forEach((c) => add(compileCaution(reader, [...place.at, 'caution'], c)));
  if (side.do !== undefined) add({ kind: 'do', lines: asList(side.do) });
  for (const aid of asList(side.fit))
    add({ kind: 'fit-aid', aid: reader.name([...place.at, 'fit'], aid, sheet.aids, 'aid') });
  if (side.test !== undefined) add(testOp(reader, [...place.at, 'test'], side.test, place.side, sheet));
  for (const setting of asList(side.read))
    add({ kind: 'read', setting: reader.name([...place.at, 'read'], setting, sheet.settings, 'setting') });
  for (const mark of asList(side.mark))
    add({ kind: 'mark', mark: reader.name([...place.at, 'mark'], mark, sheet.marks, 'mark') });
  for (const joint of asList(side.undo))
    add({ kind: 'undo', joint: reader.name([...place.at, 'undo'], joint, sheet.joints, 'joint') });
  if (side.off) add(offOp(reader, [...place.at, 'off'], side.off, sheet, side['leave-in']));
  (side.ops ?? []).forEach((raw, i) => {
    const at = [...place.at, 'ops', i];
    const body = compileOp(reader, at, raw, place.side, sheet);
    if (body) add(body, { when: compileWhen(reader, [...at, 'when'], raw.when, sheet), note: raw.note });
  });
  for (const aid of asList(side.remove))
    add({ kind: 'remove-aid', aid: reader.name([...place.at, 'remove'], aid, sheet.aids, 'aid') });
  return ops;
}

function compileCaution(reader: Reader, at: Path, raw: RawCaution): OpBody {
  const caution = typeof raw === 'string' ? { class: raw, acknowledge: true } : raw;
  const known = caution.class === undefined ? undefined : cautionClasses[caution.class];
  if (caution.class !== undefined && known === undefined) {
    reader.problem(
      at,
      'unknown-caution',
      `there is no caution class "${caution.class}"; there is: ${Object.keys(cautionClasses).join(', ')}`,
    );
  }
  const say = caution.say ?? known;
  if (say === undefined) reader.problem(at, 'empty-caution', 'a caution needs a class or words to say');
  return { kind: 'caution', cautionClass: caution.class, say: say ?? '', acknowledge: caution.acknowledge ?? false };
}

function testOp(reader: Reader, at: Path, test: string, side: SideName, sheet: RawSheet): OpBody {
  return {
    kind: 'test',
    test: reader.name(at, test, sheet.tests, 'test'),
    moment: side === 'strip' ? 'as-found' : 'now',
  };
}

function offOp(
  reader: Reader,
  at: Path,
  off: Readonly<Record<string, number>>,
  sheet: RawSheet,
  leaveIn?: number,
): OpBody {
  const parts = Object.entries(off).map(([part, count]) => {
    reader.name([...at, part], part, sheet.parts, 'part');
    const most = sheet.parts[part]?.count ?? 1;
    if (count > most)
      reader.problem(
        [...at, part],
        'count-disagrees',
        `${count} of "${part}" come off, but the part's count is ${most}`,
      );
    return { part, count };
  });
  return { kind: 'off', parts, leaveIn };
}

function compileOp(reader: Reader, at: Path, raw: RawOp, side: SideName, sheet: RawSheet): OpBody | undefined {
  const verbs = Object.keys(raw).filter((k) => !QUALIFIERS.has(k));
  const verb = verbs[0];
  if (verb === undefined || verbs.length > 1) {
    reader.problem(
      at,
      'op-verbs',
      verb === undefined
        ? 'an operation needs one verb, such as place or tighten'
        : `an operation has one verb; this has ${verbs.join(' and ')}`,
    );
    return undefined;
  }
  const value = raw[verb];
  const one = String(value);
  const path = [...at, verb];
  const plain = plainVerbs.find((v) => v === verb);
  if (plain) return plainOp(reader, path, plain, one, raw, sheet);
  switch (verb) {
    case 'caution':
      return compileCaution(reader, path, value as RawCaution);
    case 'do':
      return { kind: 'do', lines: asList(value as string | string[]) };
    case 'measure':
      return { kind: 'measure', measure: reader.name(path, one, sheet.measures, 'measure') };
    case 'judge':
      return {
        kind: 'judge',
        parts: asList(value as string | string[]).map((p) => reader.name(path, p, sheet.parts, 'part')),
      };
    case 'choose':
      return { kind: 'choose', method: reader.name(path, one, sheet.methods, 'method') };
    case 'set':
      return { kind: 'set', setting: reader.name(path, one, sheet.settings, 'setting') };
    case 'read':
      return { kind: 'read', setting: reader.name(path, one, sheet.settings, 'setting') };
    case 'tighten':
      return { kind: 'tighten', joint: reader.name(path, one, sheet.joints, 'joint') };
    case 'undo':
      return { kind: 'undo', joint: reader.name(path, one, sheet.joints, 'joint') };
    case 'align':
    case 'mark':
      return { kind: verb, mark: reader.name(path, one, sheet.marks, 'mark') };
    case 'fit':
      return { kind: 'fit-aid', aid: reader.name(path, one, sheet.aids, 'aid') };
    case 'remove':
      return { kind: 'remove-aid', aid: reader.name(path, one, sheet.aids, 'aid') };
    case 'test':
      return testOp(reader, path, one, side, sheet);
    case 'off':
      return offOp(reader, path, value as Record<string, number>, sheet);
    default:
      reader.problem(path, 'unknown-verb', `"${verb}" is not something that can be done`);
      return undefined;
  }
}

function plainOp(
  reader: Reader,
  at: Path,
  kind: (typeof plainVerbs)[number],
  what: string,
  raw: RawOp,
  sheet: RawSheet,
): OpBody {
  const part = Object.hasOwn(sheet.parts, what) ? what : undefined;
  const needsPart = kind === 'place' || kind === 'press' || kind === 'inspect' || kind === 'count';
  if (needsPart && !part) reader.name(at, what, sheet.parts, 'part');
  if (kind === 'fill' && sheet.fluids && !Object.hasOwn(sheet.fluids, what))
    reader.name(at, what, sheet.fluids, 'fluid');
  if (kind === 'lubricate' && raw.with !== undefined)
    reader.name([...at.slice(0, -1), 'with'], raw.with, sheet.fluids, 'fluid');
  return { kind, what, part, with: raw.with, to: raw.to, ask: raw.ask, yes: raw.yes, except: raw.except };
}
