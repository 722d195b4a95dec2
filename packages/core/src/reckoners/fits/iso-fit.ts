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
    {
      inputs: { size: '50 mm', hole: 'H7', shaft: 'u6' },
      gives: { shaftUpper: '86 µm', shaftLower: '70 µm', interferenceMin: '45 µm', kind: 'interference' },
      source: 'ISO 286-2',
    },
    {
      inputs: { size: '40 mm', hole: 'C11', shaft: 'h11' },
      gives: { holeLower: '120 µm', holeUpper: '280 µm', kind: 'clearance' },
      source: 'ISO 286-2',
    },
    {
      inputs: { size: '30 mm', hole: 'ZC9' },
      gives: { holeUpper: '-218 µm', holeLower: '-270 µm' },
      source: 'ISO 286-1 table 3',
    },
  ],
  dangers: {
    'not-listed': {
      harm: 'A zone that no gauge or table knows is ordered: what comes is something else.',
      fires: { hole: 'K9' },
      silent: { hole: 'K8' },
    },
    'may-be-either': {
      harm: 'A fit that may be loose or tight is counted on to be one of them: a ring creeps, or will not go in.',
      fires: { shaft: 'k6' },
      silent: { shaft: 'p6' },
    },
  },
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
      work.step(`${name}, width of IT${z.grade}`, 'ISO 286-1 table 1', f(sizeMm), mm(z.it));
      work.step(`${name}, fundamental deviation`, 'ISO 286-1 tables 2 and 3', `${f(sizeMm)} ${code}`, mm(z.deviation));
      if (z.delta !== 0)
        work.step(`${name}, Δ`, 'ITn − IT(n−1)', `IT${z.grade} − IT${Number(z.grade) - 1}`, mm(z.delta));
      const [nearEnd, farEnd] = nearer(z) === 'upper' ? (['upper', 'lower'] as const) : (['lower', 'upper'] as const);
      work.step(
        `${name}, ${nearEnd} deviation`,
        z.delta === 0 ? 'the fundamental deviation' : 'fundamental deviation + Δ',
        z.delta === 0 ? f(z.deviation) : `${f(z.deviation)} + ${f(z.delta)} µm`,
        mm(z[nearEnd]),
      );
      work.step(
        `${name}, ${farEnd} deviation`,
        farEnd === 'lower' ? 'upper − IT' : 'lower + IT',
        `${f(z[nearEnd])} ${farEnd === 'lower' ? '−' : '+'} ${f(z.it)} µm`,
        mm(z[farEnd]),
      );
      if (z.unusual)
        work.warn('not-listed', `${code} is not listed at ${f(sizeMm)} mm: it follows from the general rule only.`);
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
    if (kind === 'transition')
      work.warn(
        'may-be-either',
        'A transition fit comes out loose or tight: measure both parts before counting on either.',
      );
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

/** The end that the fundamental deviation (with Δ) fixes; the other follows by the width of the grade. */
function nearer(z: Zone): 'upper' | 'lower' {
  return Math.abs(z.deviation + z.delta - z.upper) < 1e-9 ? 'upper' : 'lower';
}
