import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { libraryNames, librarySheet } from '../../bench/bench.fixtures.ts';
import type { Op, Sheet } from '../index.ts';
import { lintSheet } from './lint.ts';

/** Operations without which a unit leaves wrong: an aid left in, a part in the tray, a lead off, a joint loose, a mark not met. */
const mustNotBeForgotten = (op: Op): boolean =>
  ['remove-aid', 'reconnect', 'align', 'tighten', 'place', 'press'].includes(op.kind);
/** What an operation is about, so that one that is done again elsewhere is told from one that is not. */
const about = (op: Op): string => {
  const named = op as unknown as Readonly<Record<string, unknown>>;
  const id = ['aid', 'lead', 'mark', 'joint', 'part'].map((k) => named[k]).find((v) => typeof v === 'string');
  return id === undefined ? '' : `${op.kind === 'press' ? 'place' : op.kind} ${String(id)}`;
};

const without = (sheet: Sheet, id: string): Sheet => ({
  ...sheet,
  steps: sheet.steps.map((s) => ({ ...s, ops: s.ops.filter((o) => o.id !== id) })),
});
const errors = (sheet: Sheet): readonly string[] =>
  lintSheet(sheet)
    .filter((p) => p.severity === 'error')
    .map((p) => p.code);

describe.each(libraryNames)('%s', (name) => {
  const sheet = librarySheet(name);
  const ops = sheet.steps.flatMap((s) => s.ops);
  const off = new Set(
    ops.flatMap((o) =>
      o.kind === 'off' ? o.parts.map((p) => p.part) : 'part' in o && o.kind === 'hang' ? [o.part] : [],
    ),
  );
  const fasteners = new Set(Object.values(sheet.joints).map((j) => j.fastener));
  // What is said once, of something that is sure to have come apart.
  const once = ops.filter((o) => {
    if (!mustNotBeForgotten(o) || about(o) === '') return false;
    if (ops.filter((p) => about(p) === about(o)).length > 1) return false;
    // A fastener goes back with its joint, and a part that only a finding takes out is another sheet's matter.
    if (o.kind === 'place' || o.kind === 'press')
      return o.part !== undefined && off.has(o.part) && !fasteners.has(o.part) && o.when.length === 0;
    if (o.kind === 'tighten') return ops.some((p) => p.kind === 'undo' && p.joint === o.joint);
    return true;
  });

  test('whatever is forgotten of it, the lint says so', () => {
    expect(errors(sheet)).toEqual([]);
    expect(once.length).toBeGreaterThan(4);
    fc.assert(
      fc.property(fc.constantFrom(...once), (op) => {
        if (errors(without(sheet, op.id)).length === 0) throw new Error(`nobody misses "${about(op)}" (${op.id})`);
      }),
      { numRuns: 25 },
    );
  });
});
