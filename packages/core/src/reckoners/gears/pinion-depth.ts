import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, quantity, ReckonError } from '../shape/index.ts';

/** A pinion's figure is a few hundredths; a larger one was read in another unit or from another mark: common practice. */
const MOST_ETCHED_MM = 0.3;
/** A pack that would change by more than this comes of a wrong reading: common practice. */
const MOST_CHANGE_MM = 1;

/**
 * Shim behind (or before) a pinion for the distance that is etched on it. wanted = nominal + etched figure; where a thicker
 * shim moves the pinion in, to the ring gear's axis: shim = now + (checking − wanted); where it moves it out: now − that.
 * Distances from the ring gear's axis to the pinion's face. Common practice.
 */
export const pinionDepth = defineReckoner({
  id: 'pinion-depth',
  title: 'Pinion depth',
  subject: 'gears',
  asks: ['pinion shim', 'etched figure', 'pinion height', 'checking distance', 'setting distance'],
  formula: 'wanted = nominal + etched;  shim = now ± (checking − wanted)',
  sources: ['common practice; the maker’s rule for his own marks comes first'],
  checks: [
    {
      inputs: { nominal: '100 mm', etched: '0.05 mm', checking: '100.20 mm', shimNow: '1.50 mm', thickerMoves: 'in' },
      gives: { wantedDistance: '100.05 mm', shimNeeded: '1.65 mm', change: '0.15 mm' },
      source: 'by hand: 1.50 + (100.20 − 100.05)',
    },
    {
      inputs: { nominal: '100 mm', etched: '-0.05 mm', checking: '100.20 mm', shimNow: '1.50 mm', thickerMoves: 'out' },
      gives: { wantedDistance: '99.95 mm', shimNeeded: '1.25 mm' },
      source: 'by hand: 1.50 − (100.20 − 99.95)',
    },
  ],
  dangers: {
    'no-figure': {
      harm: 'A pinion with a figure is set as if it had none: the pair whines, and breaks its teeth.',
      fires: { etched: null },
      silent: { etched: '0 mm' },
    },
    'figure-too-large': {
      harm: 'A serial number, or thousandths of an inch, is read as hundredths of a millimetre: the pinion stands far off.',
      fires: { etched: '0.31 mm' },
      silent: { etched: '0.30 mm' },
    },
    'large-change': {
      harm: 'The checking distance was read from the wrong face: the pack is out by a millimetre.',
      fires: { checking: '101.06 mm' },
      silent: { checking: '101.05 mm' },
    },
    pattern: {
      harm: 'The reckoned pack is trusted, and the pattern not looked at: the gears are ruined in a day.',
      fires: {},
    },
  },
  inputs: {
    nominal: quantity('length', 'Nominal distance, of the maker', { above: 0, max: 2000 }),
    etched: defaulted(
      quantity('length', 'Figure etched on the pinion', { min: -5, max: 5, help: 'with its sign' }),
      '0 mm',
    ),
    checking: quantity('length', 'Distance measured with the shim now in', { above: 0, max: 2000 }),
    shimNow: quantity('length', 'Shim now in', { min: 0, max: 100 }),
    thickerMoves: choice(['in', 'out'], 'A thicker shim moves the pinion', {
      help: 'in: towards the ring gear’s axis',
    }),
  },
  outputs: {
    shimNeeded: { label: 'Shim needed', is: 'length' },
    change: { label: 'Change', is: 'length' },
    wantedDistance: { label: 'Distance wanted', is: 'length' },
  },
  compute(input, work, given) {
    const wanted = input.nominalMm + input.etchedMm;
    const tooFarOut = input.checkingMm - wanted;
    const change = input.thickerMoves === 'in' ? tooFarOut : -tooFarOut;
    const shim = input.shimNowMm + change;
    work.step(
      'Distance wanted',
      'nominal + etched',
      `${f(input.nominalMm, 3)} + ${f(input.etchedMm, 3)}`,
      canonical(wanted, 'length'),
    );
    work.step(
      'Too far out by',
      'checking − wanted',
      `${f(input.checkingMm, 3)} − ${f(wanted, 3)}`,
      canonical(tooFarOut, 'length'),
    );
    work.step(
      'Change of the shim',
      input.thickerMoves === 'in' ? 'thicker moves in: by as much' : 'thicker moves out: less by as much',
      f(change, 3),
      canonical(change, 'length'),
    );
    work.step('Shim needed', 'now + change', `${f(input.shimNowMm, 3)} + ${f(change, 3)}`, canonical(shim, 'length'));
    if (shim <= 0)
      throw new ReckonError(
        'no-shim-possible',
        'shimNow',
        input.shimNowMm,
        'figures that leave room for a shim',
        `shimNow: the shim would be ${f(shim, 3)} mm: read again, or look which way a thicker one moves the pinion`,
      );
    if (given['etched'] === undefined || given['etched'] === null)
      work.warn(
        'no-figure',
        'No figure was given: clean the end of the pinion and look for one before you believe this.',
      );
    if (Math.abs(input.etchedMm) > MOST_ETCHED_MM)
      work.warn(
        'figure-too-large',
        `${f(input.etchedMm, 2)} mm is large for an etched figure: hundredths of a millimetre, or thousandths of an inch?`,
      );
    if (Math.abs(change) > MOST_CHANGE_MM)
      work.warn(
        'large-change',
        `A change of ${f(change, 2)} mm points to a wrong reading: see from which face the distance is measured.`,
      );
    work.warn('pattern', 'Seat the bearings and read again; then the contact pattern has the last word.');
    return {
      shimNeeded: canonical(shim, 'length'),
      change: canonical(change, 'length'),
      wantedDistance: canonical(wanted, 'length'),
    };
  },
});
