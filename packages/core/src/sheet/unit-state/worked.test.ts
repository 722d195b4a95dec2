import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readSheet } from '../read/index.ts';
import { WINCH } from './winch.fixtures.ts';

const errorsOf = (
  text: string,
): readonly { readonly code: string; readonly message: string; readonly line?: number | undefined }[] =>
  readSheet(text).problems.filter((p) => p.severity === 'error');

/** What stands in the good sheet, and what stands there instead, pair by pair. */
type Change = readonly string[];
/** The good sheet with one thing changed: each text must be there, once. */
function spoilt(change: Change): string {
  let text = WINCH;
  for (let i = 0; i < change.length; i += 2) {
    const from = change[i]!;
    const at = text.indexOf(from);
    if (at < 0 || text.indexOf(from, at + 1) >= 0) throw new Error(`"${from}" must stand once in the sheet`);
    text = text.slice(0, at) + change[i + 1]! + text.slice(at + from.length);
  }
  return text;
}
/** Operations of a side, one to a line. */
const ops = (...lines: readonly string[]): string => lines.map((l) => `      - ${l}\n`).join('');
const swap = (a: string, b: string): Change => [ops(a, b), ops(b, a)];
const without = (line: string): Change => [ops(line), ''];
/** One more operation before another. */
const before = (line: string, ...more: readonly string[]): Change => [ops(line), ops(...more, line)];
const after = (line: string, ...more: readonly string[]): Change => [ops(line), ops(line, ...more)];
const WARM = '{ do: "Warm the inner ring", when: { method: bearing-off is heat } }';

/** One fault each: what was written, what it is refused for, and what the refusal names. */
// prettier-ignore
const faults: readonly (readonly [what: string, change: Change, code: string, says: RegExp])[] = [
  ['a mark after the bolts are out', [ops('mark: cover-clock'), '', ops('undo: cover-bolts'), ops('undo: cover-bolts', 'mark: cover-clock')], 'mark-after-it-moved', /after "Cover" was loosened/],
  ['a mark after its part is off', [ops('mark: cover-clock'), '', ops('off: [cover, cover-bolt, gasket]'), ops('off: [cover, cover-bolt, gasket]', 'mark: cover-clock')], 'mark-after-it-moved', /after "Cover", "Gasket" came off/],
  ['a mark on what was taped over', before('mark: cover-clock', 'protect: cover'), 'mark-on-what-is-covered', /"Cover" covered over/],
  ['lined up before the cover is on', swap('place: cover', 'align: cover-clock'), 'aligned-before-it-is-on', /while "Cover" is off/],
  ['lined up when it is tight', swap('align: cover-clock', 'tighten: cover-bolts'), 'aligned-when-tight', /after "Cover" is tight/],
  ['the gasket after its cover', swap('place: gasket', 'place: cover'), 'in-the-way', /"Gasket" cannot go in: "Cover"/],
  ['bolts tightened over nothing', [ops('place: cover', 'align: cover-clock', 'tighten: cover-bolts'), ops('tighten: cover-bolts', 'place: cover', 'align: cover-clock')], 'tightened-over-nothing', /while "Cover" is off/],
  ['a plate that comes out after its cover is off', swap('remove: plate', 'off: [cover, cover-bolt, gasket]'), 'aid-still-on', /"Pull plate" is still on "Cover"/],
  ['a plate that never leaves', without('remove: plate'), 'aid-left-in', /Pull plate/],
  ['a plate that is not in', [ops('fit: plate', 'undo: cover-bolts', 'remove: plate'), ops('undo: cover-bolts', 'remove: plate', 'fit: plate')], 'aid-not-in', /"Pull plate" is not in/],
  ['the cover off with its bolts in', [ops('undo: cover-bolts'), '', ops('off: [cover, cover-bolt, gasket]'), ops('off: [cover, cover-bolt, gasket]', 'undo: cover-bolts')], 'still-fastened', /held by "Cover"/],
  ['a spring nut undone with nothing holding the spring', swap('fit: compressor', 'undo: spring-joint'), 'load-set-free', /"Spring compressor" must hold it first/],
  ['a compressor that leaves before the nut holds', [ops('place: spring-nut', 'tighten: spring-joint', 'remove: compressor'), ops('remove: compressor', 'place: spring-nut', 'tighten: spring-joint')], 'load-set-free', /is let go while "Spring rod" does not hold it/],
  ['a spring let down with nothing holding it', [ops('fit: compressor', 'undo: spring-joint'), ops('let-down: spring', 'fit: compressor', 'undo: spring-joint')], 'load-set-free', /is let down while "Spring compressor" does not hold it/],
  ['a free length read under the compressor', before('tighten: spring-joint', 'measure: spring-free'), 'measured-under-load', /while "Spring compressor" holds/],
  ['a hose parted under pressure', swap('let-down: accumulator', 'disconnect: hose'), 'under-pressure', /"Accumulator" is still under pressure/],
  ['nobody lets the pressure down', without('let-down: accumulator'), 'under-pressure', /let it down first/],
  ['a cap shut in by its hose', swap('remove: hose-cap', 'reconnect: hose'), 'cap-left-in', /"Hose cap" is shut in/],
  ['a hose parted twice', after('disconnect: hose', 'disconnect: hose'), 'parted-twice', /parted already/],
  ['oil into an open drain', swap('tighten: drain', 'fill: oil'), 'fill-runs-out', /drain, "Drain", is not tight/],
  ['filled on top of what is in it', after('fill: oil', 'fill: oil'), 'filled-and-never-drained', /on top of what is in it/],
  ['filled with the cover off', [ops('place: drain-plug', 'tighten: drain', 'fill: oil'), ops('do: "Look for drips"'), ops('place: gasket'), ops('place: drain-plug', 'tighten: drain', 'fill: oil', 'place: gasket')], 'fill-with-it-open', /"Cover" is off/],
  ['a fluid that is never filled', ['fluids:\n', 'fluids:\n  grease: { title: Grease, grade: NLGI 2, amount: 5 g }\n'], 'fluid-never-filled', /"Grease" is named and never filled/],
  ['the nut before the cover is off', [ops('undo: shaft-nut'), '', ops('mark: cover-clock'), ops('undo: shaft-nut', 'mark: cover-clock')], 'in-the-way', /"Shaft nut" cannot be reached: "Cover"/],
  ['the collar before its nut is off', [ops('off: collar'), '', ops('undo: shaft-nut'), ops('off: collar', 'undo: shaft-nut')], 'in-the-way', /"Collar" cannot come off: "Shaft nut"/],
  ['the ring before the bearing', [ops('off: ring'), ops('do: "Look"'), ops('off: bearing'), ops('off: ring', 'off: bearing')], 'in-the-way', /"Shaft ring" cannot come off: "Bearing"/],
  ['the bearing after the collar', [ops('place: bearing'), '', ops('place: collar'), ops('place: collar', 'place: bearing')], 'in-the-way', /"Bearing" cannot go in: "Collar"/],
  ['a ring through a closed cover', [ops('place: ring'), '', ops('place: cover'), ops('place: cover', 'place: ring')], 'through-a-closed-door', /"Cover" shuts it out/],
  ['placed twice', after('place: collar', 'place: collar'), 'placed-twice', /"Collar" is on already/],
  ['off twice', after('off: collar', 'off: collar'), 'off-twice', /"Collar" is off already/],
  ['undone twice', after('undo: drain', 'undo: drain'), 'undone-twice', /"Drain" is undone already/],
  ['a ring looked at when it cannot be seen', before('mark: cover-clock', '{ inspect: ring, ask: "Any nick?" }'), 'cannot-be-seen', /"Shaft ring" cannot be reached/],
  ['float read with its collar off', after(WARM, 'read: float'), 'reading-of-what-is-off', /"Float" speaks of "Collar", which is not on/],
  ['float set before its nut is on', [ops('threadlock: nut', 'place: nut', 'set: float'), ops('set: float', 'threadlock: nut', 'place: nut')], 'set-before-its-nut', /before "Shaft" is on/],
  ['float set by a torque that nobody stands for', ['threadlocker: medium }', 'threadlocker: medium, from: hearsay }', ...swap('set: float', 'tighten: shaft-nut')], 'hearsay-as-a-setting', /by hearsay/],
  ['threadlocker on a nut that is on', swap('threadlock: nut', 'place: nut'), 'locker-too-late', /goes on before it is placed/],
  ['run before the threadlocker is fixed', without('{ cure: the threadlocker, for: 2 h }'), 'locker-not-cured', /"Shaft nut" has not cured/],
  ['a hot bearing left to cool', after('{ heat: bearing, to: 100 °C }', '{ rest: the bearing, for: 30 min }'), 'window-is-past', /"Bearing" cools while this waits/],
  ['heat on a space that holds oil', without('drain: chamber'), 'heat-on-a-wet-space', /still holds Gear oil/],
  ['heat on a space that is plugged', ['  plate: { title: Pull plate, where: on the cover, on: cover }', '  plate: { title: Pull plate, where: on the cover, on: cover }\n  bung: { title: Bung, where: in the drain, on: drain-plug }', '  chamber: { title: Gear chamber, holds: oil, drain: drain }', '  chamber: { title: Gear chamber, holds: oil, drain: drain, ports: [drain-plug] }', ...before('{ heat: bearing, to: 100 °C }', '{ place: drain-plug }', '{ fit: bung }'), ops('place: drain-plug'), ops('remove: bung')], 'heat-on-a-closed-space', /plugged by "Bung"/],
  ['asked after the deed', [ops('choose: bearing-off'), '', ops('off: bearing'), ops('off: bearing', 'choose: bearing-off')], 'asked-after-the-deed', /asked only after it/],
  ['a mark that one variant never lines up', [ops('align: cover-clock'), ops('{ align: cover-clock, when: { variant: long } }')], 'mark-not-used', /this ladder never lines it up/],
  ['a hose that one variant leaves parted', [ops('reconnect: hose'), ops('{ reconnect: hose, when: { variant: long } }')], 'lead-not-reconnected', /never puts it back/],
  ['asked in one variant only', [ops('choose: bearing-off'), ops('{ choose: bearing-off, when: { variant: long } }')], 'hangs-on-what-is-not-asked', /never asks/],
  ['a choice that nothing hangs on', [ops(WARM), ops('do: "Warm the inner ring"')], 'choice-without-effect', /whatever is answered/],
  ['variants that nothing hangs on', [', when: { variant: long } }', ' }'], 'variant-without-effect', /nothing in the sheet differs/],
  ['decided before it is judged', before('off: ring', '{ do: "Knock it out", when: { finding: bearing is renew } }'), 'decided-before-judged', /judged only after it/],
  ['a remedy with nothing to do it', ['offer: [sleeve, renew]', 'offer: [dress, renew]'], 'remedy-without-operation', /offers "dress"/],
  ['tested on a machine that it has left', [ops('move: machine'), ops('do: "Lift it up"')], 'not-there', /is on the bench/],
  ['looked at on a machine that it has left', after('off: collar', '{ at: machine, do: "Look" }'), 'not-there', /done on the machine/],
  ['run while it is locked off', without('let-run: the isolator'), 'locked-off', /take the locks off/],
  ['a test after a rest that nobody takes', ['accept: 0 ml to 1 ml, at: machine', 'accept: 0 ml to 1 ml, after: 8 h, at: machine'], 'not-rested', /made after 8.h, and it has stood 0 min/],
  ['a test on a lift that it is not on', ['accept: 0 ml to 1 ml, at: machine', 'accept: 0 ml to 1 ml, weight: lifted, at: machine'], 'not-lifted', /it stands on its wheels/],
  ['a test on its wheels while it is lifted', ['accept: 0 ml to 1 ml, at: machine', 'accept: 0 ml to 1 ml, weight: on wheels, at: machine', ops('{ at: machine, do: "See where it is wet" }'), ops('lift: the winch')], 'not-on-its-wheels', /and it is lifted/],
  ['an aid on a part that is off', before('off: collar', 'fit: plate', 'remove: plate'), 'aid-on-nothing', /which is off/],
  ['an operation’s own need', [ops('off: collar'), ops('{ off: collar, needs: { on: [cover] } }')], 'needs-what-is-off', /"Cover" must be on first/],
  ['an operation that needs something off', [ops('off: nut'), ops('{ off: nut, needs: { off: [collar] } }')], 'in-the-way', /"Collar" must be off first/],
  ['an operation that needs a lead open', [ops('test: drip', '{ caution: { say: "Oil under pressure cuts the skin", acknowledge: true } }'), ops('{ test: drip, needs: { open: [hose] } }', '{ caution: { say: "Oil under pressure cuts the skin", acknowledge: true } }')], 'not-open', /"Pressure hose" must be open first/],
  ['an operation that needs it running', [ops('off: collar'), ops('{ off: collar, needs: { running: true } }')], 'not-running', /must be running/],
  ['a ring of the wrong rubber', ['material: NBR', 'material: EPDM'], 'ring-against-its-fluid', /of EPDM: mineral oil attacks it/],
  ['a fault that shows what is good', ['shows: { drip: high }, cure: { ring: renew }', 'shows: { spring-free: high }, cure: { ring: renew }'], 'fault-shows-what-is-good', /"Shaft ring worn" shows "high"/],
  ['a fault that a part without a number cures', ['cure: { ring: renew }', 'cure: { collar: renew }'], 'cure-without-operation', /a new "collar"/],
  ['a fault cured by a joint that nobody tightens', ['cure: { float: set }', 'cure: { collar: tighten }'], 'cure-without-operation', /tighten "collar"/],
  ['two faults that show the same', ['shows: { float: high, drip: high }', 'shows: { drip: high }'], 'faults-alike', /nothing tells them apart/],
  ['a fault that shows what the sheet does not read', ['shows: { drip: high }, cure: { ring: renew }', 'shows: { noise: high }, cure: { ring: renew }'], 'unknown-name', /noise/],
  ['a part in a room that is not there', ['  nut: { title: Shaft nut, in: chamber }', '  nut: { title: Shaft nut, in: cellar }'], 'unknown-name', /cellar/],
  ['a load that no aid holds', ['loaded-by: compressor', 'loaded-by: hands'], 'unknown-name', /hands/],
];

describe('a sheet that can be worked', () => {
  test('is taken, in every variant and with every choice and finding', () => expect(errorsOf(WINCH)).toEqual([]));
});

describe('a sheet with one fault is refused for it, and for nothing else', () => {
  test.each(faults)('%s', (_, change, code, says) => {
    const errors = errorsOf(spoilt(change));
    expect([...new Set(errors.map((e) => e.code))]).toEqual([code]);
    expect(errors.some((e) => says.test(e.message))).toBe(true);
    for (const e of errors) expect(e.line).toBeGreaterThan(1);
  });
  test('there are forty of them at least', () =>
    expect(new Set(faults.map((f) => f[0])).size).toBeGreaterThanOrEqual(40));
});

describe('docs/what-is-refused.md', () => {
  const page = readFileSync(join(process.cwd(), 'docs/what-is-refused.md'), 'utf8');
  test.each(faults)('names %s', (what, _change, code) => {
    const row = page.split('\n').find((l) => l.startsWith(`| \`${code}\` |`));
    expect(row).toContain(what);
  });
});
