import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defineReckoner, optional, quantity, ReckonError, text } from '../shape/index.ts';
import { zoneOf, type Zone } from './iso-286.ts';

/** Limits of a hole, a shaft and their fit. ISO 286-1 and -2, to 500 mm. */
export const isoFit = defineReckoner({
  id: 'iso-fit',
  title: 'Fit of hole and shaft',
  subject: 'fits',
  asks: ['H7', 'k6', 'clearance or press', 'bearing seat', 'tolerance'],
  formula: 'clearance = hole − shaft: least from least hole and largest shaft, most from largest hole and least shaft',
  sources: ['ISO 286-1:2010, ISO 286-2:2010 (tables from memory, held to the generating formulas)'],
  checks: [
    {
      inputs: { size: '50 mm', hole: 'H7', shaft: 'k6' },
      gives: { holeUpper: '25 µm', holeLower: '0 µm', shaftUpper: '18 µm', shaftLower: '2 µm', kind: 'transition' },
      source: 'ISO 286-2',
    },
    {
      inputs: { size: '50 mm', shaft: 'p6' },
      gives: { shaftUpper: '42 µm', shaftLower: '26 µm' },
      source: 'ISO 286-2',
    },
    {
      inputs: { size: '25 mm', shaft: 'h6' },
      gives: { shaftUpper: '0 µm', shaftLower: '-13 µm' },
      source: 'ISO 286-2',
    },
    { inputs: { size: '80 mm', hole: 'N7' }, gives: { holeUpper: '-9 µm', holeLower: '-39 µm' }, source: 'ISO 286-2' },
    { inputs: { size: '30 mm', hole: 'P7' }, gives: { holeUpper: '-14 µm', holeLower: '-35 µm' }, source: 'ISO 286-2' },
    {
      inputs: { size: '40 mm', shaft: 'js6' },
      gives: { shaftUpper: '8 µm', shaftLower: '-8 µm' },
      source: 'ISO 286-2',
    },
  ],
  inputs: {
    size: quantity('length', 'Nominal size', { above: 0, max: 500 }),
    hole: optional(text('Hole', { maxLength: 6, help: 'such as H7' })),
    shaft: optional(text('Shaft', { maxLength: 6, help: 'such as k6' })),
  },
  outputs: {
    holeLower: { label: 'Hole, lower deviation', is: 'length', shownIn: 'µm', optional: true },
    holeUpper: { label: 'Hole, upper deviation', is: 'length', shownIn: 'µm', optional: true },
    shaftLower: { label: 'Shaft, lower deviation', is: 'length', shownIn: 'µm', optional: true },
    shaftUpper: { label: 'Shaft, upper deviation', is: 'length', shownIn: 'µm', optional: true },
    clearanceMin: { label: 'Least clearance', is: 'length', shownIn: 'µm', optional: true },
    clearanceMax: { label: 'Most clearance', is: 'length', shownIn: 'µm', optional: true },
    interferenceMin: { label: 'Least interference', is: 'length', shownIn: 'µm', optional: true },
    interferenceMax: { label: 'Most interference', is: 'length', shownIn: 'µm', optional: true },
    kind: { label: 'Fit', is: 'word', optional: true },
  },
  compute({ sizeMm, hole, shaft }, work) {
    if (hole === undefined && shaft === undefined)
      throw new ReckonError('missing-field', 'hole', null, 'a hole, a shaft or both');
    const mm = (um: number): Quantity => canonical(um / 1000, 'length');
    const zone = (code: string, field: 'hole' | 'shaft'): Zone => {
      const z = zoneOf(code, sizeMm, field);
      const name = field === 'hole' ? 'Hole' : 'Shaft';
      work.step(`${name}, upper deviation`, 'ISO 286', `${f(sizeMm)} ${code}`, mm(z.upper));
      work.step(`${name}, lower deviation`, 'ISO 286', `${f(sizeMm)} ${code}`, mm(z.lower));
      if (z.unusual) work.warn(`${code} is not listed at ${f(sizeMm)} mm: it follows from the general rule only.`);
      return z;
    };
    const h = hole === undefined ? undefined : zone(hole, 'hole');
    const s = shaft === undefined ? undefined : zone(shaft, 'shaft');
    const own = {
      holeLower: h && mm(h.lower),
      holeUpper: h && mm(h.upper),
      shaftLower: s && mm(s.lower),
      shaftUpper: s && mm(s.upper),
    };
    const none: Quantity | undefined = undefined;
    if (!h || !s)
      return {
        ...own,
        clearanceMin: none,
        clearanceMax: none,
        interferenceMin: none,
        interferenceMax: none,
        kind: undefined,
      };
    const least = h.lower - s.upper;
    const most = h.upper - s.lower;
    work.step('Least clearance', 'least hole − largest shaft', `${f(h.lower)} − (${f(s.upper)}) µm`, mm(least));
    work.step('Most clearance', 'largest hole − least shaft', `${f(h.upper)} − (${f(s.lower)}) µm`, mm(most));
    const kind = least >= 0 ? 'clearance' : most <= 0 ? 'interference' : 'transition';
    return {
      ...own,
      clearanceMin: least >= 0 ? mm(least) : undefined,
      clearanceMax: most > 0 ? mm(most) : undefined,
      interferenceMin: most <= 0 ? mm(-most) : undefined,
      interferenceMax: least < 0 ? mm(-least) : undefined,
      kind,
    };
  },
});
