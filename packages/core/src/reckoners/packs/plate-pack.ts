import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { rootSumSquares } from '../metrology/gum.ts';
import { judge } from '../metrology/judge.ts';
import { choice, defineReckoner, list, more, optional, quantity, ReckonError, record } from '../shape/index.ts';

/**
 * Clearance of a clutch or brake pack, the selectable plate that brings it into its band, and the plates that are worn.
 * clearance = depth of the housing − Σ mean thicknesses, or as measured; the selectable plate comes off that.
 */
export const platePack = defineReckoner({
  id: 'plate-pack',
  title: 'Plate pack',
  subject: 'packs',
  asks: ['clutch pack', 'pack clearance', 'steel plate', 'snap ring thickness', 'limited slip'],
  formula: 'clearance = depth − Σ mean thickness − selectable plate',
  sources: ['common practice'],
  checks: [
    {
      inputs: {
        plates: [
          { kind: 'friction', thicknesses: ['2.00 mm', '2.02 mm'], limit: '1.85 mm' },
          { kind: 'steel', thicknesses: ['1.80 mm'] },
          { kind: 'friction', thicknesses: ['1.99 mm', '1.97 mm'], limit: '1.85 mm' },
          { kind: 'steel', thicknesses: ['1.80 mm'] },
        ],
        housingDepth: '12.40 mm',
        target: ['0.8 mm', '1.2 mm'],
        selectable: ['3.4 mm', '3.6 mm', '3.8 mm', '4.0 mm'],
      },
      // 12.40 − (2.01 + 1.80 + 1.98 + 1.80) = 4.81; less 3.8 is 1.01
      gives: { clearance: '1.01 mm', choose: '3.8 mm', verdict: 'within' },
      source: 'by hand',
    },
  ],
  dangers: {
    'no-plate-fits': {
      harm: 'The pack is closed with a plate too thick: the clutch drags and burns.',
      fires: { selectable: ['4.9 mm'] },
      silent: { selectable: ['4.8 mm'] },
    },
    'uneven-plate': {
      harm: 'A taper or bent plate is taken for a thick one: it drags on one side and glazes.',
      fires: { plates: [{ kind: 'friction', thicknesses: ['2.00 mm', '2.11 mm'] }] },
      silent: { plates: [{ kind: 'friction', thicknesses: ['2.00 mm', '2.09 mm'] }] },
    },
    'worn-plate': {
      harm: 'One worn plate among good ones slips: the new ones burn with it.',
      fires: { plates: [{ kind: 'friction', thicknesses: ['1.84 mm'], limit: '1.85 mm' }] },
      silent: { plates: [{ kind: 'friction', thicknesses: ['1.85 mm'], limit: '1.85 mm' }] },
    },
  },
  inputs: {
    plates: list(
      record(
        {
          kind: choice(['friction', 'steel'], 'Kind'),
          thicknesses: list(quantity('length', 'Thickness', { above: 0, max: 100 }), 'Thickness, at several places', {
            maxLength: 20,
          }),
          limit: optional(quantity('length', 'Worn below', { min: 0, max: 100 })),
        },
        'Plate',
      ),
      'Plates',
      { maxLength: 60 },
    ),
    housingDepth: optional(quantity('length', 'Depth of the housing', { above: 0, max: 2000 })),
    measuredClearance: optional(
      quantity('length', 'Clearance measured, without the selectable plate', { min: 0, max: 200 }),
    ),
    target: list(quantity('length', 'Limit', { min: 0, max: 100 }), 'Clearance wanted', { minLength: 2, maxLength: 2 }),
    selectable: optional(
      list(quantity('length', 'Thickness', { above: 0, max: 100 }), 'Selectable plates', { maxLength: 40 }),
    ),
    gaugeUncertainty: more(optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 10 }))),
  },
  outputs: {
    clearance: { label: 'Clearance', is: 'length' },
    uncertainty: { label: 'Uncertainty (k = 2)', is: 'length', optional: true },
    choose: { label: 'Fit the plate of', is: 'length', optional: true },
    worn: { label: 'Worn plates', is: 'table' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    if ((input.housingDepthMm === undefined) === (input.measuredClearanceMm === undefined))
      throw new ReckonError(
        input.housingDepthMm === undefined ? 'missing-field' : 'inconsistent',
        'housingDepth',
        input.housingDepthMm ?? null,
        'either housingDepth or measuredClearance',
      );
    const [low, high] = input.targetMm as readonly [number, number];
    if (low > high) throw new ReckonError('inconsistent', 'target', input.targetMm, 'the lower limit first');
    const means = input.plates.map((p) => p.thicknessesMm.reduce((a, b) => a + b, 0) / p.thicknessesMm.length);
    const stack = means.reduce((a, b) => a + b, 0);
    const open = input.measuredClearanceMm ?? input.housingDepthMm! - stack;
    if (input.housingDepthMm !== undefined) {
      work.step('Stack', 'Σ mean thickness', means.map((m) => f(m, 3)).join(' + '), canonical(stack, 'length'));
      work.step('Room', 'depth − stack', `${f(input.housingDepthMm, 3)} − ${f(stack, 3)}`, canonical(open, 'length'));
    } else work.given('Clearance measured', canonical(open, 'length'));
    if (open < 0)
      throw new ReckonError(
        'inconsistent',
        'housingDepth',
        input.housingDepthMm,
        `more than the stack, ${f(stack, 3)} mm`,
      );
    const middle = (low + high) / 2;
    const choose =
      input.selectableMm &&
      [...input.selectableMm]
        .filter((t) => t <= open)
        .sort((a, b) => Math.abs(open - a - middle) - Math.abs(open - b - middle))[0];
    if (input.selectableMm && choose === undefined)
      work.warn('no-plate-fits', 'Every selectable plate is thicker than the room.');
    const clearance = open - (choose ?? 0);
    work.step(
      'Clearance',
      choose === undefined ? 'as it is' : 'room − selectable plate',
      choose === undefined ? f(open, 3) : `${f(open, 3)} − ${f(choose, 3)}`,
      canonical(clearance, 'length'),
    );
    if (choose !== undefined)
      work.step(
        'Selectable plate',
        'nearest the middle of the band',
        `${f(low)} to ${f(high)} mm`,
        canonical(choose, 'length'),
      );
    const ug = input.gaugeUncertaintyMm;
    const u =
      ug === undefined
        ? 0
        : input.measuredClearanceMm === undefined
          ? rootSumSquares([ug, ...input.plates.map((p) => ug / Math.sqrt(p.thicknessesMm.length))])
          : ug;
    const worn: { plate: number; kind: string; thickness: Quantity; limit: Quantity }[] = [];
    input.plates.forEach((p, i) => {
      const least = Math.min(...p.thicknessesMm);
      if (p.limitMm !== undefined && judge(least, ug ?? 0, { lower: p.limitMm }) !== 'within')
        worn.push({
          plate: i + 1,
          kind: p.kind,
          thickness: canonical(least, 'length'),
          limit: canonical(p.limitMm, 'length'),
        });
      if (Math.max(...p.thicknessesMm) - least > 0.1)
        work.warn(
          'uneven-plate',
          `Plate ${i + 1} varies by ${f(Math.max(...p.thicknessesMm) - least, 3)} mm: it is worn taper, or bent.`,
        );
    });
    if (worn.length > 0)
      work.warn(
        'worn-plate',
        `Worn: ${worn.map((w) => `plate ${w.plate}`).join(', ')}. Renew, and reckon the clearance again.`,
      );
    return {
      clearance: canonical(clearance, 'length'),
      uncertainty: ug === undefined ? undefined : canonical(u, 'length'),
      choose: choose === undefined ? undefined : canonical(choose, 'length'),
      worn,
      verdict: judge(clearance, u, { lower: low, upper: high }),
    };
  },
});
