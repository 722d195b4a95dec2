import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, optional, quantity, ReckonError } from '../shape/index.ts';

/** Clearance that is kept to coil bind, mm: common practice. */
const LEAST_MARGIN_MM = 1;

/**
 * Force of a coil spring as it is fitted and when it is lifted, and how far it then is from coil bind.
 * seat = rate (free − installed); open = rate (free − installed + lift); margin = installed − lift − solid. Hooke.
 */
export const springHeight = defineReckoner({
  id: 'spring-height',
  title: 'Spring at its fitted height',
  subject: 'packs',
  asks: ['installed height', 'seat pressure', 'coil bind', 'valve spring', 'return spring'],
  formula: 'seat = rate (free − installed);  open = rate (free − installed + lift);  margin = installed − lift − solid',
  sources: ['Hooke; straight rate', 'a millimetre to coil bind: common practice'],
  checks: [
    {
      inputs: { free: '48 mm', installed: '40 mm', lift: '10 mm', solid: '26 mm', rate: '25 N/mm' },
      gives: { seatForce: '200 N', openForce: '450 N', coilBindMargin: '4 mm' },
      source: 'by hand: 25 × 8; 25 × 18; 40 − 10 − 26',
    },
  ],
  dangers: {
    'coil-bind': {
      harm: 'The coils meet before the stroke ends: the spring, the valve or its cap breaks and falls in.',
      fires: { solid: '29.1 mm' },
      silent: { solid: '29 mm' },
    },
    'loose-at-rest': {
      harm: 'A spring that is loose at its seat holds nothing: it hammers, and the part it holds jumps out.',
      fires: { installed: '47.9 mm', rate: '25 N/mm', free: '47.9 mm' },
      silent: { installed: '47.8 mm', rate: '25 N/mm', free: '47.9 mm' },
    },
    stored: {
      harm: 'A squeezed spring throws what holds it: an eye or a hand is hit.',
      fires: {},
    },
  },
  inputs: {
    free: quantity('length', 'Free length', { above: 0, max: 5000 }),
    installed: quantity('length', 'Length as fitted', { above: 0, max: 5000 }),
    lift: defaulted(quantity('length', 'Lift or stroke from there', { min: 0, max: 5000 }), '0 mm'),
    solid: optional(quantity('length', 'Length with its coils touching', { above: 0, max: 5000 })),
    rate: quantity('springRate', 'Rate', { above: 0, max: 1e6 }),
  },
  outputs: {
    seatForce: { label: 'Force as fitted', is: 'force' },
    openForce: { label: 'Force at full lift', is: 'force' },
    coilBindMargin: { label: 'Left to coil bind', is: 'length', optional: true },
  },
  compute(input, work) {
    if (input.installedMm > input.freeMm + 1e-9)
      throw new ReckonError(
        'inconsistent',
        'installed',
        input.installedMm,
        `at most the free length, ${f(input.freeMm)} mm`,
      );
    if (input.liftMm >= input.installedMm)
      throw new ReckonError(
        'inconsistent',
        'lift',
        input.liftMm,
        `less than the fitted length, ${f(input.installedMm)} mm`,
      );
    const seat = input.rateNPerMm * (input.freeMm - input.installedMm);
    const open = seat + input.rateNPerMm * input.liftMm;
    work.step(
      'Force as fitted',
      'rate (free − installed)',
      `${f(input.rateNPerMm)} × (${f(input.freeMm)} − ${f(input.installedMm)})`,
      canonical(seat, 'force'),
    );
    work.step(
      'Force at full lift',
      'as fitted + rate × lift',
      `${f(seat)} + ${f(input.rateNPerMm)} × ${f(input.liftMm)}`,
      canonical(open, 'force'),
    );
    let margin: number | undefined;
    if (input.solidMm !== undefined) {
      margin = input.installedMm - input.liftMm - input.solidMm;
      work.step(
        'Left to coil bind',
        'installed − lift − solid',
        `${f(input.installedMm)} − ${f(input.liftMm)} − ${f(input.solidMm)}`,
        canonical(margin, 'length'),
      );
      if (margin < LEAST_MARGIN_MM - 1e-9)
        work.warn(
          'coil-bind',
          margin <= 0
            ? 'The coils touch before the stroke ends: fit it higher, or another spring.'
            : `Only ${f(margin, 2)} mm to coil bind: at least ${LEAST_MARGIN_MM} mm is kept.`,
        );
    }
    if (seat <= 0)
      work.warn('loose-at-rest', 'At its seat the spring is loose: it must be held by some force at rest.');
    work.warn('stored', 'Let it off slowly in the tool that was made for it, with your face out of its line.');
    return {
      seatForce: canonical(seat, 'force'),
      openForce: canonical(open, 'force'),
      coilBindMargin: margin === undefined ? undefined : canonical(margin, 'length'),
    };
  },
});
