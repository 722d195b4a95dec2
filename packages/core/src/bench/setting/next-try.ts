import { unreachable } from '../../records.ts';
import { canonical, formatNumber, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import { backlashShim, coneAndLocknut, nutBackOff, ReckonError, type WorkingLine } from '../../reckoners/index.ts';
import type { School, Setting, Sheet } from '../../sheet/index.ts';
import type { DrawerStock } from '../commands.ts';
import type { BenchState } from '../state.ts';
import { advisePack, neededPack, predict, type PackAdvice } from './packs.ts';
import { schoolOf, turnedTries } from './school.ts';
import { settingBand } from './value.ts';

/** What is moved next. A turn that tightens is positive; shims are changes of each pack; a collar slides in by a positive. */
export type Move =
  | { readonly kind: 'pack'; readonly pieces: readonly Quantity[]; readonly total: Quantity }
  | { readonly kind: 'turn'; readonly turned: Quantity }
  | { readonly kind: 'sides'; readonly left: Quantity; readonly right: Quantity }
  | { readonly kind: 'slide'; readonly slid: Quantity };

/** The next move of a setting, in the hand's own terms, with what it was reckoned from. */
export interface NextTry {
  readonly say: string;
  readonly move?: Move;
  readonly predicted?: Quantity;
  readonly uncertainty?: Quantity;
  readonly working: readonly WorkingLine[];
  readonly warnings: readonly string[];
  /** No move of this kind reaches the band: why, and what can. */
  readonly cannot?: string;
  /** The pack that no drawer makes: it is bought, or ground. */
  readonly needed?: Quantity;
  /** The reckoner that it comes from, with what it was asked. */
  readonly asked?: { readonly id: string; readonly inputs: Readonly<Record<string, unknown>> };
}

/** Furthest that one turn is trusted when the tries lead further, degrees. */
const LONGEST_TURN = 90;
/** A turn smaller than this cannot be made with a spanner. */
const LEAST_TURN = 2;
const deg = (n: number): string => `${formatNumber(Math.abs(Math.round(n)))}°`;

/**
 * What to do next to bring a setting into its band, from its school and the tries so far. Undefined once it is within,
 * and while there is nothing to reckon from (the readings come first).
 */
export function nextTry(
  sheet: Sheet,
  state: BenchState,
  setting: Setting,
  drawers: Readonly<Record<string, readonly DrawerStock[]>>,
): NextTry | undefined {
  const school = schoolOf(setting, state);
  const last = state.settings[setting.id]?.rounds.at(-1);
  const other = setting.together === undefined ? undefined : sheet.settings[setting.together];
  const otherLast = other && state.settings[other.id]?.rounds.at(-1);
  if (last?.result?.verdict === 'within' && (!other || otherLast?.result?.verdict === 'within')) return undefined;
  switch (school?.kind) {
    case 'trial':
    case 'depths':
      return packTry(setting, state, drawers[setting.shims!.drawer] ?? []);
    case 'nut':
      return nutTry(setting, state, school);
    case 'cone':
      return coneTry(setting, state, school);
    case 'turn':
      return turnTry(setting, state, school);
    case 'sides':
      return sidesTry(setting, state, school, other);
    case 'slide':
      return slideTry(setting, state);
    case undefined:
      return last?.result ? { say: plainMove(setting, state), working: [], warnings: [] } : undefined;
    default:
      return unreachable('a school that advises nothing', school);
  }
}

const ownOf =
  (setting: Setting) =>
  (q: Quantity): number =>
    inCanonical(q, setting.dimension);

/** Where no school says how: how far it is out, and which way. */
function plainMove(setting: Setting, state: BenchState): string {
  const mean = state.settings[setting.id]!.rounds.at(-1)!.result!.mean;
  const { target } = settingBand(setting, state);
  const off = ownOf(setting)(mean) - ownOf(setting)(target);
  const by = formatQuantity(canonical(Math.abs(off), setting.dimension));
  return `${by} ${off > 0 ? 'more' : 'less'} than wanted${setting.outside ? `. ${setting.outside}` : ''}`;
}

/**
 * Of the packs that the drawer can make: the fewest pieces that should come out within the band with the gauge's guard on
 * both sides; when none should, the nearest to what is wanted.
 */
function surest(
  setting: Setting,
  state: BenchState,
  advice: PackAdvice,
): PackAdvice['fromDrawer']['results']['stacks'][number] | undefined {
  const { stacks } = advice.fromDrawer.results;
  const own = ownOf(setting);
  const { band, target } = settingBand(setting, state);
  const guard = own(state.settings[setting.id]?.rounds.at(-1)?.result?.uncertainty ?? canonical(0, setting.dimension));
  const gives = (total: Quantity): number | undefined => {
    const predicted = predict(setting, state, inCanonical(total, 'length'));
    return predicted && own(predicted);
  };
  const sure = stacks.find((s) => {
    const value = gives(s.total);
    return value !== undefined && value - guard >= own(band.low) && value + guard <= own(band.high);
  });
  if (sure) return sure;
  const off = (total: Quantity): number => Math.abs((gives(total) ?? Infinity) - own(target));
  return [...stacks].sort((a, b) => off(a.total) - off(b.total))[0];
}

/** Nothing lies in the drawer: what would be needed is said all the same. */
function emptyDrawer(setting: Setting, state: BenchState): NextTry | undefined {
  const needed = neededPack(setting, state);
  if (!needed) return undefined;
  const cannot = `The drawer ${setting.shims!.drawer} is empty, and ${formatQuantity(needed.needed, 2)} is needed: buy or grind one`;
  const { working, warnings } = needed.forSetting;
  return { say: cannot, cannot, needed: needed.needed, working, warnings };
}

function packTry(setting: Setting, state: BenchState, drawer: readonly DrawerStock[]): NextTry | undefined {
  let advice;
  try {
    if (!drawer.some((d) => d.count > 0)) return emptyDrawer(setting, state);
    advice = advisePack(setting, state, drawer);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    return { say: e.message, cannot: e.message, working: [], warnings: [] };
  }
  if (!advice) return undefined;
  const working = [...advice.forSetting.working, ...advice.fromDrawer.working];
  const { warnings } = advice.forSetting;
  const asked = { id: 'shim-stack', inputs: advice.asked };
  const best = surest(setting, state, advice);
  const size = (q: Quantity): string => formatQuantity(canonical(inCanonical(q, 'length'), 'length'), 2);
  if (!best) {
    const buy = advice.fromDrawer.results.buySize;
    const cannot = `The drawer cannot make ${size(advice.needed)}${buy ? `: buy or grind one of ${size(buy)}` : ''}`;
    return { say: cannot, cannot, needed: advice.needed, working, warnings, asked, uncertainty: advice.uncertainty };
  }
  const predicted = predict(setting, state, inCanonical(best.total, 'length'));
  return {
    say: `Fit ${best.pieces.map((p) => inCanonical(p, 'length').toFixed(2)).join(' + ')} = ${size(best.total)}`,
    move: { kind: 'pack', pieces: best.pieces, total: best.total },
    ...(predicted ? { predicted } : {}),
    uncertainty: advice.uncertainty,
    working,
    warnings,
    asked,
  };
}

/** Slots of castle nuts that a shop may have: common practice. */
const OTHER_SLOTS = [6, 8, 10, 12, 16, 18, 24];

function nutTry(setting: Setting, state: BenchState, school: Extract<School, { kind: 'nut' }>): NextTry {
  const own = ownOf(setting);
  const pitch = inCanonical(school.pitch, 'length');
  const { band, target } = settingBand(setting, state);
  const [low, high, aim] = [own(band.low), own(band.high), own(target)];
  const perDeg = pitch / 360;
  const result = state.settings[setting.id]?.rounds.at(-1)?.result;
  const inputs = {
    threadPitch: school.pitch,
    targetBand: [band.low, band.high],
    ...(school.slots === undefined
      ? { angle: canonical(aim / perDeg, 'angle') }
      : { slots: school.slots, holes: school.holes }),
  };
  const reckoned = nutBackOff.reckon(inputs);
  const asked = { id: nutBackOff.id, inputs };
  if (!result) {
    const share = reckoned.results.share?.value;
    const seat = setting.seat ? `From the seat at ${formatQuantity(setting.seat.to)}, ` : '';
    return {
      say: `${seat}slacken until it just turns free, then back ${deg(aim / perDeg)}${school.slots === undefined ? '' : ', to the nearest hole'}. Lock it, and read`,
      move: { kind: 'turn', turned: canonical(-aim / perDeg, 'angle') },
      working: reckoned.working,
      warnings:
        share !== undefined && share < 100
          ? [`This nut locks inside the band from ${Math.round(share)} % of starts only`, ...reckoned.warnings]
          : reckoned.warnings,
      asked,
    };
  }
  const read = own(result.mean);
  const floatAt = (turnDeg: number): number => read - turnDeg * perDeg;
  const turns =
    school.slots === undefined
      ? [(read - aim) / perDeg]
      : lockingTurns(
          school.slots,
          school.holes.map((h) => inCanonical(h, 'angle')),
        );
  const nearer = (a: number, b: number): number => (Math.abs(floatAt(b) - aim) < Math.abs(floatAt(a) - aim) ? b : a);
  const best = turns.reduce(nearer);
  const gives = floatAt(best);
  const line: WorkingLine = {
    name: 'Float after the turn',
    formula: 'read − turn · P / 360',
    figures: `${read.toFixed(3)} − ${Math.round(best)} × ${formatNumber(pitch)} / 360`,
    value: canonical(gives, setting.dimension),
  };
  const out = {
    predicted: canonical(gives, setting.dimension),
    uncertainty: result.uncertainty,
    working: [...reckoned.working, line],
    asked,
  };
  if (gives < low || gives > high) {
    const step = reckoned.results.step?.value ?? 0;
    // The washer under the nut moves where zero falls by its own thickness: the nut stays in its slot.
    const here = [0, ...turns].reduce(nearer);
    const washer = floatAt(here) - aim;
    const better = OTHER_SLOTS.filter((slots) => slots !== school.slots && lockingShare(school, slots, band) >= 100);
    const cannot =
      `No slot locks inside the band: ${formatNumber(step * perDeg, 3)} mm apart, the nearest gives ${formatNumber(floatAt(here), 3)} mm. ` +
      `A washer ${formatNumber(Math.abs(washer), 2)} mm ${washer > 0 ? 'thicker' : 'thinner'} under the nut can` +
      (better.length > 0 ? `, or a nut of ${better[0]} slots` : '');
    return { say: cannot, cannot, warnings: [], ...out };
  }
  return {
    say: `Turn ${best > 0 ? 'on' : 'back'} ${deg(best)}${school.slots === undefined ? '' : ', to the next hole that lines up'}. Lock it, and read`,
    move: { kind: 'turn', turned: canonical(best, 'angle') },
    warnings: [],
    ...out,
  };
}

/** Turns from one locked position to the others within a turn either way, degrees. */
function lockingTurns(slots: number, holes: readonly number[]): number[] {
  const period = 360 / slots;
  const places = [...new Set(holes.map((h) => ((h % period) + period) % period))];
  const apart = new Set(places.flatMap((a) => places.map((b) => Math.round((b - a) * 1e6) / 1e6)));
  const turns: number[] = [];
  for (let k = -slots; k <= slots; k += 1) for (const a of apart) turns.push(k * period + a);
  return turns.filter((t) => Math.abs(t) > 1e-6);
}

function lockingShare(
  school: Extract<School, { kind: 'nut' }>,
  slots: number,
  band: { readonly low: Quantity; readonly high: Quantity },
): number {
  const { results } = nutBackOff.reckon({
    threadPitch: school.pitch,
    targetBand: [band.low, band.high],
    slots,
    holes: school.holes,
  });
  return results.share?.value ?? 0;
}

function coneTry(setting: Setting, state: BenchState, school: Extract<School, { kind: 'cone' }>): NextTry {
  const own = ownOf(setting);
  const { target } = settingBand(setting, state);
  const tries = turnedTries(state.settings[setting.id], own);
  const last = tries.at(-1);
  if (!last)
    return {
      say: 'Cone in by hand until it touches, then back a quarter turn. Hold it, lock it, and read the play',
      working: [],
      warnings: [],
    };
  const inputs = {
    tries: tries.map((t) => ({ coneTurn: canonical(t.turnDeg, 'angle'), playAfterLock: canonical(t.value, 'length') })),
    threadPitch: school.pitch,
    target,
  };
  const asked = { id: coneAndLocknut.id, inputs };
  let turn: number;
  let working: readonly WorkingLine[] = [];
  let warnings: readonly string[];
  try {
    const reckoned = coneAndLocknut.reckon(inputs);
    turn = inCanonical(reckoned.results.nextConeTurn, 'angle') - last.turnDeg;
    ({ working, warnings } = reckoned);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    turn = last.value > own(target) ? LONGEST_TURN : -LONGEST_TURN;
    warnings = ['The tries lead too far to be trusted: a quarter turn, and read again'];
  }
  turn = Math.max(-LONGEST_TURN, Math.min(LONGEST_TURN, turn));
  if (Math.abs(turn) < LEAST_TURN) turn = LEAST_TURN * (last.value > own(target) ? 1 : -1);
  return {
    say: `Slacken the locknut, cone ${turn > 0 ? 'in' : 'back'} ${flatsWords(turn, school.flats)}. Hold it, lock it, and read`,
    move: { kind: 'turn', turned: canonical(turn, 'angle') },
    working,
    warnings,
    asked,
  };
}

/** "about a quarter of a flat (15°)": what a spanner on the cone sees. */
function flatsWords(turn: number, flats: number): string {
  const share = (Math.abs(turn) * flats) / 360;
  const eighths = Math.round(share * 8);
  const name =
    eighths === 0
      ? 'a hair'
      : eighths % 8 === 0
        ? `${eighths / 8} ${eighths === 8 ? 'flat' : 'flats'}`
        : eighths > 8
          ? `${formatNumber(share, 1)} flats`
          : ['', 'an eighth', 'a quarter', 'three eighths', 'half', 'five eighths', 'three quarters', 'seven eighths'][
              eighths
            ]! + ' of a flat';
  return `about ${name} (${deg(turn)})`;
}

/** How far past or short of the first step a reckoned turn may go. */
const MOST_STEPS = 3;
const LEAST_STEP = 0.2;

function turnTry(setting: Setting, state: BenchState, school: Extract<School, { kind: 'turn' }>): NextTry {
  const own = ownOf(setting);
  const { target } = settingBand(setting, state);
  const first = inCanonical(school.first, 'angle');
  const tries = turnedTries(state.settings[setting.id], own);
  const [before, last] = tries.slice(-2).length === 2 ? tries.slice(-2) : [undefined, tries.at(-1)];
  if (!last)
    return {
      say: 'Nut on by hand until the bearings just touch, turn the shaft ten times, and read the drag',
      working: [],
      warnings: [],
    };
  const off = own(target) - last.value;
  const turned = before ? last.turnDeg - before.turnDeg : 0;
  const slope = before && Math.abs(turned) > 1e-6 ? (last.value - before.value) / turned : 0;
  // Before the bearings bear there is no slope to go by: the sheet's step.
  const wanted = slope > 1e-6 ? off / slope : Math.sign(off) * first;
  const turn = Math.sign(off) * Math.max(LEAST_STEP * first, Math.min(MOST_STEPS * first, Math.abs(wanted)));
  const working: WorkingLine[] =
    slope > 1e-6
      ? [
          {
            name: 'Turn',
            formula: '(wanted − read) / slope of the last two tries',
            figures: `(${own(target).toFixed(3)} − ${last.value.toFixed(3)}) / ${slope.toPrecision(3)}`,
            value: canonical(turn, 'angle'),
          },
        ]
      : [
          {
            name: 'Turn',
            formula: 'first step of the sheet',
            figures: formatQuantity(school.first),
            value: canonical(turn, 'angle'),
          },
        ];
  return {
    say:
      turn > 0
        ? `Turn the nut on ${deg(turn)}. Turn the shaft ten times, and read again`
        : `Too tight: nut back ${formatQuantity(school.backOff)}, turn the shaft, then on again to ${deg(turn)} short of where it was`,
    move: { kind: 'turn', turned: canonical(turn, 'angle') },
    ...(slope > 1e-6 ? { predicted: canonical(last.value + slope * turn, setting.dimension) } : {}),
    working,
    warnings: [],
  };
}

/** Shims are cut to hundredths. */
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

function sidesTry(
  setting: Setting,
  state: BenchState,
  school: Extract<School, { kind: 'sides' }>,
  other: Setting | undefined,
): NextTry | undefined {
  const round = state.settings[setting.id]?.rounds.at(-1);
  const otherResult = other && state.settings[other.id]?.rounds.at(-1)?.result;
  if (!round?.result || (other && !otherResult)) return undefined;
  const { target } = settingBand(setting, state);
  const inputs = {
    measured: round.readings.map((r) => r.value),
    target,
    gearTeeth: school.gearTeeth,
    pinionTeeth: school.pinionTeeth,
    gaugeUncertainty: round.result.uncertainty,
  };
  const reckoned = backlashShim.reckon(inputs);
  const across = round.result.verdict === 'within' ? 0 : inCanonical(reckoned.results.leftShimChange, 'length');
  const working = [...reckoned.working];
  let both = 0;
  if (other && otherResult && otherResult.verdict !== 'within') {
    const wanted = settingBand(other, state).target;
    const per = inCanonical(school.per.gives, other.dimension) / inCanonical(school.per.move, 'length');
    const off = inCanonical(wanted, other.dimension) - inCanonical(otherResult.mean, other.dimension);
    both = off / per;
    working.push({
      name: 'Both packs together',
      formula: '(wanted − read) / what a millimetre does',
      figures: `(${formatQuantity(wanted)} − ${formatQuantity(otherResult.mean)}) / ${formatNumber(per)}`,
      value: canonical(both, 'length'),
    });
  }
  const left = hundredth(across + both / 2);
  // What goes across stays across: the sum is the change of the preload.
  const right = hundredth(hundredth(both) - left);
  const words = (mm: number, side: string): string =>
    mm === 0
      ? `leave the ${side} pack`
      : `${mm > 0 ? 'put' : 'take'} ${formatNumber(Math.abs(mm), 2)} mm ${mm > 0 ? 'in' : 'out of'} the ${side} pack`;
  const text =
    left === right && left !== 0
      ? `${left > 0 ? 'put' : 'take'} ${formatNumber(Math.abs(left), 2)} mm ${left > 0 ? 'in' : 'out of'} both packs`
      : `${words(left, 'left')}, ${words(right, 'right')}`;
  return {
    say: `${text.charAt(0).toUpperCase()}${text.slice(1)}. Turn it a few times, and read both again`,
    move: { kind: 'sides', left: canonical(left, 'length'), right: canonical(right, 'length') },
    working,
    warnings: reckoned.warnings,
    asked: { id: backlashShim.id, inputs },
  };
}

function slideTry(setting: Setting, state: BenchState): NextTry | undefined {
  const result = state.settings[setting.id]?.rounds.at(-1)?.result;
  if (!result) return undefined;
  const { target } = settingBand(setting, state);
  const off = inCanonical(target, 'length') - inCanonical(result.mean, 'length');
  return {
    say: `Slide the collar ${formatNumber(Math.abs(off), 1)} mm further ${off > 0 ? 'in' : 'out'}, and measure again`,
    move: { kind: 'slide', slid: canonical(off, 'length') },
    predicted: target,
    uncertainty: result.uncertainty,
    working: [
      {
        name: 'Slide',
        formula: 'wanted − read',
        figures: `${formatQuantity(target)} − ${formatQuantity(result.mean)}`,
        value: canonical(off, 'length'),
      },
    ],
    warnings: [],
  };
}
