import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, more, optional, quantity, ReckonError, text } from '../shape/index.ts';
import { threadGeometry } from './thread-geometry.ts';

/** A bolt that has grown by this share of its stretching length has yielded: the 0.2 % of ISO 898-1's proof stress. */
const YIELDED_SHARE = 0.002;
/** Below this share the growth is within what a micrometre and a burr give: common practice. */
const SOUND_SHARE = 0.0005;

/**
 * How much a bolt stretches under a force: shank and thread as two springs, δ = F/E (l/Ad + l/As); and whether a used bolt
 * has grown too much to be used again. VDI 2230-1 without the resilience of head and nut.
 */
export const boltStretch = defineReckoner({
  id: 'bolt-stretch',
  title: 'How much a bolt stretches',
  subject: 'fasteners',
  asks: ['stretch', 'rod bolt', 'bolt length', 'use the bolt again'],
  formula: 'δ = F/E (l shank/Ad + l thread/As);  set = used length − new length',
  sources: [
    'Hooke; VDI 2230-1, ISO 898-1 stress area',
    '0.2 % as the sign of yield: ISO 898-1; 0.05 %: common practice',
  ],
  checks: [
    {
      inputs: { thread: 'M10', shank: '0 mm', threaded: '80 mm', force: '30 kN' },
      gives: { stretch: '0.202 mm' },
      source: 'by hand: 30000 × 80 / (205000 × 57.99)',
    },
    {
      inputs: {
        thread: 'M10',
        shank: '60 mm',
        threaded: '20 mm',
        force: '30 kN',
        newLength: '100.00 mm',
        usedLength: '100.20 mm',
      },
      gives: { stretch: '0.162 mm', set: '0.20 mm', reusable: 'no' },
      source: 'by hand: 30000/205000 × (60/78.54 + 20/57.99); 0.20 of 80 is 0.25 %',
    },
  ],
  dangers: {
    grown: {
      harm: 'A bolt that has been drawn is used again and lets go: a rod, a wheel or a cap comes off.',
      fires: { newLength: '100 mm', usedLength: '100.16 mm' },
      silent: { newLength: '100 mm', usedLength: '100.03 mm' },
    },
    'near-grown': {
      harm: 'A little growth is put down to the micrometer; the bolt has begun to draw.',
      fires: { newLength: '100 mm', usedLength: '100.05 mm' },
      silent: { newLength: '100 mm', usedLength: '100.04 mm' },
    },
    'past-its-thread': {
      harm: 'A force beyond what any class takes is read as a stretch to tighten to: the bolt breaks.',
      fires: { force: '64 kN' },
      silent: { force: '63 kN' },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    shank: quantity('length', 'Plain shank in the grip', { min: 0, max: 3000 }),
    threaded: quantity('length', 'Free thread in the grip', { min: 0, max: 3000 }),
    force: quantity('force', 'Clamp force', { min: 0, max: 1e8 }),
    shankDiameter: optional(
      quantity('length', 'Diameter of the shank', { above: 0, max: 500, help: 'as the thread, when left out' }),
    ),
    modulus: more(defaulted(quantity('stiffness', 'Stiffness of the bolt', { above: 0, max: 1000 }), '205 GPa')),
    newLength: optional(quantity('length', 'Length when new', { above: 0, max: 5000 })),
    usedLength: optional(quantity('length', 'Length now, loose', { above: 0, max: 5000 })),
  },
  outputs: {
    stretch: { label: 'Stretches by', is: 'length' },
    set: { label: 'Has grown by', is: 'length', optional: true },
    setPercent: { label: 'Of what stretches', is: 'percent', optional: true },
    reusable: { label: 'Use it again', is: 'word', optional: true },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const grip = input.shankMm + input.threadedMm;
    if (grip <= 0)
      throw new ReckonError('out-of-range', 'threaded', input.threadedMm, 'a shank or a thread longer than nothing');
    if ((input.newLengthMm === undefined) !== (input.usedLengthMm === undefined))
      throw new ReckonError(
        'missing-field',
        input.newLengthMm === undefined ? 'newLength' : 'usedLength',
        null,
        'newLength and usedLength together',
      );
    const shankD = input.shankDiameterMm ?? t.nominalMm;
    if (input.shankDiameterMm === undefined && input.shankMm > 0)
      work.assume('Diameter of the shank', canonical(shankD, 'length'), 'as the thread, not given');
    const shankArea = (Math.PI / 4) * shankD ** 2;
    const perArea = input.shankMm / shankArea + input.threadedMm / t.stressAreaMm2;
    const stretch = (input.forceN / (input.modulusGPa * 1000)) * perArea;
    work.given('Stress area As', canonical(t.stressAreaMm2, 'area'));
    work.step(
      'Stretches by',
      'F/E (shank/Ad + thread/As)',
      `${f(input.forceN, 0)}/${f(input.modulusGPa * 1000, 0)} × (${f(input.shankMm)}/${f(shankArea, 2)} + ${f(input.threadedMm)}/${f(t.stressAreaMm2, 2)})`,
      canonical(stretch, 'length'),
    );
    const smallest = input.shankMm > 0 ? Math.min(shankArea, t.stressAreaMm2) : t.stressAreaMm2;
    if (input.forceN / smallest > STRONGEST_RP)
      work.warn(
        'past-its-thread',
        `${f(input.forceN / smallest, 0)} MPa is past the yield of class 12.9: no bolt of this size takes it.`,
      );
    if (input.newLengthMm === undefined || input.usedLengthMm === undefined)
      return { stretch: canonical(stretch, 'length') };
    const set = input.usedLengthMm - input.newLengthMm;
    if (set < -SOUND_SHARE * grip - 0.05)
      throw new ReckonError(
        'inconsistent',
        'usedLength',
        input.usedLengthMm,
        'not shorter than when new',
        'usedLength: shorter than when new: these are not lengths of one bolt',
      );
    const share = set / grip;
    const reusable = share >= YIELDED_SHARE - 1e-9 ? 'no' : share > SOUND_SHARE + 1e-9 ? 'doubtful' : 'yes';
    work.step(
      'Has grown by',
      'used − new',
      `${f(input.usedLengthMm, 3)} − ${f(input.newLengthMm, 3)}`,
      canonical(set, 'length'),
    );
    work.step(
      'Of what stretches',
      'set / (shank + thread)',
      `${f(set, 3)} / ${f(grip)}`,
      canonical(share * 100, 'percent'),
    );
    if (reusable === 'no')
      work.warn('grown', 'It has grown by 0.2 % or more of what stretches: it has yielded. Fit a new one.');
    if (reusable === 'doubtful')
      work.warn(
        'near-grown',
        'It has begun to grow: renew it, unless the maker gives a length up to which it may be used.',
      );
    return {
      stretch: canonical(stretch, 'length'),
      set: canonical(set, 'length'),
      setPercent: canonical(share * 100, 'percent'),
      reusable,
    };
  },
});
/** Yield stress of class 12.9, MPa (ISO 898-1). */
const STRONGEST_RP = 1100;
