import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defineReckoner, quantity, ReckonError } from '../shape/index.ts';
import { allBearings, type BearingRow } from './tables/boundary-dimensions.ts';

const LISTED = 8;
/** How far a worn or dirty bearing may measure from its outline, mm, and as a share of it: common practice. */
const OFF_MM = 0.35;
const OFF_SHARE = 0.006;
/** Taper widths are read over two rings that may not be seated. */
const OFF_WIDTH_MM = 0.6;

/**
 * Which bearing has this bore, outside and width: every outline of the ISO 15 and ISO 355 tables is held against them.
 * Several kinds share an outline; the deep-groove ball bearing comes first.
 */
export const bearingFind = defineReckoner({
  id: 'bearing-find',
  title: 'Which bearing is this',
  subject: 'bearings',
  asks: ['measured bearing', 'no number on the bearing', 'which bearing', 'bearing by size'],
  formula: 'least of |bore| + |outside| + |width| off each outline of the tables',
  sources: ['ISO 15, ISO 355 (rows from memory)'],
  checks: [
    { inputs: { bore: '30 mm', outside: '62 mm', width: '16 mm' }, gives: { best: '6206' }, source: 'ISO 15' },
    { inputs: { bore: '25 mm', outside: '52 mm', width: '16.25 mm' }, gives: { best: '30205' }, source: 'ISO 355' },
    { inputs: { bore: '8 mm', outside: '22 mm', width: '7 mm' }, gives: { best: '608' }, source: 'ISO 15' },
    { inputs: { bore: '20 mm', outside: '37 mm', width: '9 mm' }, gives: { best: '6904' }, source: 'ISO 15' },
  ],
  dangers: {
    'same-outline': {
      harm: 'A ball bearing is fitted where a roller or an angular-contact one was: it carries half the load, or none of the thrust.',
      fires: {},
      silent: { bore: '25 mm', outside: '52 mm', width: '16.25 mm' },
    },
    'inside-unknown': {
      harm: 'Outline is not all: clearance, cage, seal and grease are others, and the bearing runs hot or seizes.',
      fires: {},
    },
    'nothing-near': {
      harm: 'A special bearing is replaced by the next standard one, with play in its seat.',
      fires: { outside: '64 mm' },
      silent: { outside: '62 mm' },
    },
  },
  inputs: {
    bore: quantity('length', 'Bore', { above: 0, max: 500 }),
    outside: quantity('length', 'Outside', { above: 0, max: 800 }),
    width: quantity('length', 'Width', { above: 0, max: 300 }),
  },
  outputs: {
    best: { label: 'Most likely', is: 'word' },
    candidates: { label: 'Candidates', is: 'table' },
  },
  compute(input, work) {
    if (input.outsideMm <= input.boreMm)
      throw new ReckonError('inconsistent', 'outside', input.outsideMm, `more than the bore, ${f(input.boreMm)} mm`);
    const off = (row: BearingRow): number =>
      Math.abs(row.bore - input.boreMm) + Math.abs(row.outside - input.outsideMm) + Math.abs(row.width - input.widthMm);
    const within = (row: BearingRow): boolean =>
      Math.abs(row.bore - input.boreMm) <= OFF_MM + OFF_SHARE * row.bore &&
      Math.abs(row.outside - input.outsideMm) <= OFF_MM + OFF_SHARE * row.outside &&
      Math.abs(row.width - input.widthMm) <= OFF_WIDTH_MM;
    const all = [...allBearings()].map((b) => ({ ...b, off: off(b.row) })).sort((a, b) => a.off - b.off);
    const near = all.filter((b) => within(b.row)).slice(0, LISTED);
    const best = near[0] ?? all[0]!;
    work.given('Outlines compared', String(all.length));
    work.step(
      'Off the most likely by',
      '|bore| + |outside| + |width|',
      `${best.designation}: ${f(best.row.bore)} × ${f(best.row.outside)} × ${f(best.row.width)}`,
      canonical(best.off, 'length'),
    );
    if (near.length === 0)
      work.warn(
        'nothing-near',
        `No standard bearing of these tables is near: ${best.designation} is the least far. Inch sizes and specials are not in them.`,
      );
    const same = near.filter((b) => b !== best && Math.abs(b.off - best.off) < 1e-9);
    if (same.length > 0)
      work.warn(
        'same-outline',
        `${same.map((b) => b.designation).join(', ')} ${same.length > 1 ? 'have' : 'has'} the same outline: look whether balls or rollers run in it, and whether one shoulder is wider.`,
      );
    work.warn(
      'inside-unknown',
      'The outline says nothing of clearance, cage, seals and grease: read what is left of the number, and ask the maker.',
    );
    return {
      best: best.designation,
      candidates: (near.length > 0 ? near : [best]).map((b): { [k: string]: Quantity | string } => ({
        designation: b.designation,
        kind: b.kind,
        bore: canonical(b.row.bore, 'length'),
        outside: canonical(b.row.outside, 'length'),
        width: canonical(b.row.width, 'length'),
        difference: canonical(b.off, 'length'),
      })),
    };
  },
});
