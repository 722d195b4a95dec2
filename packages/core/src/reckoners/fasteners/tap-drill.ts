import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, flag, text } from '../shape/index.ts';
import { drillsFor, drillName } from './tables/drills.ts';
import { threadGeometry } from './thread-geometry.ts';

/** Full depth of a 60° thread, both sides, in pitches: what 100 % of engagement means in drill tables. */
const FULL_DEPTH = 1.299038;
/** A hole for a wire insert: the insert's thread begins a quarter of H outside the screw's own size. */
const INSERT_OVER = 0.216506;
const SHALLOW_PERCENT = 62;
const DEEP_PERCENT = 85;
/** ISO 2306 names this drill where two lie equally near. */
const BY_STANDARD: Readonly<Record<string, number>> = { M12: 10.2 };

/**
 * Drill for a tapped hole, d − P, and the standard drill next to it; or the hole for a wire thread insert, d + 0.2165 P.
 * Source: ISO 2306 (d − P); ISO 68-1 profile for the insert.
 */
export const tapDrill = defineReckoner({
  id: 'tap-drill',
  title: 'Drill for a thread',
  subject: 'fasteners',
  asks: ['tapping drill', 'which drill', 'thread insert', 'wire insert', 'repair a thread'],
  formula: 'drill = d − P;  with a wire insert d + 0.2165 P;  engagement = (d − drill)/(1.299 P)',
  sources: ['ISO 2306', 'wire inserts: ISO 68-1 profile; drill sizes from memory'],
  checks: [
    {
      inputs: { thread: 'M8' },
      gives: { drill: '6.75 mm', nearestDrill: '6.8 mm', engagementPercent: '73.9 %' },
      source: 'ISO 2306; by hand (8 − 6.8)/(1.299 × 1.25)',
    },
    { inputs: { thread: 'M12' }, gives: { drill: '10.25 mm', nearestDrill: '10.2 mm' }, source: 'ISO 2306' },
    { inputs: { thread: 'M10' }, gives: { nearestDrill: '8.5 mm' }, source: 'ISO 2306' },
    {
      inputs: { thread: '3/8-16 UNC' },
      gives: { drill: '0.3125 in', nearestDrillName: '5/16 in' },
      source: 'drill tables of handbooks',
    },
    { inputs: { thread: '1/4-20 UNC' }, gives: { nearestDrillName: '#7' }, source: 'drill tables of handbooks' },
    {
      inputs: { thread: 'M8', insert: true },
      gives: { drill: '8.27 mm', nearestDrill: '8.3 mm' },
      source: 'by hand: 8 + 0.2165 × 1.25',
    },
  ],
  dangers: {
    shallow: {
      harm: 'A thread with hardly any depth strips under the first proper pull.',
      fires: { thread: 'M2x0.25' },
      silent: { thread: 'M8' },
    },
    'tap-binds': {
      harm: 'Too small a hole binds the tap: it breaks off in the customer’s housing.',
      fires: { thread: '9/16-18 UNF' },
      silent: { thread: '7/8-14 UNF' },
    },
    insert: {
      harm: 'A hole for an insert is tapped with the ordinary tap: the insert falls through and the housing is lost.',
      fires: { insert: true },
      silent: { insert: false },
    },
    chips: {
      harm: 'Chips in a gearbox or a cylinder cut the seal and the bearing; a tap in a blind hole breaks on them.',
      fires: {},
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    insert: defaulted(flag('For a wire insert'), false),
  },
  outputs: {
    drill: { label: 'Drill', is: 'length' },
    nearestDrill: { label: 'Standard drill', is: 'length' },
    nearestDrillName: { label: 'Called', is: 'word' },
    engagementPercent: { label: 'Depth of thread it leaves', is: 'percent' },
  },
  compute({ thread, insert }, work) {
    const t = threadGeometry(thread, 'thread');
    const major = insert ? t.nominalMm + FULL_DEPTH * t.pitchMm : t.nominalMm;
    const drill = insert ? t.nominalMm + INSERT_OVER * t.pitchMm : t.nominalMm - t.pitchMm;
    const drills = drillsFor(t.system);
    const named = insert ? undefined : BY_STANDARD[t.designation];
    // An insert's hole is never smaller than its profile; a tapped hole takes the nearest, the larger of two.
    const nearest =
      named ??
      (insert
        ? drills.find((d) => d >= drill - 0.02)
        : [...drills].sort((a, b) => Math.abs(a - drill) - Math.abs(b - drill) || b - a)[0]) ??
      drill;
    const percent = ((major - nearest) / (FULL_DEPTH * t.pitchMm)) * 100;
    work.given('Nominal diameter d', canonical(t.nominalMm, 'length'));
    work.given('Pitch P', canonical(t.pitchMm, 'length'));
    work.step(
      'Drill',
      insert ? 'd + 0.2165 P' : 'd − P',
      insert ? `${f(t.nominalMm, 3)} + 0.2165 × ${f(t.pitchMm, 3)}` : `${f(t.nominalMm, 3)} − ${f(t.pitchMm, 3)}`,
      canonical(drill, 'length'),
    );
    work.step(
      'Standard drill',
      named ? 'ISO 2306' : insert ? 'next one up' : 'nearest',
      drillName(nearest, t.system),
      canonical(nearest, 'length'),
    );
    work.step(
      'Depth of thread',
      '(outside of the tap − drill)/(1.299 P)',
      `(${f(major, 3)} − ${f(nearest, 3)})/(1.299 × ${f(t.pitchMm, 3)})`,
      canonical(percent, 'percent'),
    );
    if (percent < SHALLOW_PERCENT)
      work.warn(
        'shallow',
        `Only ${f(percent, 0)} % of the thread is left: take the next drill down where the tap allows.`,
      );
    if (percent > DEEP_PERCENT)
      work.warn('tap-binds', `${f(percent, 0)} % of thread binds a tap: take the next drill up.`);
    if (insert)
      work.warn(
        'insert',
        'An insert has a tap of its own, larger than the screw’s: use that one, and break off the tang.',
      );
    work.warn('chips', 'Grease the tap, hold it square, and get every chip out before anything goes together.');
    return {
      drill: canonical(drill, 'length'),
      nearestDrill: canonical(nearest, 'length'),
      nearestDrillName: drillName(nearest, t.system),
      engagementPercent: canonical(percent, 'percent'),
    };
  },
});
