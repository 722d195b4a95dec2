import { describe, expect, test } from '@jest/globals';
import { inCanonical } from '../quantities/index.ts';
import { librarySheet, libraryText } from './library.fixtures.ts';
import { readGoodSheet, readSheet } from './read/index.ts';

const replaced = (name: string, from: string | RegExp, to: string): string => {
  const text = libraryText(name);
  const changed = text.replace(from, to);
  if (changed === text) throw new Error(`${name} does not hold ${String(from)}`);
  return changed;
};
const codes = (text: string): string[] => readSheet(text).problems.map((p) => p.code);

describe('what a setting must say', () => {
  test.each<[string, string, string | RegExp, string, string]>([
    ['a method without what it needs', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: cone', 'method-incomplete'],
    ['a pack without a drawer', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: trial', 'method-incomplete'],
    ['slots without holes', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: nut, pitch: 1 mm, slots: 6', 'method-incomplete'],
    ['a method that no choice names', 'hub-dolly', 'trial: { kind: trial }', 'guess: { kind: trial }', 'unknown-name'],
    ['a choice without its method', 'hub-dolly', '      trial: { kind: trial }\n', '', 'method-missing'],
    ['a method that is never asked', 'hub-dolly', '      - { choose: float-by }\n', '', 'method-never-chosen'],
    ['a shaft between the rows of its chart', 'seal-face', 'shaft: 30 mm\n      tolerance', 'shaft: 32 mm\n      tolerance', 'not-in-chart'],
    ['a band beside a chart', 'seal-face', '    kind: face-seal\n', '    kind: face-seal\n    band: 4 mm to 5 mm\n', 'band-twice'],
    ['a pack that moves a drag by nobody says how much', 'hub-reduction', '    per: { move: 0.05 mm, gives: 2.5 N·m }\n', '', 'shims-incomplete'],
    ['a pull that stands for no torque', 'hub-cartridge', '    feel: {', '    pull: { radius: 60 mm }\n    feel: {', 'pull-of-no-torque'],
    ['a pinion of no nominal distance', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: pinion', 'method-incomplete'],
    ['a sleeve that nobody names', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: crush, first: 5 deg', 'method-incomplete'],
    ['a sleeve that is no part', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: crush, first: 5 deg, part: moon', 'unknown-name'],
    ['a gap without a drawer', 'hub-loose-ball', 'kind: cone, pitch: 1 mm', 'kind: gap', 'method-incomplete'],
    ['a ring that lets go when warm', 'gearbox-four', 'interference: 0.002 mm to 0.023 mm, length: 16 mm, outside: 39 mm', 'interference: 0.002 mm to 0.023 mm, warm: { in: aluminium, to: 90 °C }', 'loose-when-warm'],
    ['a bearing that its fit takes the clearance of', 'gearbox-four', 'interference: 0.002 mm to 0.023 mm, length: 16 mm, outside: 39 mm', 'interference: 0.002 mm to 0.023 mm, bearing: { outside: 62 mm, clearance: 0.013 mm }', 'runs-preloaded'],
    ['a case of a material that nobody knows', 'gearbox-four', 'case: aluminium', 'case: butter', 'not-a-choice'],
    ['together with what is not there', 'differential-side', 'together: preload', 'together: moon', 'unknown-name'],
    ['set along with another, and alone', 'differential-side', '      - { set: backlash,', '      - set: preload\n      - { set: backlash,', 'set-twice'],
    ['a bearing that is no part', 'output-spanner', 'bearings: [outer-cone, inner-cone]', 'bearings: [outer-cone, moon]', 'unknown-name'],
  ])('%s', (_, name, from, to, code) => {
    expect(codes(replaced(name, from, to))).toContain(code);
  }); // prettier-ignore

  test('neither a band nor a chart, and a method that is none, are named with their place', () => {
    const bare = readSheet(replaced('hub-cartridge', '    band: at most 0.02 mm\n', '')).problems;
    expect(bare.some((p) => p.path === 'settings.float.band')).toBe(true);
    const magic = readSheet(replaced('hub-loose-ball', 'kind: cone, pitch', 'kind: magic, pitch')).problems;
    expect(magic.some((p) => /settings\.play\.method/.test(p.path))).toBe(true);
  });
  test('the word of older sheets is read as the word of today, and its problem stands on the line where it is written', () => {
    expect(readGoodSheet(replaced('hub-loose-ball', '    method: {', '    school: {'), 'older').settings).toEqual(
      librarySheet('hub-loose-ball').settings,
    );
    expect(readGoodSheet(replaced('hub-dolly', '    methods:\n', '    schools:\n'), 'older').settings).toEqual(
      librarySheet('hub-dolly').settings,
    );
    const text = replaced('hub-loose-ball', 'method: { kind: cone, pitch', 'school: { kind: magic, pitch');
    const problem = readSheet(text).problems.find((p) => /settings\.play\.method/.test(p.path))!;
    expect(text.split('\n')[problem.line! - 1]).toContain('school: {');
    const both = replaced('hub-loose-ball', '    method: {', '    school: { kind: slide }\n    method: {');
    expect(
      readSheet(both)
        .problems.map((p) => p.message)
        .join(),
    ).toContain('school');
  });
  test('a nut that cannot always lock is warned of, and one that can is not', () => {
    const nut = (slots: number): string[] =>
      codes(
        replaced(
          'hub-loose-ball',
          'kind: cone, pitch: 1 mm, flats: 6',
          `kind: nut, pitch: 1 mm, slots: ${slots}, holes: [0°, 90°]`,
        ),
      );
    expect(nut(6)).toContain('nut-may-not-lock');
    // 18 slots and two holes: 10° apart; a band of 0.05 mm of a 1 mm pitch is 18° wide.
    expect(nut(18)).not.toContain('nut-may-not-lock');
  });
  test('a chart’s row is the band, either way of its figure', () => {
    const { band, target } = librarySheet('seal-face').settings['compression']!;
    expect([band.low, band.high, target].map((q) => inCanonical(q, 'length'))).toEqual([4, 5, 4.5]);
  });
  test('every method of the library is one that its sheet completes', () => {
    const kinds = new Set(
      ['hub-dolly', 'hub-loose-ball', 'output-spanner', 'differential-side', 'seal-face'].flatMap((n) =>
        Object.values(librarySheet(n).settings).flatMap((s) => Object.values(s.methods ?? {}).map((k) => k.kind)),
      ),
    );
    expect([...kinds].sort()).toEqual(['cone', 'depths', 'sides', 'slide', 'trial', 'turn']);
  });
});

describe('what a fit, a ring and a joint must say', () => {
  test.each<[string, string, string | RegExp, string, string]>([
    ['a fit that is loose', 'alternator-brushpin', 'hole: K6, shaft: k5', 'hole: H8, shaft: f7', 'no-interference'],
    ['a fit of no size', 'alternator-brushpin', 'hole: K6, shaft: k5, ', '', 'no-fit'],
    ['letters that ISO 286 does not have', 'alternator-brushpin', 'hole: K6', 'hole: Q99', 'not-in-table'],
    ['a face without its depth', 'seal-face', 'depth: 2.3 mm', 'mating: 66 mm', 'gland-incomplete'],
    ['a piston ring without its bore', 'damper-neck', 'mating: 40.5 mm, ', '', 'gland-incomplete'],
    ['a ring that its groove crushes', 'damper-neck', 'mating: 40.5 mm', 'mating: 38.0 mm', 'ring-does-not-fit'],
    ['a bearing that no heat drops on', 'differential-side', 'interference: 0.002 mm to 0.030 mm', 'interference: 0.05 mm to 0.09 mm', 'heat-is-not-enough'],
    ['a marking and choices of its own', 'differential-side', '    pattern: drive\n', '', 'nothing-to-choose'],
  ])('%s', (_, name, from, to, code) => {
    const found = readSheet(replaced(name, from, to)).problems;
    expect(found.length).toBeGreaterThan(0);
    if (code !== 'not-in-table') expect(found.map((p) => p.code)).toContain(code);
    // Each says where, by its line.
    for (const p of found) expect(p.message.length).toBeGreaterThan(10);
  }); // prettier-ignore

  test('a self-locking nut, its grip and how far it should turn', () => {
    const text = replaced(
      'damper-neck',
      '    keep-clear:',
      '    running: true\n    grip: 24 mm\n    keep-clear:',
    ).replace('tighten: [{ to: 28 N·m ± 2 N·m }]', 'tighten: [{ to: 28 N·m ± 2 N·m, expect: 40° to 90° }]');
    const joint = readGoodSheet(text, 'damper-neck').joints['piston-joint']!;
    expect([joint.running, joint.grip?.value, joint.keepClear]).toEqual([
      true,
      24,
      expect.stringMatching(/shim stack/),
    ]);
    expect(joint.stages[0]!.expect).toMatchObject({
      low: { value: 40, unit: 'deg' },
      high: { value: 90, unit: 'deg' },
    });
  });
  test('nine places on the tooth, one of them good, each other with what to move', () => {
    const { choices } = librarySheet('differential-side').looks['pattern']!;
    expect(choices).toHaveLength(9);
    expect(choices.filter((c) => c.verdict === 'good').map((c) => c.id)).toEqual(['centre-centre']);
    // Handbook rules, from memory: top wants the pinion in, toe the gear away.
    expect(choices.find((c) => c.id === 'top-heel')!.says).toMatch(/^Pinion further in/);
    expect(choices.find((c) => c.id === 'centre-toe')!.says).toMatch(/^Gear away from the pinion/);
  });
});

describe('what is judged', () => {
  test.each<[string, string, string | RegExp, string, string]>([
    ['a cause that a reading nobody takes speaks for', 'clutch-wet', 'speaks: [friction-wear, pack-clearance]', 'speaks: [friction-wear, moon]', 'unknown-name'],
    ['a set of one part that is not there', 'clutch-wet', 'parts: [clutch-spring] }', 'parts: [moon] }', 'unknown-name'],
    ['worth renewing, and no part', 'clutch-wet', '{ part: lifter, asks', '{ part: moon, asks', 'unknown-name'],
    ['room that is held against nothing', 'compressor-twin', 'clearance: { of:', 'clearance: { off:', ''],
    ['a kit that covers what is not there', 'blower-nose', 'covers: [front-bearing, rear-bearing', 'covers: [moon, rear-bearing', 'unknown-name'],
  ])('%s is refused', (_, name, from, to, code) => {
    const found = codes(replaced(name, from, to));
    if (code === '') expect(found.length).toBeGreaterThan(0);
    else expect(found).toContain(code);
  }); // prettier-ignore
});

describe('a thing that stands on each side', () => {
  test('keeps its shape, though a measure of that name stands on each side too', () => {
    const { measures } = librarySheet('compressor-twin');
    expect(measures['bore@front']!.shape).toBe('bore');
    expect(measures['bore@front']!.at).toEqual([
      'top, along', 'top, across', 'middle, along', 'middle, across', 'bottom, along', 'bottom, across',
    ]); // prettier-ignore
    expect(measures['bore@front']!.derived.clearance?.of).toBe('skirt@front');
  });
});
