import { canonical } from '../../quantities/index.ts';
import { defineReckoner, ReckonError, text } from '../shape/index.ts';
import { boreOfCode, boundaryDimensions, suffixes } from './tables/boundary-dimensions.ts';

const ACCEPTED = `a number such as 6205, 6303-2RS, 30205: series ${Object.keys(boundaryDimensions).join(', ')} and a bore code`;

/** Boundary dimensions of a rolling bearing from its number. ISO 15 dimension plan; ISO 355 for tapers. */
export const bearingCode = defineReckoner({
  id: 'bearing-code',
  title: 'What a bearing number means',
  subject: 'bearings',
  asks: ['which bearing', 'bearing number', 'bearing size', '6205'],
  formula: 'series and bore code; bore: 00 10, 01 12, 02 15, 03 17 mm, from 04 five times the code',
  sources: ['ISO 15 (60, 62, 63, 64), ISO 355 (302, 303, 320, 322): rows from memory'],
  checks: [
    {
      inputs: { designation: '6303' },
      gives: { bore: '17 mm', outsideDiameter: '47 mm', width: '14 mm', kind: 'deep-groove' },
      source: 'ISO 15',
    },
    {
      inputs: { designation: '6205-2RS C3' },
      gives: { bore: '25 mm', outsideDiameter: '52 mm', width: '15 mm' },
      source: 'ISO 15',
    },
    {
      inputs: { designation: '30205' },
      gives: { bore: '25 mm', outsideDiameter: '52 mm', width: '16.25 mm', kind: 'taper' },
      source: 'ISO 355',
    },
  ],
  inputs: { designation: text('Number on the bearing', { maxLength: 30 }) },
  outputs: {
    bore: { label: 'Bore', is: 'length' },
    outsideDiameter: { label: 'Outside diameter', is: 'length' },
    width: { label: 'Width', is: 'length' },
    kind: { label: 'Kind', is: 'word' },
    suffixes: { label: 'What stands behind it', is: 'list' },
  },
  compute({ designation }, work) {
    const read = /^\s*(60|62|63|64|320|302|322|303)[\s-]?(\d\d)\s*([A-Z].*|[-/ ].*)?$/i.exec(designation);
    const code = Number(read?.[2]);
    const row = read && boundaryDimensions[read[1]!]?.get(code);
    if (!read || !row) throw new ReckonError('unknown-bearing', 'designation', designation, ACCEPTED);
    const kind = read[1]!.length === 2 ? 'deep-groove' : 'taper';
    const behind = (read[3] ?? '').toUpperCase();
    work.given('Series', read[1]!);
    work.step(
      'Bore',
      code < 4 ? 'code 00 to 03: 10, 12, 15, 17 mm' : '5 × bore code',
      code < 4 ? read[2]! : `5 × ${code}`,
      canonical(boreOfCode(code), 'length'),
    );
    work.step('Outside diameter', 'table of the series', `${read[1]} ${read[2]}`, canonical(row.outside, 'length'));
    work.step(
      kind === 'taper' ? 'Width T, mounted' : 'Width',
      'table of the series',
      `${read[1]} ${read[2]}`,
      canonical(row.width, 'length'),
    );
    if (kind === 'taper')
      work.warn('A taper bearing’s number may hide a steeper angle or a longer cup: compare the old and the new cup.');
    return {
      bore: canonical(row.bore, 'length'),
      outsideDiameter: canonical(row.outside, 'length'),
      width: canonical(row.width, 'length'),
      kind,
      suffixes: suffixes.filter(([sign]) => sign.test(behind)).map(([, means]) => means),
    };
  },
});
