import { describe, expect, test } from '@jest/globals';
import { convert, unitsOf, type Quantity } from '@jubb/core/quantities';
import { reckoners, type Field, type Fields } from '@jubb/core/reckoners';
import { renderToStaticMarkup } from 'react-dom/server';
import { splitTyped, type Inputs } from '../inputs.ts';
import { ReckonDrawing } from './reckon-drawing.tsx';

/** The same inputs, every quantity in the last unit of its dimension that is not its own. */
function otherUnits(fields: Fields, inputs: Inputs): Inputs {
  return Object.fromEntries(Object.entries(inputs).map(([name, v]) => [name, inOther(fields[name]!, v)]));
}
function inOther(field: Field, value: unknown): unknown {
  if (field.kind === 'record') return otherUnits(field.fields, value as Inputs);
  if (field.kind === 'list' && Array.isArray(value)) return value.map((v) => inOther(field.of, v));
  if (field.kind !== 'quantity' || typeof value !== 'string') return value;
  const { number, unit } = splitTyped(value, field.dimension);
  const own: Quantity = { value: Number(number), unit };
  const other = unitsOf(field.dimension)
    .map((u) => u.symbol)
    .filter((u) => u !== unit)
    .at(-1);
  if (other === undefined) return value;
  const there = convert(own, other, field.dimension);
  return `${there.value} ${there.unit}`;
}
const markup = (id: string, inputs: Inputs): string =>
  renderToStaticMarkup(
    <ReckonDrawing id={id} inputs={inputs} reckoning={reckoners.find((r) => r.id === id)!.reckon(inputs)} />,
  );
/** Where everything is drawn, to a tenth: the words may name the units as they were typed, the shapes may not move. */
const shapes = (svg: string): string[] =>
  [...svg.matchAll(/ (?:d|x|y|cx|cy|r|width|height|points|transform)="([^"]*)"/g)].map((m) =>
    m[1]!.replace(/-?\d+(?:\.\d+)?(?:e-?\d+)?/g, (n) => {
      const rounded = Number(n).toFixed(1);
      return rounded === '-0.0' ? '0.0' : rounded;
    }),
  );

describe('drawings', () => {
  test.each(reckoners.map((r) => [r.id, r] as const))(
    '%s: says itself in words, and holds no figure that is none',
    (id, r) => {
      for (const { inputs } of r.checks) {
        const svg = markup(id, inputs);
        expect(svg).toMatch(/<svg[^>]* aria-label="[^"]{8,}"/);
        expect(svg).not.toMatch(/NaN|Infinity|undefined/);
      }
    },
  );
  // What is measured against typed text of any kind keeps the unit of that text.
  const ownUnit = ['verdict', 'gauge-choice', 'phase-balance', 'spring-check'];
  test.each(reckoners.filter((r) => !ownUnit.includes(r.id)).map((r) => [r.id, r] as const))(
    '%s: typed in other units, it is the same drawing',
    (id, r) => {
      const { inputs } = r.checks[0];
      expect(shapes(markup(id, otherUnits(r.inputs, inputs)))).toEqual(shapes(markup(id, inputs)));
    },
  );
  test('phases in milliohms and ohms stand beside each other to one scale', () => {
    const [ohms, mixed] = [
      ['0.10 Ω', '0.10 Ω', '0.08 Ω'],
      ['0.10 Ω', '100 mΩ', '80 mΩ'],
    ].map((readings) => shapes(markup('phase-balance', { readings })));
    expect(mixed).toEqual(ohms);
  });
});
