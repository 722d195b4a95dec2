import { describe, expect, test } from '@jest/globals';
import { kindOf } from './index.ts';
import { hub } from './shape.fixtures.ts';

describe('what a part looks like', () => {
  test.each([
    { title: 'Cap bolt M8 × 20', kind: 'bolt' },
    { title: 'Castellated nut', kind: 'nut' },
    { title: 'Cap ring', kind: 'o-ring' },
    { title: 'Split pin', kind: 'pin' },
    { title: 'Keyed washer', kind: 'washer' },
    { title: 'Outer cone', kind: 'cone' },
    { title: 'Bearing cups', kind: 'cup' },
    { title: 'Hub cap', kind: 'cover' },
    { title: 'Shim pack', kind: 'shim' },
    { title: 'Return spring', kind: 'spring' },
    { title: 'Drain plug', kind: 'plug' },
    { title: 'Front bearing', kind: 'ball-bearing' },
    { title: 'Sun gear', kind: 'gear' },
    { title: 'Sun gear clip', kind: 'circlip' },
    { title: 'Pulley spacer', kind: 'spacer' },
    { title: 'Bearing cover, open in the middle', kind: 'cover' },
    { title: 'Compressor wheel', kind: 'impeller' },
    { title: 'Cup in the hub', kind: 'cup' },
    { title: 'Thing that nobody named', kind: 'box' },
  ] as const)('$title is drawn as a $kind', ({ title, kind }) => {
    expect(kindOf({ ...hub.parts.cap!, title })).toBe(kind);
  });
});
