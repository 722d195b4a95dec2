import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
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

/** Permissible residual unbalance of a rigid rotor. U = 9549 G m / n. ISO 21940-11. */
export const residualUnbalance = defineReckoner({
  id: 'residual-unbalance',
  title: 'How well it must be balanced',
  subject: 'rotors',
  asks: ['balance grade', 'how much unbalance', 'G 6.3', 'turbo balance limit'],
  formula:
    'U = 9549 · G · m / n  (g·mm, kg, rpm); two planes: in inverse ratio of their distances from the centre of mass',
  sources: ['ISO 21940-11'],
  checks: [
    {
      inputs: { mass: '40 kg', grade: 6.3, speed: '3000 rpm' },
      gives: { permissible: '802 g·mm' },
      source: 'ISO 21940-11',
    },
  ],
  inputs: {
    mass: quantity('mass', 'Mass of the rotor', { above: 0, max: 1e6 }),
    grade: either([number('Grade', { above: 0, max: 4000 }), text('Grade', { maxLength: 12 })], 'Grade G, mm/s'),
    speed: quantity('speed', 'Highest speed in service', { above: 0, max: 1e6 }),
    planes: defaulted(number('Planes', { integer: true, min: 1, max: 2 }), 1),
    split: optional(
      list(quantity('length', 'Distance', { min: 0, max: 1e5 }), 'Planes from the centre of mass', {
        minLength: 2,
        maxLength: 2,
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
      const [a, b] = input.splitMm ?? [1, 1];
      if (a! + b! <= 0) throw new ReckonError('inconsistent', 'split', input.splitMm, 'planes apart from each other');
      if (!input.splitMm) work.assume('Planes', 'equally far from the centre of mass', 'split not given');
      shares = [b! / (a! + b!), a! / (a! + b!)];
    }
    const perPlane = shares.map((s) => canonical(total * s, 'unbalance'));
    shares.forEach((s, i) => work.step(`Plane ${i + 1}`, 'share of the whole', f(s), perPlane[i]!));
    return { permissible: canonical(total, 'unbalance'), perPlane };
  },
});
