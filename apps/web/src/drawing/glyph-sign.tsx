/** What a rung of the ladder holds, as a small shape. */
export type Glyph = 'hex' | 'new' | 'set' | 'seal' | 'mark' | 'aid' | 'lead';

/** The signs with what they say: the legend of every ladder. */
export const GLYPHS: readonly (readonly [Glyph, string])[] = [
  ['hex', 'tightened to a figure'],
  ['new', 'a new part goes in'],
  ['set', 'a setting is made'],
  ['seal', 'a seal goes in'],
  ['mark', 'a mark is made and lined up'],
  ['aid', 'an aid is fitted and taken out'],
  ['lead', 'a lead or hose is parted'],
];

/** One sign, drawn about its middle. */
export function GlyphSign({
  glyph,
  x,
  y,
}: {
  readonly glyph: Glyph;
  readonly x: number;
  readonly y: number;
}): React.JSX.Element {
  const shapes: Readonly<Record<Glyph, string>> = {
    hex: `M${x - 8} ${y}l4-7h8l4 7-4 7h-8z`,
    new: `M${x - 6.5} ${y}a6.5 6.5 0 1 1 13 0a6.5 6.5 0 1 1 -13 0`,
    set: `M${x - 8} ${y - 4}h16M${x - 8} ${y}h16M${x - 8} ${y + 4}h16`,
    seal: `M${x - 7} ${y + 7}V${y - 7}H${x + 7}L${x} ${y + 5}`,
    mark: `M${x} ${y - 8}V${y + 8}M${x - 5} ${y - 8}h10M${x - 5} ${y + 8}h10`,
    aid: `M${x - 7} ${y + 6}h14L${x} ${y - 7}z`,
    lead: `M${x - 8} ${y}h5M${x + 3} ${y}h5M${x - 3} ${y - 5}v10M${x + 3} ${y - 5}v10`,
  };
  return (
    <path
      d={shapes[glyph]}
      fill="none"
      stroke="var(--ink2)"
      strokeWidth="2"
      strokeDasharray={glyph === 'new' ? '9 3' : undefined}
    />
  );
}
