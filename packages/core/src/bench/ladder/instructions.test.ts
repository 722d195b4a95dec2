import { describe, expect, test } from '@jest/globals';
import type { Op, OpKind, Sheet } from '../../sheet/index.ts';
import { libraryNames, librarySheet } from '../bench.fixtures.ts';
import { emptyBench, type BenchState } from '../log/state.ts';
import { linesOf } from './instructions.ts';

const sheets: readonly Sheet[] = libraryNames.map(librarySheet);
const hub = sheets.find((s) => s.id === 'hub-dolly')!;
const state = emptyBench('j');
const ops = (sheet: Sheet): readonly Op[] => sheet.steps.flatMap((s) => s.ops);
const first = (sheet: Sheet, kind: OpKind, of: (op: Op) => boolean = () => true): Op => {
  const op = ops(sheet).find((o) => o.kind === kind && of(o));
  if (!op) throw new Error(`${sheet.id} has no ${kind}`);
  return op;
};
const lines = (sheet: Sheet, op: Op, more: Partial<BenchState> = {}): readonly string[] =>
  linesOf(sheet, { ...state, ...more }, op).map((l) => l.replace(/\u202f/g, ' '));

test.each(sheets.map((s) => [s.id, s] as const))(
  '%s says something at every operation, and nothing unknown',
  (_, sheet) => {
    const all = ops(sheet);
    expect(all.length).toBeGreaterThan(10);
    const wrong = all.flatMap((op) => {
      const said = lines(sheet, op);
      return said.length === 0 || said.some((l) => l.trim() === '' || /undefined|NaN|\[object/.test(l))
        ? [`${op.id}: ${said.join(' / ')}`]
        : [];
    });
    expect(wrong).toEqual([]);
  },
);

describe('what there is to do, line by line', () => {
  const joint = Object.values(hub.joints).find((j) => j.count > 2)!;
  const undo: Op = { id: 'o', kind: 'undo', joint: joint.id } as Op;

  test('a joint of several is slackened crosswise; one alone just is', () => {
    expect(lines(hub, undo)).toEqual(
      expect.arrayContaining([
        `${joint.count} × ${joint.thread}, cap bolt M8 × 20`,
        'Slacken each a little in turn, crosswise, then out',
      ]),
    );
    const one: Sheet = { ...hub, joints: { [joint.id]: { ...joint, count: 1, fasteners: 'new' } } };
    expect(lines(one, undo)).toEqual(expect.arrayContaining(['Slacken it, then out', 'Used once: new ones go in']));
  });

  test('a part that goes back says from which tray, and what was noted as it came off', () => {
    const part = Object.values(hub.parts).find((p) => p.count === 1 && p.lip === undefined)!;
    const place = { id: 'o', kind: 'place', part: part.id } as Op;
    const off = {
      [part.id]: {
        tray: 'B2',
        count: 1,
        note: 'stiff on its seat',
        seq: 1,
        at: '',
        by: { id: 'p', name: 'P', initials: 'P' },
      },
    } as BenchState['off'];
    expect(lines(hub, place, { off })[0]).toBe(`${part.title}, from tray B2`);
    expect(lines(hub, place, { off })).toContain('Noted as it came off: stiff on its seat');
    expect(lines(hub, place, { off, findings: { [part.id]: 'renew' } })[0]).toContain(': a new one');
  });

  test('a seal says which way its lip faces', () => {
    const sealed = sheets.find((s) => ops(s).some((o) => o.kind === 'press' && o.part && s.parts[o.part]?.lip))!;
    const press = first(sealed, 'press', (o) => o.kind === 'press' && !!o.part && !!sealed.parts[o.part]?.lip);
    const { lip } = sealed.parts[press.kind === 'press' ? press.part! : '']!;
    expect(lines(sealed, press)).toContain(`Lip faces the ${lip!.faces}`);
  });

  test('what is not to be forgotten stands at what is easily forgotten', () => {
    const aided = sheets.find((s) => ops(s).some((o) => o.kind === 'fit-aid'))!;
    expect(lines(aided, first(aided, 'fit-aid')).at(-1)).toBe('It is counted until it is out again');
    expect(lines(aided, first(aided, 'remove-aid')).join()).toContain('Look that it is really out');
    const led = sheets.find((s) => ops(s).some((o) => o.kind === 'disconnect'))!;
    expect(lines(led, first(led, 'disconnect')).join()).toContain('It is counted until it is on again');
    expect(lines(hub, { id: 'o', kind: 'helper' } as Op)).toEqual(['Do not go on alone']);
  });

  test('a mark says what it stands between, with what it is made, and where', () => {
    const marked = sheets.find((s) => ops(s).some((o) => o.kind === 'mark'))!;
    const mark = Object.values(marked.marks)[0]!;
    const [a, b] = mark.between.map((p) => marked.parts[p]?.title ?? p);
    expect(lines(marked, { id: 'o', kind: 'mark', mark: mark.id } as Op)).toEqual([
      `${a} and ${b}: ${mark.with} across both, ${mark.where}`,
    ]);
    expect(lines(marked, { id: 'o', kind: 'align', mark: mark.id } as Op)[0]).toContain('marks in one line');
  });
});
