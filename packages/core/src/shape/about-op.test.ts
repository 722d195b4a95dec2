import { describe, expect, test } from '@jest/globals';
import type { Op } from '../sheet/index.ts';
import { aboutOp, directionsOf } from './index.ts';
import { hub } from './shape.fixtures.ts';

describe('what a move is about', () => {
  const op = (kind: string, find: (o: Op) => boolean = () => true): Op =>
    hub.steps.flatMap((s) => s.ops).find((o) => o.kind === kind && find(o))!;
  test('parts that come off, go on, or are only shown', () => {
    const off = op('off') as Extract<Op, { kind: 'off' }>;
    expect(aboutOp(hub, off)).toEqual({ parts: new Set(off.parts.map((p) => p.part)), goes: 'off' });
    expect(aboutOp(hub, op('place'))?.goes).toBe('on');
    const tighten = op('tighten') as Extract<Op, { kind: 'tighten' }>;
    expect(aboutOp(hub, tighten)).toEqual({ parts: new Set([hub.joints[tighten.joint]!.fastener]) });
    expect(aboutOp(hub, op('caution'))).toBeUndefined();
  });
  test('a setting shows its pack, and where an indicator stands', () => {
    expect(aboutOp(hub, op('set'))?.parts).toEqual(new Set(['shim-pack']));
  });
});

describe('directions in which a part is measured', () => {
  test('are read from places that are degrees', () => {
    expect(directionsOf(['0°', '60°', '120°'])).toEqual([
      { where: '0°', degrees: 0 },
      { where: '60°', degrees: 60 },
      { where: '120°', degrees: 120 },
    ]);
  });
  test.each([[['along', 'across']], [['0°', 'worst']], [['90°']], [[]], [['1', '2']]])(
    'are none of %j: its places are of another kind, or it is one',
    (at) => expect(directionsOf(at)).toEqual([]),
  );
});
