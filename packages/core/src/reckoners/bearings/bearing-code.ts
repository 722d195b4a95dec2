import { canonical } from '../../quantities/index.ts';
import { defineReckoner, text } from '../shape/index.ts';
import { outlineOf } from './outline-of.ts';
import { boreOfCode, HEAT_LIMIT_C, kindOfSeries, sharedOutlines, suffixes } from './tables/boundary-dimensions.ts';

/** Sealed and greased for life, whatever the rubber. */
const SEALED = /RS|RZ|DDU|LLU|LLB|2Z|ZZ/;

/** Boundary dimensions of a rolling bearing from its number. ISO 15 dimension plan; ISO 355 for tapers. */
export const bearingCode = defineReckoner({
  id: 'bearing-code',
  title: 'What a bearing number means',
  subject: 'bearings',
  asks: ['which bearing', 'bearing number', 'bearing size', '6205'],
  formula: 'series and bore code; bore: 00 10, 01 12, 02 15, 03 17 mm, from 04 five times the code',
  sources: [
    'ISO 15 (6xx, 60, 62, 63, 64, 69, 72, 73, NU2, NU3), ISO 355 (302, 303, 320, 322): rows from memory',
    'heat limits: common practice',
  ],
  checks: [
    {
      inputs: { designation: '6303' },
      gives: { bore: '17 mm', outsideDiameter: '47 mm', width: '14 mm', kind: 'deep-groove' },
      source: 'ISO 15',
    },
    {
      inputs: { designation: '6205-2RS C3' },
      gives: { bore: '25 mm', outsideDiameter: '52 mm', width: '15 mm', heatLimit: '80 °C' },
      source: 'ISO 15; sealed bearings about 80 °C: common practice',
    },
    {
      inputs: { designation: '6203-2RZ' },
      gives: { bore: '17 mm', heatLimit: '80 °C' },
      source: 'RZ is a rubber seal of low friction: common practice',
    },
    {
      inputs: { designation: '608' },
      gives: { bore: '8 mm', outsideDiameter: '22 mm', width: '7 mm' },
      source: 'ISO 15',
    },
    {
      inputs: { designation: 'NU206' },
      gives: { bore: '30 mm', outsideDiameter: '62 mm', width: '16 mm', kind: 'cylindrical-roller' },
      source: 'ISO 15',
    },
    {
      inputs: { designation: '30205' },
      gives: { bore: '25 mm', outsideDiameter: '52 mm', width: '16.25 mm', kind: 'taper' },
      source: 'ISO 355',
    },
  ],
  dangers: {
    'taper-angle': {
      harm: 'A cup of a steeper angle or another make goes in beside the old cone: the bearing fails in hours.',
      fires: { designation: '30205' },
      silent: { designation: '6205' },
    },
    'sealed-heat': {
      harm: 'A sealed bearing is heated as an open one: its seal and grease are gone before it turns.',
      fires: { designation: '6205-2RZ' },
      silent: { designation: '6205' },
    },
    'contact-side': {
      harm: 'An angular-contact bearing put in the wrong way round carries nothing: the shaft walks out.',
      fires: { designation: '7205' },
      silent: { designation: '6205' },
    },
  },
  inputs: { designation: text('Number on the bearing', { maxLength: 30, find: 'bearing-find' }) },
  outputs: {
    bore: { label: 'Bore', is: 'length' },
    outsideDiameter: { label: 'Outside diameter', is: 'length' },
    width: { label: 'Width', is: 'length' },
    kind: { label: 'Kind', is: 'word' },
    suffixes: { label: 'What stands behind it', is: 'list' },
    heatLimit: { label: 'Heated to fit, no hotter than', is: 'temperature' },
  },
  compute({ designation }, work) {
    const { series, code, row, behind } = outlineOf(designation);
    const kind = code === undefined ? 'deep-groove' : kindOfSeries(series);
    const sealed = SEALED.test(behind);
    const heatLimit = canonical(sealed ? HEAT_LIMIT_C.sealed : HEAT_LIMIT_C.open, 'temperature');
    work.given('Series', series);
    work.step(
      'Bore',
      code === undefined
        ? 'last figure of the number'
        : code < 4
          ? 'code 00 to 03: 10, 12, 15, 17 mm'
          : '5 × bore code',
      code === undefined ? series : code < 4 ? String(code).padStart(2, '0') : `5 × ${code}`,
      canonical(code === undefined ? row.bore : boreOfCode(code), 'length'),
    );
    const table = sharedOutlines[series] ? `outline of series ${sharedOutlines[series].as}` : 'table of the series';
    work.step('Outside diameter', table, designation, canonical(row.outside, 'length'));
    work.step(kind === 'taper' ? 'Width T, mounted' : 'Width', table, designation, canonical(row.width, 'length'));
    work.given('Heated to fit, no hotter than', heatLimit);
    if (sealed)
      work.warn(
        'sealed-heat',
        `Greased for life: no hotter than about ${HEAT_LIMIT_C.sealed} °C, by induction or warm air, never in oil.`,
      );
    if (kind === 'angular-contact')
      work.warn(
        'contact-side',
        'It carries from one side only: note which way the wide shoulder faced, and put it back so.',
      );
    if (kind === 'taper')
      work.warn(
        'taper-angle',
        'A taper bearing’s number may hide a steeper angle or a longer cup: compare the old and the new cup.',
      );
    return {
      bore: canonical(row.bore, 'length'),
      outsideDiameter: canonical(row.outside, 'length'),
      width: canonical(row.width, 'length'),
      kind,
      suffixes: suffixes.filter(([sign]) => sign.test(behind)).map(([, means]) => means),
      heatLimit,
    };
  },
});
