import { cautionClasses } from '../cautions.ts';
import { plainVerbs, timedVerbs, type Op, type OpBody, type Way } from '../ops.ts';
import type { SideName } from '../types.ts';
import { compileWhen } from './conditions.ts';
import type { OneOrMore, RawCaution, RawOp, RawSheet, RawSide, RawWay } from './raw.ts';
import { stageName } from './joints.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** Keys of an op that say more about it, not what it is. */
const QUALIFIERS = new Set([
  'when',
  'note',
  'with',
  'to',
  'ask',
  'yes',
  'except',
  'for',
  'by',
  'until',
  'check',
  'clear',
  'through',
  'on',
  'strokes',
  'leave-in',
  'needs',
  'at',
]);
interface Place {
  readonly rung: string;
  readonly side: SideName;
  /** Step id with `/` for spaces: op ids start with it. */
  readonly prefix: string;
  readonly at: Path;
}

/** Keys of a side that name things, each with the op that one name makes. */
type Named = (reader: Reader, at: Path, name: string, sheet: RawSheet, side: SideName) => OpBody;
const named: Readonly<Record<string, Named>> = {
  fit: (r, at, n, s) => ({ kind: 'fit-aid', aid: r.name(at, n, s.aids, 'aid') }),
  remove: (r, at, n, s) => ({ kind: 'remove-aid', aid: r.name(at, n, s.aids, 'aid') }),
  test: (r, at, n, s, side) => ({
    kind: 'test',
    test: r.name(at, n, s.tests, 'test'),
    moment: side === 'strip' ? 'as-found' : 'now',
  }),
  look: (r, at, n, s, side) => ({
    kind: 'look',
    look: r.name(at, n, s.looks, 'look'),
    moment: side === 'strip' ? 'as-found' : side === 'bottom' ? 'bottom' : 'now',
  }),
  read: (r, at, n, s) => ({ kind: 'read', setting: r.name(at, n, s.settings, 'setting') }),
  set: (r, at, n, s) => ({ kind: 'set', setting: r.name(at, n, s.settings, 'setting') }),
  identify: (r, at, n, s) => ({ kind: 'identify', question: questionName(r, at, n, s) }),
  measure: (r, at, n, s) => ({ kind: 'measure', measure: r.name(at, n, s.measures, 'measure') }),
  cause: (r, at, n, s) => ({ kind: 'cause', cause: r.name(at, n, s.causes, 'cause') }),
  choose: (r, at, n, s) => ({ kind: 'choose', method: r.name(at, n, s.methods, 'method') }),
  disconnect: (r, at, n, s) => ({ kind: 'disconnect', lead: r.name(at, n, s.leads, 'lead') }),
  reconnect: (r, at, n, s) => ({ kind: 'reconnect', lead: r.name(at, n, s.leads, 'lead') }),
  mark: (r, at, n, s) => ({ kind: 'mark', mark: r.name(at, n, s.marks, 'mark') }),
  align: (r, at, n, s) => ({ kind: 'align', mark: r.name(at, n, s.marks, 'mark') }),
  slacken: (r, at, n, s) => ({ kind: 'slacken', joint: r.name(at, n, s.joints, 'joint') }),
  start: (r, at, n, s) => ({ kind: 'start', joint: r.name(at, n, s.joints, 'joint') }),
  undo: (r, at, n, s) => ({ kind: 'undo', joint: r.name(at, n, s.joints, 'joint') }),
  'swing-aside': (r, at, n, s) => ({ kind: 'swing-aside', part: r.name(at, n, s.parts, 'part') }),
  hang: (r, at, n, s) => ({ kind: 'hang', part: r.name(at, n, s.parts, 'part') }),
  refit: (r, at, n, s) => ({ kind: 'refit', part: r.name(at, n, s.parts, 'part') }),
  scrap: (r, at, n, s) => ({ kind: 'scrap', part: r.name(at, n, s.parts, 'part') }),
  stack: (r, at, n, s) => ({ kind: 'stack', stack: r.name(at, n, s.stacks, 'stack') }),
  restack: (r, at, n, s) => ({ kind: 'restack', stack: r.name(at, n, s.stacks, 'stack') }),
};
/** The order in which the keys of a side are worked: what is read before anything is disturbed comes first. */
const BEFORE_OFF = ['fit', 'test', 'look', 'read', 'disconnect', 'mark', 'slacken'] as const;
const AS_IT_COMES = ['swing-aside', 'hang', 'stack'] as const;
/** "before the last fastener": the helper is fetched just then, not at the start. */
const LATE_HELPER = /^before the last/i;

/**
 * The operations of a side in the order in which they are done: cautions, what to do, aids in, tests and readings
 * before anything is disturbed, leads, marks, joints undone, parts off, the listed ops, and aids out last. That is the
 * first form; in the second what is written is worked as it is written.
 */
export function compileSideOps(reader: Reader, place: Place, side: RawSide, sheet: RawSheet): readonly Op[] {
  if (sheet.jubb === 'build-sheet/2') return compileWritten(reader, place, side, sheet);
  const ops: Op[] = [];
  const add = (body: OpBody, extra: Pick<Op, 'when' | 'note'> = { when: [] }, at: Path = place.at): void => {
    const id = `${place.prefix}/${ops.length + 1}`;
    reader.opAt.set(id, at);
    ops.push({ id, ...extra, ...body });
  };
  const addNamed = (key: Extract<keyof RawSide, string>): void => {
    for (const name of asList(side[key] as OneOrMore<string> | undefined))
      add(named[key]!(reader, [...place.at, key], name, sheet, place.side));
  };
  const leaveIn = side['leave-in'];
  const lateHelper = side.helper !== undefined && LATE_HELPER.test(side.helper) ? side.helper : undefined;
  asList(side.caution).forEach((c) => add(compileCaution(reader, [...place.at, 'caution'], c)));
  if (side.do !== undefined) add({ kind: 'do', lines: asList(side.do) });
  if (side.helper !== undefined && lateHelper === undefined) add({ kind: 'helper', say: side.helper });
  BEFORE_OFF.forEach(addNamed);
  const undone = asList(side.undo);
  undone.forEach((joint, i) => {
    const last = i === undone.length - 1 ? leaveIn : undefined;
    add({ kind: 'undo', joint: reader.name([...place.at, 'undo'], joint, sheet.joints, 'joint'), leaveIn: last });
  });
  if (place.side === 'strip' && lateHelper !== undefined) add({ kind: 'helper', say: lateHelper });
  if (leaveIn !== undefined) {
    const joint = undone.at(-1);
    if (joint === undefined)
      reader.problem([...place.at, 'leave-in'], 'leave-in-of-what', '"leave-in" goes with a joint to undo');
    else add({ kind: 'last-out', joint, count: leaveIn });
  }
  AS_IT_COMES.forEach(addNamed);
  if (side.off) add(offOp(reader, [...place.at, 'off'], offCounts(side.off, sheet), sheet, side.by));
  // What only opening it can tell is asked once it is open.
  addNamed('identify');
  const lastTighten = (side.ops ?? []).findLastIndex((o) => 'tighten' in o);
  (side.ops ?? []).forEach((raw, i) => {
    const at = [...place.at, 'ops', i];
    if (place.side !== 'strip' && lateHelper !== undefined && i === Math.max(0, lastTighten))
      add({ kind: 'helper', say: lateHelper });
    const body = compileOp(reader, at, raw, place.side, sheet);
    if (body) add(body, { when: compileWhen(reader, [...at, 'when'], raw.when, sheet), note: raw.note }, at);
  });
  addNamed('remove');
  return ops;
}

/** Keys of a side that say something of the whole of it, and are no operation. */
const OF_THE_SIDE = new Set(['when', 'minutes', 'tools', 'ahead', 'after', 'before', 'id', 'title']);
/** Keys of a side that go with the operation before them. */
const GOES_WITH: Readonly<Record<string, string>> = { 'leave-in': 'undo', by: 'off' };

/** What a side of the second form says, one entry an operation (or several of one verb), in the order in which it is written. */
function* entriesOf(side: RawSide, at: Path): Generator<{ readonly entry: RawOp; readonly at: Path }> {
  for (const [key, value] of Object.entries(side)) {
    if (OF_THE_SIDE.has(key) || value === undefined) continue;
    if (key === 'ops') {
      for (const [i, entry] of (value as readonly RawOp[]).entries()) yield { entry, at: [...at, 'ops', i] };
      continue;
    }
    const host = GOES_WITH[key];
    if (host !== undefined && side[host as keyof RawSide] !== undefined) continue;
    const along = Object.fromEntries(
      Object.entries(GOES_WITH).flatMap(([guest, of]) =>
        of === key && side[guest as keyof RawSide] !== undefined ? [[guest, side[guest as keyof RawSide]]] : [],
      ),
    );
    yield { entry: { [key]: value, ...along }, at: [...at, key] };
  }
}

/** The operations of a side of the second form: as written. */
function compileWritten(reader: Reader, place: Place, side: RawSide, sheet: RawSheet): readonly Op[] {
  const ops: Op[] = [];
  const lateHelper = side.helper !== undefined && LATE_HELPER.test(side.helper) ? side.helper : undefined;
  const entries = [...entriesOf(side, place.at)].filter(({ entry }) =>
    Object.keys(entry).some((k) => !OF_THE_SIDE.has(k)),
  );
  const lastTighten = entries.findLastIndex(({ entry }) => 'tighten' in entry);
  entries.forEach(({ entry, at }, i) => {
    const add = (body: OpBody | undefined, more: Partial<Op> = {}): void => {
      if (!body) return;
      const id = `${place.prefix}/${ops.length + 1}`;
      reader.opAt.set(id, at);
      ops.push({ id, when: [], ...more, ...body } as Op);
    };
    if (lateHelper !== undefined && 'helper' in entry && entry.helper === lateHelper) return;
    if (place.side !== 'strip' && lateHelper !== undefined && i === Math.max(0, lastTighten))
      add({ kind: 'helper', say: lateHelper });
    const extra = extraOf(reader, at, entry, sheet);
    for (const one of opened(entry)) {
      if ('off' in one) add(offOp(reader, [...at, 'off'], offCounts(one.off, sheet), sheet, one.by), extra);
      else if ('undo' in one) {
        const leaveIn = one['leave-in'];
        const joint = reader.name([...at, 'undo'], String(one.undo), sheet.joints, 'joint');
        add({ kind: 'undo', joint, leaveIn }, extra);
        if (place.side === 'strip' && lateHelper !== undefined) add({ kind: 'helper', say: lateHelper });
        if (leaveIn !== undefined) add({ kind: 'last-out', joint, count: leaveIn }, extra);
      } else add(compileOp(reader, at, one, place.side, sheet), extra);
    }
    if ('leave-in' in entry && !('undo' in entry))
      reader.problem([...at, 'leave-in'], 'leave-in-of-what', '"leave-in" goes with a joint to undo');
  });
  return ops;
}

/** Verbs that take one thing each: a list of them is so many operations. */
const LISTED = new Set([...Object.keys(named), 'tighten', 'place', 'caution']);

/** `fit: [chock, stands]` is two operations. */
function opened(entry: RawOp): readonly RawOp[] {
  const verb = Object.keys(entry).find((k) => !QUALIFIERS.has(k));
  const value = verb === undefined ? undefined : (entry as Readonly<Record<string, unknown>>)[verb];
  if (verb === undefined || !Array.isArray(value) || !LISTED.has(verb)) return [entry];
  return value.map((v: unknown) => ({ ...entry, [verb]: v }));
}

/** When it stands, what is noted, what it needs beside what its kind does, and where the unit is. */
function extraOf(reader: Reader, at: Path, entry: RawOp, sheet: RawSheet): Partial<Op> {
  const { needs } = entry;
  const names = (key: 'on' | 'off', of: OneOrMore<string> | undefined): string[] =>
    asList(of).map((p) => reader.name([...at, 'needs', key], p, sheet.parts, 'part'));
  const open = { ...sheet.spaces, ...sheet.leads, ...sheet.joints, ...sheet.parts };
  return {
    when: compileWhen(reader, [...at, 'when'], entry.when, sheet),
    ...(entry.note === undefined ? {} : { note: entry.note }),
    ...(entry.at === undefined ? {} : { at: entry.at }),
    ...(needs === undefined
      ? {}
      : {
          needs: {
            on: names('on', needs.on),
            off: names('off', needs.off),
            open: asList(needs.open).map((o) => reader.name([...at, 'needs', 'open'], o, open, 'space or lead')),
            ...(needs.running === undefined ? {} : { running: needs.running }),
          },
        }),
  };
}

/** `off: belt`, `off: [belt, cover]`: all that there are of each. */
function offCounts(
  off: OneOrMore<string> | Readonly<Record<string, number>> | undefined,
  sheet: RawSheet,
): Readonly<Record<string, number>> {
  if (typeof off === 'object' && !Array.isArray(off)) return off as Readonly<Record<string, number>>;
  return Object.fromEntries(
    asList(off as OneOrMore<string> | undefined).map((part) => {
      const count = sheet.parts[part]?.count ?? 1;
      return [part, count === 'unknown' ? 1 : count];
    }),
  );
}

function questionName(reader: Reader, at: Path, name: string, sheet: RawSheet): string {
  const known = Object.fromEntries((sheet.identify ?? []).map((q, i) => [q.id ?? `q${i + 1}`, q]));
  return reader.name(at, name, known, 'identifying question');
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

function offOp(
  reader: Reader,
  at: Path,
  off: Readonly<Record<string, number>>,
  sheet: RawSheet,
  by?: OneOrMore<RawWay>,
): OpBody {
  const parts = Object.entries(off).map(([part, count]) => {
    reader.name([...at, part], part, sheet.parts, 'part');
    const most = sheet.parts[part]?.count ?? 1;
    if (most !== 'unknown' && count > most)
      reader.problem(
        [...at, part],
        'count-disagrees',
        `${count} of "${part}" come off, but the part's count is ${most}`,
      );
    return { part, count: most === 'unknown' ? 0 : count };
  });
  return { kind: 'off', parts, by: asList(by).map((w) => compileWay(reader, at, w, sheet)) };
}

function compileWay(reader: Reader, at: Path, raw: RawWay, sheet: RawSheet): Way {
  if (typeof raw === 'string') return { title: raw, destroys: false };
  if (raw.saves !== undefined) reader.name([...at.slice(0, -1), 'by'], raw.saves, sheet.parts, 'part');
  return { title: raw.way, destroys: raw.destroys ?? raw.saves !== undefined, saves: raw.saves };
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
  const value = (raw as Readonly<Record<string, unknown>>)[verb];
  const one = String(value);
  const path = [...at, verb];
  const plain = plainVerbs.find((v) => v === verb);
  if (plain) return plainOp(reader, path, plain, one, raw, sheet);
  const byName = named[verb];
  if (byName) return byName(reader, path, one, sheet, side);
  switch (verb) {
    case 'caution':
      return compileCaution(reader, path, value as RawCaution);
    case 'do':
      return { kind: 'do', lines: asList(value as string | string[]) };
    case 'helper':
      return { kind: 'helper', say: one };
    case 'judge':
      return {
        kind: 'judge',
        parts: asList(value as string | string[]).map((p) => reader.name(path, p, sheet.parts, 'part')),
      };
    case 'tighten':
      return {
        kind: 'tighten',
        joint: reader.name(path, one, sheet.joints, 'joint'),
        through: raw.through === undefined ? undefined : stageOf(reader, [...at, 'through'], one, raw.through, sheet),
      };
    case 'off':
      return offOp(reader, path, offCounts(raw.off, sheet), sheet, raw.by);
    default:
      reader.problem(path, 'unknown-verb', `"${verb}" is not something that can be done`);
      return undefined;
  }
}

function stageOf(reader: Reader, at: Path, joint: string, name: string, sheet: RawSheet): number {
  const stages = sheet.joints?.[joint]?.tighten ?? [];
  const names = stages.map((t, i) => stageName(t.name, i, stages.length));
  const found = names.findIndex((n) => n.toLowerCase() === name.toLowerCase());
  if (found < 0)
    reader.problem(at, 'unknown-name', `"${joint}" has no stage "${name}"; it has: ${names.join(', ').toLowerCase()}`);
  return Math.max(0, found);
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
  if (kind === 'drain') reader.name(at, what, { ...sheet.spaces, ...sheet.fluids }, 'space');
  if (kind === 'let-down') reader.name(at, what, { ...sheet.spaces, ...sheet.fluids, ...sheet.loads }, 'space or load');
  const needsPart = kind === 'place' || kind === 'press' || kind === 'inspect' || kind === 'count';
  if (needsPart && !part) reader.name(at, what, sheet.parts, 'part');
  if (kind === 'fill' && sheet.fluids && !Object.hasOwn(sheet.fluids, what))
    reader.name(at, what, sheet.fluids, 'fluid');
  if (kind === 'lubricate' && raw.with !== undefined)
    reader.name([...at.slice(0, -1), 'with'], raw.with, sheet.fluids, 'fluid');
  const timed = timedVerbs.some((v) => v === kind);
  if (raw.for !== undefined && !timed)
    reader.problem([...at.slice(0, -1), 'for'], 'no-time-here', `"${kind}" takes no time; ${timedVerbs.join(', ')} do`);
  const by = asList(raw.by).map((w) => (typeof w === 'string' ? w : w.way));
  return {
    kind,
    what,
    part,
    with: raw.with,
    to: raw.to,
    ask: raw.ask,
    yes: raw.yes,
    except: raw.except,
    minutes: raw.for === undefined ? undefined : reader.minutes([...at.slice(0, -1), 'for'], raw.for),
    by: by.length > 0 ? by.join(', then ') : undefined,
    ...(raw.on === undefined ? {} : { on: raw.on }),
    ...(raw.strokes === undefined ? {} : { strokes: raw.strokes }),
    until: raw.until,
    check: raw.check,
    clear: raw.clear,
  };
}
