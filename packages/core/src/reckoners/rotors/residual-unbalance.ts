import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  either,
  list,
  number,
  optional,
  quantity,
  ReckonError,
  text,
} from '../shape/index.ts';

/** Least and most share of the whole in one plane. ISO 21940-11: bearing planes of rotors between and beyond the bearings. */
const BOUNDS = { between: [0.3, 0.7], overhung: [0.3, 1.3] } as const;
/** Faster than this, a coarse grade is somebody's mistake: common practice. */
const FAST_RPM = 30_000;
const COARSE_GRADE = 6.3;

/** Permissible residual unbalance of a rigid rotor. U = 9549 G m / n. ISO 21940-11. */
export const residualUnbalance = defineReckoner({
  id: 'residual-unbalance',
  title: 'How well it must be balanced',
  subject: 'rotors',
  asks: ['balance grade', 'how much unbalance', 'G 6.3', 'turbo balance limit'],
  formula:
    'U = 9549 · G · m / n  (g·mm, kg, rpm); two planes: in inverse ratio of their distances from the centre of mass',
  sources: ['ISO 21940-11; bounds of the planes from memory'],
  checks: [
    {
      inputs: { mass: '40 kg', grade: 6.3, speed: '3000 rpm' },
      gives: { permissible: '802 g·mm' },
      source: 'ISO 21940-11',
    },
    {
      inputs: { mass: '40 kg', grade: 6.3, speed: '3000 rpm', planes: 2, split: ['90 mm', '10 mm'] },
      gives: { 'perPlane.0': '241 g·mm', 'perPlane.1': '561 g·mm' },
      source: 'ISO 21940-11: bounded to 0.3 and 0.7 of 802.1',
    },
    {
      inputs: {
        mass: '1 kg',
        grade: 2.5,
        speed: '10000 rpm',
        planes: 2,
        arrangement: 'overhung',
        split: ['10 mm', '60 mm'],
      },
      gives: { 'perPlane.0': '2.86 g·mm', 'perPlane.1': '0.716 g·mm' },
      source: 'by hand: 2.387 × 60/50, and 10/50 bounded to 0.3',
    },
  ],
  dangers: {
    'split-assumed': {
      harm: 'Half and half is taken where the mass sits near one bearing: that bearing is shaken to pieces within the limit.',
      fires: { planes: 2 },
      silent: { planes: 2, split: ['100 mm', '100 mm'] },
    },
    bounded: {
      harm: 'By the distances alone one plane could be let off almost wholly: the standard bounds its share.',
      fires: { planes: 2, split: ['71 mm', '29 mm'] },
      silent: { planes: 2, split: ['70 mm', '30 mm'] },
    },
    'rigid-only': {
      harm: 'A limit for stiff rotors is used on a shaft that bends: it runs up to its critical speed and breaks.',
      fires: {},
    },
    'grade-coarse': {
      harm: 'A turbo rotor balanced to the grade of a fan rubs its housing and bursts.',
      fires: { speed: '30001 rpm' },
      silent: { speed: '30000 rpm' },
    },
  },
  inputs: {
    mass: quantity('mass', 'Mass of the rotor', { above: 0, max: 1e6 }),
    grade: either([number('Grade', { above: 0, max: 4000 }), text('Grade', { maxLength: 12 })], 'Grade G, mm/s'),
    speed: quantity('speed', 'Highest speed in service', { above: 0, max: 1e6 }),
    planes: defaulted(number('Planes', { integer: true, min: 1, max: 2 }), 1),
    arrangement: defaulted(
      choice(['between', 'overhung'], 'Centre of mass', { help: 'between the bearings, or beyond one of them' }),
      'between',
    ),
    split: optional(
      list(quantity('length', 'Distance', { min: 0, max: 1e5 }), 'Planes (bearings) from the centre of mass', {
        minLength: 2,
        maxLength: 2,
        help: 'overhung: the nearer bearing first',
      }),
    ),
  },
  outputs: {
    permissible: { label: 'Permissible, whole rotor', is: 'unbalance' },
    perPlane: { label: 'In each plane', is: 'list' },
  },
  compute(input, work) {
    const grade =
      typeof input.grade === 'number' ? input.grade : Number(/^\s*G?\s*(\d+(?:\.\d+)?)\s*$/i.exec(input.grade)?.[1]);
    if (!(grade > 0 && grade <= 4000))
      throw new ReckonError('not-a-grade', 'grade', input.grade, 'a grade such as G 6.3 or 6.3');
    const total = (9549 * grade * input.massKg) / input.speedRpm;
    work.step(
      'Permissible',
      '9549 G m / n',
      `9549 × ${f(grade)} × ${f(input.massKg)} / ${f(input.speedRpm)}`,
      canonical(total, 'unbalance'),
    );
    let shares = [1];
    if (input.planes === 2) {
      const overhung = input.arrangement === 'overhung';
      const [a, b] = input.splitMm ?? (overhung ? [1, 3] : [1, 1]);
      if (overhung ? b! <= a! : a! + b! <= 0)
        throw new ReckonError(
          'inconsistent',
          'split',
          input.splitMm,
          overhung ? 'the nearer bearing first, the farther one farther' : 'planes apart from each other',
        );
      if (!input.splitMm) {
        work.assume(
          'Planes',
          overhung ? 'the second three times as far as the first' : 'equally far from the centre of mass',
          'split not given',
        );
        work.warn('split-assumed', 'Where the planes lie was not given: measure them from the centre of mass.');
      }
      // Lever of the centre of mass about the other bearing; beyond both, the nearer one bears more than the whole.
      const apart = overhung ? b! - a! : a! + b!;
      const byLever = [b! / apart, a! / apart];
      const [least, most] = BOUNDS[input.arrangement];
      shares = byLever.map((s) => Math.min(most, Math.max(least, s)));
      byLever.forEach((s, i) =>
        work.step(
          `Plane ${i + 1}, by its lever`,
          overhung ? 'other distance / (farther − nearer)' : 'other distance / both',
          `${f(i === 0 ? b! : a!)} / ${f(apart)}`,
          f(s, 3),
        ),
      );
      if (byLever.some((s) => s < least - 1e-9 || s > most + 1e-9))
        work.warn(
          'bounded',
          `ISO 21940-11 keeps each plane between ${least} and ${most} of the whole: the share by its lever is bounded.`,
        );
    }
    if (grade >= COARSE_GRADE && input.speedRpm > FAST_RPM)
      work.warn(
        'grade-coarse',
        `G ${f(grade)} at ${f(input.speedRpm)} rpm: so fast a rotor has a finer limit of its maker’s.`,
      );
    work.warn('rigid-only', 'For rotors that stay straight: well below the first critical speed.');
    const perPlane = shares.map((s) => canonical(total * s, 'unbalance'));
    shares.forEach((s, i) => work.step(`Plane ${i + 1}`, 'share of the whole', f(s), perPlane[i]!));
    return { permissible: canonical(total, 'unbalance'), perPlane };
  },
});
