import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, needed, optional, quantity, ReckonError, text } from '../shape/index.ts';
import { stampedSizes } from './stamped.ts';

/**
 * Highest surface speed of a lip, m/s, without pressure, and the run-out that it follows, mm, up to that speed.
 * ISO 6194-1 and handbooks, from memory.
 */
export const lipMaterials = Object.freeze({
  NBR: { limitMPerS: 12, toC: 100 },
  ACM: { limitMPerS: 18, toC: 150 },
  FKM: { limitMPerS: 35, toC: 200 },
  VMQ: { limitMPerS: 32, toC: 180 },
} as const);
/** Pressure that a plain lip bears, bar, up to a surface speed, m/s: DIN 3760, from memory. Past the last: none. */
const PRESSURE_BY_SPEED: readonly (readonly [mPerS: number, bar: number])[] = [
  [2.8, 0.5],
  [3.15, 0.35],
  [5.6, 0.2],
];
const mostPressure = (mPerS: number): number => PRESSURE_BY_SPEED.find(([v]) => mPerS <= v)?.[1] ?? 0;
const CLEAR_OF_GROOVE_MM = 1;

/** Runs of depth, mm, in which the seal is fully in the bore and its lip clear of the old groove. */
export function allowedDepths(
  room: number,
  lipAt: number,
  grooveAt: number | undefined,
): readonly (readonly [number, number])[] {
  if (room < 0) return [];
  if (grooveAt === undefined) return [[0, room]];
  const from = grooveAt - CLEAR_OF_GROOVE_MM - lipAt;
  const to = grooveAt + CLEAR_OF_GROOVE_MM - lipAt;
  const runs: (readonly [number, number])[] = [];
  if (from >= 0) runs.push([0, Math.min(from, room)]);
  if (to <= room) runs.push([Math.max(to, 0), room]);
  return runs;
}

/** Surface speed of a shaft seal against its material, and how deep to set it clear of the old groove. ISO 6194-1. */
export const lipSeal = defineReckoner({
  id: 'lip-seal',
  title: 'Shaft seal: speed and depth',
  subject: 'seals',
  asks: ['how deep does the seal go', 'groove in the shaft', 'seal speed', 'oil seal'],
  formula: 'v = π d n;  depth in [0, bore − width], |depth + lip − groove| ≥ 1 mm',
  sources: [
    'ISO 6194-1 for limits, DIN 3760 for pressure by speed, from memory',
    'a millimetre clear of the old groove: common practice',
  ],
  checks: [
    {
      inputs: {
        shaftDiameter: '60 mm',
        speed: '3000 rpm',
        material: 'NBR',
        grooveAt: '5.5 mm',
        boreDepth: '14 mm',
        sealWidth: '10 mm',
        lipOffset: '5 mm',
      },
      gives: { surfaceSpeed: '9.42 m/s', verdict: 'fit-deeper', fitAt: '1.5 mm' },
      source: 'by hand: π × 0.06 × 50; 5.5 + 1 − 5',
    },
    {
      inputs: { shaftDiameter: '60 mm', speed: '5000 rpm', material: 'NBR' },
      gives: { verdict: 'too-fast' },
      source: 'by hand: 15.7 m/s',
    },
    {
      inputs: { seal: '35-52-7', speed: '3000 rpm', material: 'NBR', boreDepth: '9 mm' },
      gives: { surfaceSpeed: '5.50 m/s', verdict: 'good' },
      source: 'by hand: π × 0.035 × 50',
    },
  ],
  dangers: {
    pressure: {
      harm: 'Pressure behind a plain lip folds it inside out: the oil is gone in a minute.',
      fires: { pressure: '0.3 bar', speed: '1003 rpm' },
      silent: { pressure: '0.3 bar', speed: '1002 rpm' },
    },
    'run-out': {
      harm: 'The lip cannot follow the shaft: the new seal leaks like the old one, and the cause stays.',
      fires: { runout: '0.21 mm' },
      silent: { runout: '0.2 mm' },
    },
    'no-clear-depth': {
      harm: 'A new lip on the old groove leaks from the first turn.',
      fires: { boreDepth: '11 mm', sealWidth: '10 mm', grooveAt: '5.5 mm', lipOffset: '5 mm' },
      silent: { boreDepth: '11.5 mm', sealWidth: '10 mm', grooveAt: '5.5 mm', lipOffset: '5 mm' },
    },
    'too-fast': {
      harm: 'A lip past its speed burns: it hardens, cuts the shaft and lets go.',
      fires: { speed: '3821 rpm' },
      silent: { speed: '3819 rpm' },
    },
  },
  inputs: {
    seal: optional(text('Sizes stamped on the seal', { maxLength: 40, help: 'such as 35-52-7' })),
    shaftDiameter: optional(quantity('length', 'Shaft', { above: 0, max: 2000, help: 'by the seal, when left out' })),
    speed: quantity('speed', 'Speed', { min: 0, max: 200000 }),
    material: choice(['NBR', 'ACM', 'FKM', 'VMQ'], 'Material of the lip'),
    pressure: optional(quantity('pressure', 'Pressure behind it, gauge', { min: 0, max: 1000 })),
    runout: optional(quantity('length', 'Run-out of the shaft', { min: 0, max: 10 })),
    grooveAt: optional(quantity('length', 'Old groove, from the bore’s face', { min: -100, max: 500 })),
    boreDepth: optional(quantity('length', 'Depth of the bore', { above: 0, max: 500 })),
    sealWidth: optional(quantity('length', 'Width of the seal', { above: 0, max: 200 })),
    flushDepth: defaulted(quantity('length', 'Depth it would go to', { min: 0, max: 500 }), '0 mm'),
    lipOffset: optional(quantity('length', 'Lip, from the seal’s outer face', { min: 0, max: 200 })),
  },
  outputs: {
    surfaceSpeed: { label: 'Speed at the lip', is: 'velocity' },
    speedLimit: { label: 'Limit of the material', is: 'velocity' },
    depths: { label: 'Depths allowed', is: 'table', optional: true },
    fitAt: { label: 'Set it at', is: 'length', optional: true },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const stamped = input.seal === undefined ? undefined : stampedSizes(input.seal, 'seal');
    const shaft = needed(input.shaftDiameterMm ?? stamped?.inside, 'shaftDiameter', 'or the sizes of the seal');
    if (stamped)
      work.given('By its stamp', [stamped.inside, stamped.outside, stamped.width].map((v) => f(v ?? 0)).join(' × '));
    const speed = (Math.PI * shaft * input.speedRpm) / 60000;
    const limit = lipMaterials[input.material].limitMPerS;
    work.step(
      'Speed at the lip',
      'π d n',
      `π × ${f(shaft / 1000, 4)} × ${f(input.speedRpm / 60)}`,
      canonical(speed, 'velocity'),
    );
    work.step('Limit', 'of the material', input.material, canonical(limit, 'velocity'));
    const bears = mostPressure(speed);
    if (input.pressureBar !== undefined) {
      work.step(
        'Pressure a plain lip bears',
        'DIN 3760 by surface speed',
        `${f(speed)} m/s`,
        canonical(bears, 'pressure'),
      );
      if (input.pressureBar > bears)
        work.warn(
          'pressure',
          `At ${f(speed)} m/s a plain lip bears ${bears === 0 ? 'no pressure' : `about ${bears} bar`}: find the blocked vent, or take a pressure seal.`,
        );
    }
    if (speed > limit)
      work.warn(
        'too-fast',
        `${f(speed)} m/s is past the ${limit} m/s of ${input.material}: take another material, or a seal that does not rub.`,
      );
    const most = speed < 5 ? 0.3 : speed < 15 ? 0.2 : 0.12;
    if (input.runoutMm !== undefined && input.runoutMm > most)
      work.warn('run-out', `At ${f(speed)} m/s a lip follows about ${most} mm of run-out: find the cause first.`);
    const speeds = { surfaceSpeed: canonical(speed, 'velocity'), speedLimit: canonical(limit, 'velocity') };
    if (input.boreDepthMm === undefined && input.sealWidthMm === undefined && input.grooveAtMm === undefined)
      return { ...speeds, verdict: speed > limit ? 'too-fast' : 'good' };
    const sealWidth = input.sealWidthMm ?? stamped?.width;
    for (const [field, value] of [
      ['boreDepth', input.boreDepthMm],
      ['sealWidth', sealWidth],
    ] as const)
      if (value === undefined) throw new ReckonError('missing-field', field, null, `${field}, to place the seal`);
    const width = sealWidth!;
    const room = input.boreDepthMm! - width;
    const lip = input.lipOffsetMm ?? width / 2;
    if (input.lipOffsetMm === undefined)
      work.assume('Lip, from the outer face', canonical(lip, 'length'), 'half the width, not given');
    if (lip > width) throw new ReckonError('out-of-range', 'lipOffset', lip, `at most the width, ${f(width)} mm`);
    const runs = allowedDepths(room, lip, input.grooveAtMm);
    work.step('Deepest', 'bore − width', `${f(input.boreDepthMm!)} − ${f(width)}`, canonical(room, 'length'));
    if (input.grooveAtMm !== undefined)
      work.step(
        'Lip on the groove at',
        'groove − lip',
        `${f(input.grooveAtMm)} − ${f(lip)}`,
        canonical(input.grooveAtMm - lip, 'length'),
      );
    const q = (v: number): Quantity => canonical(v, 'length');
    const wanted = input.flushDepthMm;
    const within = runs.some(([a, b]) => wanted >= a - 1e-9 && wanted <= b + 1e-9);
    const candidates = runs.flatMap(([a, b]) => [a, b]).sort((x, y) => Math.abs(x - wanted) - Math.abs(y - wanted));
    const fitAt = within ? wanted : candidates[0];
    if (fitAt !== undefined)
      work.step('Set it at', within ? 'as wanted' : 'nearest depth that clears the groove', f(fitAt), q(fitAt));
    const verdict =
      speed > limit
        ? 'too-fast'
        : fitAt === undefined
          ? 'sleeve'
          : within
            ? 'good'
            : fitAt > wanted
              ? 'fit-deeper'
              : 'fit-shallower';
    if (fitAt === undefined)
      work.warn(
        'no-clear-depth',
        'No depth clears the groove with the seal fully in the bore: fit a sleeve, or a seal with its lip elsewhere.',
      );
    return {
      ...speeds,
      depths: runs.map(([a, b]) => ({ from: q(a), to: q(b) })),
      fitAt: fitAt === undefined ? undefined : q(fitAt),
      verdict,
    };
  },
});
