import {
  canonical,
  convert,
  formatNumber as f,
  formatQuantity,
  parseQuantity,
  unitsOf,
} from '../../quantities/index.ts';
import {
  choice,
  defineReckoner,
  list,
  more,
  number,
  optional,
  quantity,
  record,
  ReckonError,
  text,
} from '../shape/index.ts';
import {
  assemblyForceN,
  bearingMean,
  fullThreadMm,
  nutStripForceN,
  strengthOf,
  torquePerForceMm,
} from './bolt-mechanics.ts';
import { propertyClassNames, type PropertyClass } from './tables/property-classes.ts';
import { DOUBTFUL_STRENGTHS, threadMaterialNames, threadMaterials } from './tables/thread-materials.ts';
import { frictionOf, threadStates } from './tables/thread-friction.ts';
import { threadGeometry, type ThreadGeometry } from './thread-geometry.ts';
import { leastMaterial } from './thread-limits.ts';

/** Shares of the torque at yield that part low, plausible and high: common practice. */
export const saneShares = { low: 0.3, high: 0.95 } as const;
/** Units that get mistaken for one another, likeliest first: common practice. */
const CONFUSED: readonly string[] = ['N·m', 'ft·lbf', 'in·lbf', 'kgf·m', 'N·cm', 'kgf·cm'];
/** The commonest class of a machine's screws: what a figure is judged by while nobody has read the head. */
const USUAL_CLASS = '8.8' satisfies PropertyClass;
const LISTED_WHEN_UNKNOWN = [
  '4.6',
  '5.6',
  '5.8',
  '6.8',
  '8.8',
  '9.8',
  '10.9',
  '12.9',
] as const satisfies readonly PropertyClass[];
/** A well oiled thread: the same torque then pulls this much harder (VDI 2230-1 table A5, from memory). */
const LOW_FRICTION = 0.08;
/** Share of the strip force from which an oiled thread is warned of. */
const NEAR_STRIPPING = 0.8;

type SanityVerdict = 'low' | 'plausible' | 'high' | 'past-yield' | 'strips-thread';

/**
 * Is a stated torque believable for its fastener? It is held against the torque at which the fastener would yield
 * (VDI 2230-1 with the friction given), and against the soft thread it goes into.
 */
export const torqueSanity = defineReckoner({
  id: 'torque-sanity',
  title: 'Is this torque believable',
  subject: 'fasteners',
  asks: ['is this torque right', 'wrong unit', 'too tight', 'strip the thread'],
  formula:
    'share = T / T(yield);  low under 30 %, plausible to 95 %, high to 100 %;  strips when F(T) > τ · A of the soft thread',
  sources: [
    'VDI 2230-1; ISO 898-1',
    'soft threads: FED-STD-H28/2B at least material; shear strengths from memory, mild steel and bronze doubtful',
    'limits of the verdicts: common practice',
  ],
  checks: [
    {
      inputs: { thread: 'M8', torque: '24 N·m', propertyClass: '8.8' },
      gives: { verdict: 'plausible' },
      source: 'against VDI 2230-1 table A1: 24.6 N·m',
    },
    {
      inputs: { thread: 'M8', torque: '240 N·m', propertyClass: '8.8' },
      gives: { verdict: 'past-yield' },
      source: 'against VDI 2230-1 table A1: 24.6 N·m',
    },
    {
      // 24.6/0.9 at yield: 40 N·m is 146 % of it; 46.9 at class 12.9
      inputs: { thread: 'M8', torque: '40 N·m' },
      gives: { percentOfYield: '146.5 %', verdict: 'past-yield', believableFor: '12.9' },
      source: 'against VDI 2230-1 table A1, scaled by ISO 898-1 yield stresses',
    },
    {
      inputs: {
        thread: 'M8',
        torque: '25 N·m',
        propertyClass: '8.8',
        softThread: { material: 'aluminium', engagement: '7 mm' },
      },
      // 150 × π × 7.760 × 6/1.25 × 0.8629 = 15.1 kN; 25 N·m pulls 18.9 kN
      gives: { verdict: 'strips-thread' },
      source: 'by hand from FED-STD-H28/2B and ISO 965-1',
    },
  ],
  dangers: {
    'class-unknown': {
      harm: 'A figure for a hard screw is put on a soft one, and it breaks under the hand.',
      fires: { propertyClass: null },
      silent: { propertyClass: '8.8' },
    },
    'range-low': {
      harm: 'The low end of the range leaves the joint loose.',
      fires: { propertyClass: '8.8', torque: null, torqueRange: ['8 N·m', '24 N·m'] },
      silent: { propertyClass: '8.8', torque: null, torqueRange: ['9 N·m', '24 N·m'] },
    },
    'wrong-unit': {
      harm: 'The number is right and the unit is not: the screw breaks, or the wheel comes off.',
      fires: { torque: '24 ft·lbf', propertyClass: '8.8' },
      silent: { torque: '17 ft·lbf', propertyClass: '8.8' },
    },
    'oiled-strips': {
      harm: 'Oil on the thread: the wrench clicks at the same figure and the thread pulls out of the case.',
      fires: { softThread: { material: 'aluminium', engagement: '12.5 mm' } },
      silent: { softThread: { material: 'aluminium', engagement: '16 mm' } },
    },
    'doubtful-strength': {
      harm: 'Mild steel and bronze differ by a fifth between handbooks: a thread is trusted that strips.',
      fires: { softThread: { material: 'bronze', engagement: '20 mm' } },
      silent: { softThread: { material: 'cast-iron', engagement: '20 mm' } },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    torque: optional(quantity('torque', 'Torque', { above: 0 })),
    torqueRange: optional(
      list(quantity('torque', 'Torque', { above: 0 }), 'Torque range', { minLength: 2, maxLength: 2 }),
    ),
    propertyClass: optional(choice(propertyClassNames, 'Property class')),
    threadState: optional(choice(threadStates, 'What is on the thread')),
    frictionThread: more(
      optional(number('Friction in the thread', { above: 0, max: 1, help: '0.12 when nothing is said' })),
    ),
    softThread: optional(
      record(
        {
          material: choice(threadMaterialNames, 'Material of the soft thread'),
          engagement: quantity('length', 'Length of thread engaged', { above: 0, max: 500 }),
        },
        'Soft thread',
      ),
    ),
  },
  outputs: {
    percentOfYield: { label: 'Share of the torque at yield', is: 'percent' },
    verdict: { label: 'Verdict', is: 'word' },
    believableFor: { label: 'Believable for classes', is: 'list', optional: true },
    likelyMistake: { label: 'Likely mistake', is: 'word', optional: true },
  },
  compute(input, work, given) {
    const t = threadGeometry(input.thread, 'thread');
    if ((input.torqueNm === undefined) === (input.torqueRangeNm === undefined)) {
      throw new ReckonError(
        input.torqueNm === undefined ? 'missing-field' : 'inconsistent',
        'torque',
        input.torqueNm ?? null,
        'either torque or torqueRange',
        'torque: give one torque or one torqueRange, not both',
      );
    }
    const [a, b] = input.torqueRangeNm ?? [input.torqueNm!, input.torqueNm!];
    const [lowNm, highNm] = [Math.min(a!, b!), Math.max(a!, b!)];
    const mu = frictionOf(input, work);
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, mu, mu);
    const yieldTorqueNm = (c: PropertyClass): number =>
      (assemblyForceN(t, strengthOf(c, t).rpMPa, mu, 1) * perForce) / 1000;
    const judgeFor =
      (c: PropertyClass) =>
      (nm: number): SanityVerdict => {
        const share = nm / yieldTorqueNm(c);
        if (share > 1) return 'past-yield';
        if (share > saneShares.high) return 'high';
        return share < saneShares.low ? 'low' : 'plausible';
      };

    const reference = input.propertyClass ?? usualClass(t);
    const judge = judgeFor(reference);
    const share = (highNm / yieldTorqueNm(reference)) * 100;
    let believableFor: PropertyClass[] | undefined;
    if (input.propertyClass === undefined) {
      believableFor = definedAt(t).filter((c) => judgeFor(c)(highNm) === 'plausible' && judgeFor(c)(lowNm) !== 'low');
      const classes = believableFor.length > 0 ? believableFor.join(', ') : 'none';
      work.assume('Property class', reference, 'not given: the commonest one');
      work.given('Believable for classes', classes);
      work.warn(
        'class-unknown',
        believableFor.length > 0
          ? `The class is not known: this is believable for ${classes}; the verdict is for ${reference}. Read the head before you pull.`
          : `The class is not known, and no class makes this believable; the verdict is for ${reference}.`,
      );
    }
    work.step(
      'Torque at yield',
      'T = F(ν = 1) × (0.16 P + 0.58 d2 μ + ½ DKm μ)',
      `class ${reference}, μ ${mu}, ${t.designation}`,
      canonical(yieldTorqueNm(reference), 'torque'),
    );
    work.step(
      'Share of yield',
      'T / T(yield)',
      `${f(highNm, 2)} / ${f(yieldTorqueNm(reference), 2)}`,
      canonical(share, 'percent'),
    );

    let verdict = judge(highNm);
    if (verdict === 'plausible' && judge(lowNm) === 'low')
      work.warn('range-low', 'The low end of the range is low for this thread.');
    const soft = input.softThread;
    if (soft) {
      const strip = nutStripForceN(t, soft.engagementMm, threadMaterials[soft.material]);
      const force = (highNm * 1000) / perForce;
      const limits = leastMaterial(t);
      work.step(
        'Thread strips at',
        'τ π d(min) (m − 0.8 P)/P × (P/2 + (d(min) − D2(max))/√3)',
        `${threadMaterials[soft.material]} × π × ${f(limits.boltMajorMm, 3)} × ${f(fullThreadMm(t, soft.engagementMm))}/${f(t.pitchMm)} × (${f(t.pitchMm / 2)} + ${f(limits.boltMajorMm - limits.nutPitchMm, 3)}/√3)`,
        canonical(strip, 'force'),
      );
      work.step(
        'Clamp force at this torque',
        'F = T / (0.16 P + 0.58 d2 μ + ½ DKm μ)',
        `${f(highNm * 1000, 0)} / ${f(perForce, 3)}`,
        canonical(force, 'force'),
      );
      const oiled = (highNm * 1000) / torquePerForceMm(t, bearingMean(t).meanMm, LOW_FRICTION, LOW_FRICTION);
      if (force > strip) verdict = 'strips-thread';
      else if (oiled > NEAR_STRIPPING * strip)
        work.warn(
          'oiled-strips',
          `Oiled (μ ${LOW_FRICTION}) this torque pulls ${f(oiled / 1000, 1)} kN, and the thread strips at ${f(strip / 1000, 1)}: keep it clean and dry, or go by less.`,
        );
      if (DOUBTFUL_STRENGTHS.includes(soft.material))
        work.warn(
          'doubtful-strength',
          `The shear strength of ${soft.material} is doubtful here (handbooks differ by a fifth): leave a margin.`,
        );
    }
    const likelyMistake = verdict === 'plausible' ? undefined : mistakenUnit(typedUnits(given), lowNm, highNm, judge);
    if (likelyMistake) work.warn('wrong-unit', `Perhaps ${likelyMistake}.`);
    return { percentOfYield: canonical(share, 'percent'), verdict, believableFor, likelyMistake };
  },
});

/** Classes that ISO 898-1 defines at this size. */
function definedAt(t: ThreadGeometry): readonly PropertyClass[] {
  return LISTED_WHEN_UNKNOWN.filter((c) => {
    try {
      strengthOf(c, t);
      return true;
    } catch (e) {
      if (e instanceof ReckonError) return false;
      throw e;
    }
  });
}

function usualClass(t: ThreadGeometry): PropertyClass {
  if (definedAt(t).includes(USUAL_CLASS)) return USUAL_CLASS;
  throw new ReckonError(
    'missing-field',
    'propertyClass',
    null,
    'a class',
    `${t.designation} is larger than ISO 898-1 covers: say which class`,
  );
}

/** The units in which the torques were typed: nobody is blamed for one that was not. */
function typedUnits(given: Readonly<Record<string, unknown>>): readonly string[] {
  const range = given['torqueRange'];
  const typed = Array.isArray(range) ? (range as unknown[]) : [given['torque']];
  return [...new Set(typed.map((t) => parseQuantity(t, 'torque').unit))];
}

/** The unit that would make the figure believable: the same number, as it was typed, read in another unit. */
function mistakenUnit(
  typed: readonly string[],
  lowNm: number,
  highNm: number,
  judge: (nm: number) => SanityVerdict,
): string | undefined {
  const factor = (unit: string): number => unitsOf('torque').find((u) => u.symbol === unit)!.factor;
  for (const written of typed) {
    for (const meant of CONFUSED) {
      if (written === meant) continue;
      const scale = factor(meant) / factor(written);
      if (judge(lowNm * scale) === 'plausible' && judge(highNm * scale) === 'plausible') {
        const figure = convert(canonical(highNm, 'torque'), written);
        return `${meant} written as ${written} (${formatQuantity({ value: figure.value, unit: meant })})`;
      }
    }
  }
  return undefined;
}
