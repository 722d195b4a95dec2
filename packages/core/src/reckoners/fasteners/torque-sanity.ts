import { canonical, convert, formatNumber as f, formatQuantity, unitsOf } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  list,
  number,
  optional,
  quantity,
  record,
  ReckonError,
  text,
} from '../shape/index.ts';
import { assemblyForceN, bearingMean, nutStripForceN, strengthOf, torquePerForceMm } from './bolt-mechanics.ts';
import { propertyClassNames, type PropertyClass } from './tables/property-classes.ts';
import { threadMaterialNames, threadMaterials } from './tables/thread-materials.ts';
import { threadGeometry, type ThreadGeometry } from './thread-geometry.ts';

/** Shares of the torque at yield that part low, plausible and high: common practice. */
export const saneShares = { low: 0.3, high: 0.95 } as const;
/** Units that get mistaken for one another, likeliest first: common practice. */
const CONFUSED = ['N·m', 'ft·lbf', 'in·lbf', 'kgf·m', 'N·cm', 'kgf·cm'] as const;
const JUDGED_AGAINST_WHEN_UNKNOWN = ['4.6', '8.8', '12.9'] as const satisfies readonly PropertyClass[];

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
  sources: ['VDI 2230-1; ISO 898-1', 'limits of the verdicts: common practice'],
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
  ],
  inputs: {
    thread: text('Thread', { maxLength: 30 }),
    torque: optional(quantity('torque', 'Torque', { above: 0 })),
    torqueRange: optional(
      list(quantity('torque', 'Torque', { above: 0 }), 'Torque range', { minLength: 2, maxLength: 2 }),
    ),
    propertyClass: optional(choice(propertyClassNames, 'Property class')),
    frictionThread: defaulted(number('Friction in the thread', { above: 0, max: 1 }), 0.12),
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
    likelyMistake: { label: 'Likely mistake', is: 'word', optional: true },
  },
  compute(input, work) {
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
    const mu = input.frictionThread;
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, mu, mu);
    const yieldTorqueNm = (c: PropertyClass): number =>
      (assemblyForceN(t, strengthOf(c, t).rpMPa, mu, 1) * perForce) / 1000;

    const fits = classesFor(input.propertyClass, t);
    const weakest = yieldTorqueNm(fits[0]!);
    const strongest = yieldTorqueNm(fits.at(-1)!);
    const reference = input.propertyClass ?? fits[Math.floor(fits.length / 2)]!;
    const share = (highNm / yieldTorqueNm(reference)) * 100;
    if (input.propertyClass === undefined) {
      work.assume('Property class', fits.join(', '), 'class not given: judged against the weakest and the strongest');
      work.warn(
        `The class is not known: judged against classes ${fits[0]} to ${fits.at(-1)}; the share of yield is for ${reference}.`,
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

    const judge = (nm: number): SanityVerdict => {
      if (nm > strongest) return 'past-yield';
      if (nm > saneShares.high * strongest) return 'high';
      if (nm < saneShares.low * weakest) return 'low';
      return 'plausible';
    };
    let verdict = judge(highNm);
    if (verdict === 'plausible' && judge(lowNm) === 'low') {
      work.warn('The low end of the range is low for this thread.');
    }
    const soft = input.softThread;
    if (soft) {
      const strip = nutStripForceN(t, soft.engagementMm, threadMaterials[soft.material]);
      const force = (highNm * 1000) / perForce;
      work.step(
        'Thread strips at',
        'τ π d (m/P)(P/2 + (d − d2)/√3)',
        `${threadMaterials[soft.material]} × π × ${f(t.nominalMm)} × ${f(soft.engagementMm)}/${f(t.pitchMm)} × …`,
        canonical(strip, 'force'),
      );
      work.step(
        'Clamp force at this torque',
        'F = T / (0.16 P + 0.58 d2 μ + ½ DKm μ)',
        `${f(highNm * 1000, 0)} / ${f(perForce, 3)}`,
        canonical(force, 'force'),
      );
      if (force > strip) verdict = 'strips-thread';
    }
    const likelyMistake = verdict === 'plausible' ? undefined : mistakenUnit(lowNm, highNm, judge);
    if (likelyMistake) work.warn(`Perhaps ${likelyMistake}.`);
    return { percentOfYield: canonical(share, 'percent'), verdict, likelyMistake };
  },
});

function classesFor(given: PropertyClass | undefined, t: ThreadGeometry): readonly PropertyClass[] {
  if (given !== undefined) return [given];
  const usable = JUDGED_AGAINST_WHEN_UNKNOWN.filter((c) => {
    try {
      strengthOf(c, t);
      return true;
    } catch (e) {
      if (e instanceof ReckonError) return false;
      throw e;
    }
  });
  if (usable.length === 0)
    throw new ReckonError(
      'missing-field',
      'propertyClass',
      null,
      'a class',
      `${t.designation} is larger than ISO 898-1 covers: say which class`,
    );
  return usable;
}

/**
 * The unit that would make the figure believable: the same number read in another unit.
 * Torques come canonical, so each written unit is tried against each meant one, likeliest pair first.
 */
function mistakenUnit(lowNm: number, highNm: number, judge: (nm: number) => SanityVerdict): string | undefined {
  const factor = (unit: string): number => unitsOf('torque').find((u) => u.symbol === unit)!.factor;
  for (const written of CONFUSED) {
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
