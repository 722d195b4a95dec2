import type { Op, Sheet } from '../sheet/index.ts';

/** What a move is about on the drawing. */
export interface About {
  readonly parts: ReadonlySet<string>;
  /** The way that they go; none where a place is shown only. */
  readonly goes?: 'off' | 'on';
  /** It is pressed home: what it goes into is supported at its far side. */
  readonly pressed?: boolean;
  /** An indicator or gauge stands there. */
  readonly indicator?: boolean;
}

/**
 * What an operation is about: the parts that come off or go on, the fasteners of a joint, the pack of a setting, what is
 * measured, looked at or judged. None where it is about nothing that is drawn.
 */
export function aboutOp(sheet: Sheet, op: Op): About | undefined {
  const of = (parts: readonly (string | undefined)[], more: Omit<About, 'parts'> = {}): About | undefined => {
    const there = parts.filter((p): p is string => p !== undefined && sheet.parts[p] !== undefined);
    return there.length === 0 ? undefined : { parts: new Set(there), ...more };
  };
  const joint = (id: string): About | undefined => of([sheet.joints[id]?.fastener]);
  switch (op.kind) {
    case 'off':
      return of(
        op.parts.map((p) => p.part),
        { goes: 'off' },
      );
    case 'place':
      return of([op.part], { goes: 'on' });
    case 'press':
      return of([op.part], { goes: 'on', pressed: true });
    case 'undo':
    case 'slacken':
    case 'start':
    case 'last-out':
    case 'tighten':
      return joint(op.joint);
    case 'mark':
    case 'align':
      return of(sheet.marks[op.mark]?.between ?? []);
    case 'measure':
      return of([sheet.measures[op.measure]?.part], {
        indicator: sheet.measures[op.measure]?.gauge.includes('indicator') ?? false,
      });
    case 'look':
      return of([sheet.looks[op.look]?.part]);
    case 'judge':
      return of(op.parts);
    case 'read':
    case 'set':
      return setting(sheet, op.setting, of);
    case 'swing-aside':
    case 'hang':
    case 'refit':
    case 'scrap':
      return of([op.part]);
    case 'stack':
    case 'restack':
      return of(sheet.stacks[op.stack]?.layers.map((l) => l.part) ?? []);
    default:
      return 'what' in op ? of([op.part ?? op.what]) : undefined;
  }
}

/** One pack, or one on each side. */
const MOST_PACKS = 2;

/** Titles of what a pack is made of. */
const PACK = /shim|select|pack/i;
const FASTENER = /bolt|screw/i;

/**
 * Of a setting: the part that its sheet names, its sleeve, its pack where a part is named so, or what it is seated by; else the bearings that it sets,
 * those of the setting that it pulls on, or what bears on it.
 */
function setting(
  sheet: Sheet,
  id: string,
  of: (parts: readonly (string | undefined)[], more?: Omit<About, 'parts'>) => About | undefined,
): About | undefined {
  const s = sheet.settings[id];
  if (!s) return undefined;
  const methods = Object.values(s.methods ?? {});
  const crushed = methods.flatMap((k) => (k.kind === 'crush' ? [k.part] : []));
  const packs = Object.values(sheet.parts)
    .filter((p) => PACK.test(p.title) && !FASTENER.test(p.title))
    .map((p) => p.id);
  const aside = methods.some((k) => k.kind === 'sides') ? packs.filter((p) => p.includes('@')) : [];
  const pack = aside.length > 0 ? aside : s.shims ? packs : [];
  const seated = s.seat ? [sheet.joints[s.seat.joint]?.fastener] : [];
  const other = s.together === undefined ? undefined : sheet.settings[s.together];
  const indicator = s.gauge.includes('indicator');
  return (
    of([s.part], { indicator }) ??
    of(crushed, { indicator }) ??
    of(pack.length <= MOST_PACKS ? pack : [], { indicator }) ??
    of(seated, { indicator }) ??
    of(s.bearings ?? other?.bearings ?? [], { indicator }) ??
    of(s.of ?? [], { indicator })
  );
}
