import { describe, expect, test } from '@jest/globals';
import { librarySheet, libraryNames } from '../bench/bench.fixtures.ts';
import { ladder, ladders, type LadderChoices, type Op, type SideName } from './index.ts';

/** What an operation is done to, as a row names it: "off: belt", "set: float"; words where it names nothing. */
function keysOf(op: Op): readonly string[] {
  if (op.kind === 'off') return op.parts.map((p) => `off: ${p.part}`);
  if (op.kind === 'judge') return op.parts.map((p) => `judge: ${p}`);
  const named = op as unknown as Readonly<Record<string, unknown>>;
  const subject = [
    'aid',
    'mark',
    'lead',
    'joint',
    'part',
    'look',
    'test',
    'measure',
    'setting',
    'method',
    'what',
    'say',
  ]
    .map((k) => named[k])
    .find((v) => typeof v === 'string');
  const said = op.kind === 'do' ? op.lines.join(' ') : (subject ?? '');
  return [`${op.kind.replace(/-aid$/, '')}: ${String(said)}`];
}

/** The operations of a side in the order of work, with the first variant, parts renewed and first choices unless said. */
function orderOf(name: string, side: SideName, choices: Partial<LadderChoices> = {}): readonly string[] {
  const sheet = librarySheet(name);
  const usual = ladders(sheet)[0]!;
  const all = ladder(sheet, { ...usual, ...choices, methods: { ...usual.methods, ...choices.methods } });
  return all[side].flatMap((s) => s.ops.flatMap(keysOf));
}
/**
 * Places of what a row names: whole, or by how it begins where it ends in dots. What is done more than once is taken where
 * it is done next.
 */
function placesOf(order: readonly string[], named: readonly string[]): readonly number[] {
  const out: number[] = [];
  for (const row of named) {
    const is = (k: string): boolean => (row.endsWith('…') ? k.startsWith(row.slice(0, -1)) : k === row);
    const all = order.flatMap((k, i) => (is(k) ? [i] : []));
    if (all.length === 0) throw new Error(`no "${row}" in:\n${order.join('\n')}`);
    out.push(all.find((i) => i > (out.at(-1) ?? -1)) ?? all[0]!);
  }
  return out;
}

type Row = readonly [
  why: string,
  sheet: string,
  side: SideName,
  order: readonly string[],
  choices?: Partial<LadderChoices>,
];
/** What must come before what, sheet by sheet: common practice. */
// prettier-ignore
const rows: readonly Row[] = [
  ['the direction is marked while the belt is on, and the pin is in before it leaves', 'tensioner-belt', 'strip', ['mark: belt-arrow', 'fit: arm-pin', 'disconnect: belt-route', 'off: belt']],
  ['the coolant is let down, drained, and its hose parted after', 'tensioner-belt', 'strip', ['let-down: coolant-side', 'drain: coolant-side', 'disconnect: upper-hose']],
  ['a new tensioner is pinned, the belt on its route, then the pin leaves, then the ribs are looked at', 'tensioner-belt', 'build', ['fit: arm-pin', 'place: belt', 'reconnect: belt-route', 'remove: arm-pin', 'confirm: With the tension on…', 'fill: coolant']],
  ['the drip is looked at while it runs, then it is locked off', 'seal-face', 'strip', ['look: drip', 'test: leak', 'lock-off: the motor', 'fit: valve-tag']],
  ['the tags are off before the pump runs', 'seal-face', 'build', ['remove: valve-tag', 'let-run: the motor', 'run: ten minutes at pressure', 'test: leak']],
  ['neutral, marked, compressed, screws, locked, and only then the gland', 'seal-face', 'build', ['place: set-screw', 'place: collar', 'mark: neutral', 'set: compression', 'tighten: cup-screws', 'threadlock: lock-screw', 'place: lock-screw', 'tighten: gland-nuts']],
  ['wheel nuts are cracked on the ground, and the axle stands before the wheel is off', 'hub-reduction', 'strip', ['fit: chock', 'slacken: wheel-nuts', 'lift: the beam', 'fit: stand', 'off: wheel']],
  ['the cover is marked and jacked off, and the screws leave before it does', 'hub-reduction', 'strip', ['mark: cover-up', 'undo: cover-bolts', 'fit: jack-screws', 'remove: jack-screws', 'off: cover']],
  ['it turns free once the lock is out, and the boss is shut', 'hub-reduction', 'build', ['remove: lock-screw', 'confirm: Free…', 'place: boss-plug']],
  ['the end float is read with the pin in, before the shafts are drawn', 'axle-clip', 'strip', ['read: shaft-float@left', 'undo: pin-lock', 'off: pin', 'off: shaft@left']],
  ['and set with the pin in again, before its bolt is locked', 'axle-clip', 'build', ['place: pin', 'set: shaft-float@left', 'threadlock: lock-bolt', 'place: lock-bolt', 'tighten: pin-lock']],
  ['the filler is known to open before the oil is out, and is shut after the fill', 'axle-clip', 'build', ['fill: oil', 'place: filler-plug', 'tighten: filler']],
  ['as found comes before the gas is let down, and the neck is turned after', 'damper-neck', 'strip', ['test: rebound', 'let-down: gas-room', 'undo: neck-joint']],
  ['the rod is in before it is filled, bled and shut, and the gas comes last', 'damper-neck', 'build', ['place: rod', 'fill: oil', 'bleed: Short strokes…', 'place: neck', 'tighten: neck-joint', 'do: Nitrogen…', 'test: rebound']],
  ['seals stand in the neck before it goes over the thread, on a bullet that leaves at once', 'damper-neck', 'build', ['place: neck-seal', 'fit: bullet', 'remove: bullet', 'place: piston', 'threadlock: piston-nut', 'place: piston-nut']],
  ['the flanges centre the holder before it is pulled tight', 'prop-centre', 'build', ['start: holder', 'tighten: rear-flange', 'tighten: front-flange', 'tighten: holder', 'remove: straps']],
  ['the bearing goes on, and the carrier over it, before the fork', 'prop-centre', 'build', ['place: bearing', 'press: carrier', 'place: fork-nut']],
  ['height and bounce are taken before anything is lifted', 'cab-strut', 'strip', ['look: settle', 'lift: …', 'fit: compressor']],
  ['the lower bolts are pulled with the weight on the wheel', 'cab-strut', 'build', ['place: wheel', 'lower: …', 'tighten: lower']],
  ['hoses are parted before they are capped', 'compressor-swash', 'strip', ['disconnect: suction', 'fit: caps', 'off: port-ring']],
  ['caps out, rings on the ports, hoses on', 'compressor-swash', 'build', ['remove: caps', 'place: port-ring', 'reconnect: pressure']],
  ['from the rear head up: ring, plate, half, rear pack, plate with its pistons, front pack, front half', 'compressor-swash', 'build', ['place: rear-head', 'place: rear-plate', 'place: cylinder-rear', 'place: race-rear', 'place: swash', 'place: race-front', 'place: body-ring', 'place: cylinder-front', 'place: front-head', 'tighten: through']],
  ['the nose ring is in before the head shuts it out, the seal goes on it last', 'compressor-swash', 'build', ['place: nose-ring', 'place: front-head', 'seal: carbon-seal', 'place: seal-clip']],
  ['the seal is chosen along the bottom, before one is ordered', 'compressor-swash', 'bottom', ['look: bores', 'choose: shaft-seal', 'judge: swash']],
  ['the locker is on the bolt before the bolt is in, and cures', 'hub-cartridge', 'build', ['place: key-washer', 'threadlock: axle-bolt', 'place: axle-bolt', 'tighten: axle-bolt', 'set: float', 'cure: the threadlocker of the axle bolt']],
  ['the spring is held, the clip out, let down, and only then the shaft pressed out', 'blower-nose', 'strip', ['fit: spring-tube', 'off: circlip', 'let-down: wave', 'remove: spring-tube', 'off: shaft', 'choose: bearing-out', 'off: rear-bearing']],
  ['the cover plate leaves before the nose goes on, drag is read with the pulley on', 'blower-nose', 'build', ['remove: cover-plate', 'place: nose', 'place: pulley', 'test: drag']],
  ['set, locked, and read locked', 'hub-loose-ball', 'build', ['place: lock-washer@left', 'place: locknut@left', 'set: play', 'tighten: lock@left', 'confirm: Locked…']],
  ['tape, boot, tape off, shaft, and the clamps last', 'knuckle-boot', 'build', ['fit: tape', 'place: boot', 'remove: tape', 'place: shaft', 'fill: joint-grease', 'place: clamp-big', 'place: clamp-small']],
  ['both marks before the spline parts', 'knuckle-boot', 'strip', ['mark: spline-shaft', 'mark: spline-knuckle', 'off: shaft']],
  ['the brush gear is pinned for the work, and unpinned', 'knuckle-boot', 'build', ['place: wheel', 'remove: brush-pin', 'remove: stands', 'lower: …', 'tighten: wheel-nuts', 'remove: chock']],
  ['off the machine before the stand', 'alternator-brushpin', 'strip', ['disconnect: output', 'move: bench', 'test: output']],
  ['brushes are in and pinned before the frames close, the pin leaves after', 'alternator-brushpin', 'build', ['place: brushes', 'fit: brush-pin', 'place: front-frame', 'tighten: through', 'remove: brush-pin']],
  ['off the mast before the stand', 'alternator-frames', 'strip', ['disconnect: output', 'move: bench', 'test: output', 'undo: frame-screws']],
  ['the leads of a pair are parted before they are brightened, and the spacers leave before the frames close', 'alternator-frames', 'build', ['fit: spacers', 'do: Delta…', 'rework: Each lead end', 'place: lead-terminal', 'remove: spacers', 'place: drive-frame'], { variant: 'frame-110' }],
  ['the cable is set, then oil, then the bite is felt', 'clutch-wet', 'build', ['test: lift', 'place: cover', 'do: Machine upright…', 'fill: oil', 'look: drag']],
  ['pads go back and the lever is pumped before the last test', 'lever-piston', 'build', ['bleed: From the bottom…', 'remove: block', 'do: Pump the lever…', 'test: stroke']],
  ['props before the hoses, ports open before any heat', 'cylinder-lift', 'strip', ['fit: prop', 'let-down: bore', 'disconnect: hose-lift', 'remove: port-plugs', 'drain: bore', 'choose: cap-heat', 'heat: end-cap', 'undo: end-cap'], { methods: { 'cap-heat': 'heat' } }],
  ['port plugs and caps leave, hoses go on, oil carries it, and the props leave last', 'cylinder-lift', 'build', ['remove: port-plugs', 'remove: plugs', 'reconnect: hose-lift', 'fill: oil', 'bleed: Full strokes…', 'remove: prop', 'test: drift']],
  ['the locker is on the thread before the nut, and cures before pressure', 'cylinder-lift', 'build', ['threadlock: piston-nut', 'place: piston-nut', 'cure: the threadlocker of the piston nut', 'fill: oil']],
  ['shafts in, case shut, bearings half and home in turn, then the float', 'gearbox-four', 'build', ['place: main-shaft', 'place: case-half', 'tighten: case-bolts', 'press: main-bearing', 'press: lay-bearing', 'place: end-cap', 'set: main-float']],
  ['the joint is chosen before it is sealed, and not moved once it is', 'gearbox-four', 'build', ['choose: case-joint', 'seal: A thread of sealant…', 'place: case-half', 'tighten: case-bolts', 'cure: sealant']],
  ['the drag decides, the mark after it, the tab last', 'output-spanner', 'build', ['place: spanner-nut', 'set: drag', 'align: nut-place', 'place: lock-tab', 'press: seal', 'place: flange']],
  ['it is drained, and filled again', 'output-spanner', 'build', ['tighten: drain', 'fill: oil', 'place: level-plug']],
  ['backlash is set with the cover on that carries a bearing', 'differential-side', 'build', ['place: diff', 'place: side-cover', 'tighten: side-bolts', 'set: backlash', 'look: pattern']],
  ['and read before it comes off', 'differential-side', 'strip', ['read: backlash', 'undo: side-bolts', 'off: side-cover', 'mark: ring-to-case', 'off: diff']],
  ['balanced without housings, and primed through open ways; caps are for the road', 'turbo-core', 'build', ['tighten: wheel-nut', 'set: axial', 'test: drag', 'test: vibration', 'place: compressor-housing', 'place: turbine-housing', 'fill: oil', 'fit: caps']],
  ['oil out before it is opened; nothing turns from the first barrel to the last', 'compressor-twin', 'strip', ['lock-off: …', 'let-down: tank', 'drain: crankcase', 'off: head', 'off: barrel@rear', 'off: barrel@front']],
  ['the new rings’ gaps are read before they are fitted', 'compressor-twin', 'build', ['measure: ring-gap@front', 'place: rings@front', 'place: barrel@front', 'tighten: head-bolts', 'fill: oil', 'let-run: …']],
  ['the float is set, then the nut goes on to its slot, then it is pinned', 'hub-dolly', 'build', ['set: float', 'tighten: spindle-nut', 'place: lock-pin']],
  ['depth by a trial cone that comes out, then the cone, a new sleeve, the drag', 'axle-pinion', 'build', ['fit: trial-cone', 'set: pinion-depth', 'remove: trial-cone', 'heat: head-cone', 'place: pinion', 'place: crush-sleeve', 'press: pinion-seal', 'place: flange', 'fit: flange-bar', 'set: preload', 'remove: flange-bar', 'place: diff', 'set: backlash', 'look: pattern', 'place: cover']],
  ['backlash and pattern as found, then the caps are marked, then the case is out, then the pinion’s drag', 'axle-pinion', 'strip', ['read: backlash', 'look: pattern', 'mark: caps-mark@left', 'off: diff', 'read: preload', 'undo: pinion-joint']],
  ['the wheel stands on the ground before it is pulled', 'axle-pinion', 'build', ['fill: oil', 'place: wheel', 'remove: stands', 'lower: …', 'remove: chock']],
  ['wedged before anybody is under it, and unwedged with the tyres down', 'axle-kingpin', 'build', ['place: kingpin@left', 'tighten: lock-joint@left', 'remove: cradle@left', 'test: lift-now@left', 'place: wheel@left', 'remove: stands', 'remove: wedges', 'test: toe']],
  ['the nut guards the thread, the cradle has the weight, then the pin', 'axle-kingpin', 'strip', ['test: toe', 'fit: wedges', 'fit: cradle@left', 'off: kingpin@left', 'off: knuckle@left']],
  ['grease is proved before the pin is in', 'axle-kingpin', 'build', ['press: bush@left', 'confirm: Five strokes…', 'place: knuckle@left', 'set: lift-play@left', 'place: kingpin@left']],
  ['plates soaked, piston, cage held, ring seen, let up, pack, clearance, and then air', 'auto-clutch', 'build', ['soak: New friction plates…', 'place: piston@forward', 'fit: press-tool@forward', 'place: cage-ring@forward', 'confirm: The ring is seen…', 'remove: press-tool@forward', 'place: snap-ring@forward', 'set: pack-clearance@forward', 'test: air@forward', 'test: air-shaft', 'set: end-float', 'press: pump-seal']],
  ['the springs are held, freed and let down before the cage is out', 'auto-clutch', 'strip', ['fit: press-tool@direct', 'off: cage-ring@direct', 'let-down: return-springs@direct', 'remove: press-tool@direct', 'off: spring@direct', 'off: piston@direct']],
  ['blown down and locked before it is opened; clearances as found before the nuts', 'compressor-screw', 'strip', ['test: blow-down', 'lock-off: …', 'let-down: receiver-room', 'drain: receiver-room', 'off: tank-cover', 'read: male-clearance', 'undo: shaft-nuts@male', 'off: housing']],
  ['dry trial with dummies that come out, film, pairs, nuts, covers; never started dry', 'compressor-screw', 'build', ['fit: dummy-pair@male', 'set: male-clearance', 'remove: dummy-pair@male', 'cure: film', 'heat: pair@male', 'tighten: shaft-nuts@male', 'place: sleeve-ring', 'heat: wear-sleeve', 'press: lip', 'fill: oil', 'remove: net-tag', 'remove: isolator-lock', 'let-run: …']],
  ['clocked, balanced without housings, rod set when both are tight, primed, caps off, leak test before the start', 'turbo-vane', 'build', ['test: drag', 'test: vibration', 'tighten: turbine-band', 'tighten: housing-bolts', 'set: rod-start', 'fill: clean-oil', 'fit: turbo-caps', 'remove: turbo-caps', 'tighten: turbo-flange', 'fill: engine-oil', 'remove: fuel-flag', 'test: boost-leak', 'remove: leak-caps', 'run: three minutes…']],
  ['tests first, cold, drained, and its eleven kilograms have a helper before the last nut', 'turbo-vane', 'strip', ['test: boost', 'test: boost-leak', 'disconnect: earth', 'drain: water', 'test: holds', 'choose: nuts-off', 'undo: turbo-flange', 'helper: 11 kg…', 'off: turbo', 'mark: bracket', 'mark: cover-clock', 'off: compressor-housing']],
];

describe('the order of work, sheet by sheet', () => {
  test.each(rows.map((r) => [`${r[1]}, ${r[2]}: ${r[0]}`, r] as const))('%s', (_, [, name, side, order, choices]) => {
    const places = placesOf(orderOf(name, side, choices), order);
    const asWorked = order.map((_row, i) => i).sort((a, b) => places[a]! - places[b]!);
    expect(asWorked.map((i) => order[i])).toEqual(order);
  });
  test('every sheet of the library has one', () => {
    expect([...new Set(rows.map((r) => r[1]))].sort()).toEqual([...libraryNames].sort());
  });
});
