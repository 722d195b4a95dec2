import type { BenchState } from '@jubb/core/bench';
import { ladderOf, nextMove, stepDone } from '@jubb/core/bench';
import type { LadderStep, Sheet } from '@jubb/core/sheet';

const X0 = 26;
const X1 = 270;
const Y0 = 40;

type Glyph = 'hex' | 'new' | 'set' | 'seal' | 'mark' | 'aid';
/** What a rung holds, as small shapes. */
export function glyphsOf(sheet: Sheet, steps: readonly LadderStep[]): readonly Glyph[] {
  const out = new Set<Glyph>();
  for (const op of steps.flatMap((s) => s.ops)) {
    if (op.kind === 'tighten') out.add('hex');
    if (op.kind === 'set') out.add('set');
    if (op.kind === 'mark') out.add('mark');
    if (op.kind === 'fit-aid') out.add('aid');
    if ((op.kind === 'place' || op.kind === 'press') && op.part && sheet.parts[op.part]?.renew === 'always')
      out.add(sheet.parts[op.part]?.lip ? 'seal' : 'new');
  }
  return [...out];
}

/** The whole ladder as one line: down, along, up, with the place marked. */
export function LadderDrawing({
  sheet,
  state,
}: {
  readonly sheet: Sheet;
  readonly state: BenchState;
}): React.JSX.Element {
  const ladder = ladderOf(sheet, state);
  const rungs = [...new Set([...ladder.strip.map((s) => s.rung), ...[...ladder.build].reverse().map((s) => s.rung)])];
  const dy = Math.min(41, 470 / Math.max(1, rungs.length));
  const yOf = (rung: string): number => Y0 + dy * rungs.indexOf(rung);
  const yb = Y0 + dy * rungs.length + 2;
  const move = nextMove(sheet, state);
  const now = move.kind === 'op' ? move.step : undefined;
  const done = (s: LadderStep): boolean => stepDone(s, state);
  const bottomX = (i: number): number => X0 + 62 + (i * (X1 - X0 - 124)) / Math.max(1, ladder.bottom.length - 1);
  const line = `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${X1 - 34}Q${X1} ${yb + 34} ${X1} ${yb}V${Y0}`;
  const downTo = now?.side === 'strip' ? yOf(now.rung) : yb;
  const travelled =
    now?.side === 'strip'
      ? `M${X0} ${Y0}V${downTo}`
      : now?.side === 'bottom'
        ? `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${bottomX(ladder.bottom.indexOf(now))}`
        : `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${X1 - 34}Q${X1} ${yb + 34} ${X1} ${yb}V${now ? yOf(now.rung) : Y0}`;
  const square = (s: LadderStep, x: number): React.JSX.Element => {
    const y = yOf(s.rung);
    if (s.id === now?.id)
      return (
        <path key={s.id} d={`M${x - 13} ${y}l13-13 13 13-13 13z`} fill="#e0b03a" stroke="#1d2326" strokeWidth="2.5" />
      );
    return (
      <rect
        key={s.id}
        x={x - 8}
        y={y - 8}
        width="16"
        height="16"
        fill={done(s) ? '#1f6f63' : '#f6f4ee'}
        stroke={done(s) ? '#f6f4ee' : '#6d675a'}
        strokeWidth={done(s) ? 3 : 2}
      />
    );
  };
  return (
    <svg
      width="296"
      height={yb + 80}
      role="img"
      aria-label={`Ladder: ${ladder.all.filter(done).length} of ${ladder.all.length} steps done${now ? `, now ${now.side} ${now.title}` : ''}`}
    >
      <text x={X0 - 12} y="20" fontSize="15" fontWeight="700" fill="#4a5358">
        Strip
      </text>
      <text x={X1 + 12} y="20" fontSize="15" fontWeight="700" fill="#4a5358" textAnchor="end">
        Build
      </text>
      <path d={line} fill="none" stroke="#cdc7b8" strokeWidth="10" />
      <path d={travelled} fill="none" stroke="#1f6f63" strokeWidth="10" />
      {rungs.map((rung) => {
        const steps = [...ladder.strip, ...ladder.build].filter((s) => s.rung === rung);
        const y = yOf(rung);
        const current = now?.rung === rung;
        return (
          <g key={rung}>
            <path
              d={`M${X0 + 12} ${y}H${X1 - 12}`}
              stroke={current ? '#f6e9c4' : '#e4dfd2'}
              strokeWidth={current ? dy - 5 : 1}
            />
            <text
              x={X0 + 22}
              y={y + 5.5}
              fontSize="16"
              fontWeight={current ? 740 : steps.every(done) ? 440 : 560}
              fill="#1d2326"
            >
              {steps[0]?.title}
            </text>
            {glyphsOf(sheet, steps).map((g, i) => (
              <GlyphShape key={g} glyph={g} x={X1 - 28 - i * 23} y={y} />
            ))}
            {steps.map((s) => square(s, s.side === 'strip' ? X0 : X1))}
          </g>
        );
      })}
      {ladder.bottom.map((s, i) => {
        const x = bottomX(i);
        return (
          <g key={s.id}>
            {s.id === now?.id ? (
              <path d={`M${x - 13} ${yb + 34}l13-13 13 13-13 13z`} fill="#e0b03a" stroke="#1d2326" strokeWidth="2.5" />
            ) : (
              <rect
                x={x - 7}
                y={yb + 27}
                width="14"
                height="14"
                fill={done(s) ? '#1f6f63' : '#f6f4ee'}
                stroke={done(s) ? '#f6f4ee' : '#6d675a'}
                strokeWidth={done(s) ? 3 : 2}
              />
            )}
            <text
              x={x}
              y={yb + 64}
              fontSize="15"
              textAnchor="middle"
              fill="#1d2326"
              fontWeight={s.id === now?.id ? 740 : 440}
            >
              {s.title}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function GlyphShape({
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
  };
  return (
    <path
      d={shapes[glyph]}
      fill="none"
      stroke="#4a5358"
      strokeWidth="2"
      strokeDasharray={glyph === 'new' ? '9 3' : undefined}
    />
  );
}
