import { GlyphSign, type Glyph } from './glyph-sign.tsx';
import type { BenchState } from '@jubb/core/bench';
import { ladderOf, nextMove, stepDone } from '@jubb/core/bench';
import type { LadderStep, Sheet } from '@jubb/core/sheet';
import { useState } from 'react';
import { useKeys } from '../frame/keys.ts';
import { ladderRows } from './ladder-rows.ts';
import { LEADING, nameLines } from './name-lines.ts';

const X0 = 26;
const X1 = 270;
const Y0 = 40;
/** Height there is for the rows at 800 px, and the least that a row may have. */
const ROOM = 470;
const LEAST = 30;
const MOST = 41;

/** What a rung holds, as small shapes. */
export function glyphsOf(sheet: Sheet, steps: readonly LadderStep[]): readonly Glyph[] {
  const out = new Set<Glyph>();
  for (const op of steps.flatMap((s) => s.ops)) {
    if (op.kind === 'tighten') out.add('hex');
    if (op.kind === 'set') out.add('set');
    if (op.kind === 'mark') out.add('mark');
    if (op.kind === 'fit-aid') out.add('aid');
    if (op.kind === 'disconnect') out.add('lead');
    if ((op.kind === 'place' || op.kind === 'press') && op.part && sheet.parts[op.part]?.renew === 'always')
      out.add(sheet.parts[op.part]?.lip ? 'seal' : 'new');
  }
  return [...out];
}

/** The whole ladder as one line: down, along, up, with the place marked. A long one folds what is not at hand. */
export function LadderDrawing({
  sheet,
  state,
  peeked,
  peek,
}: {
  readonly sheet: Sheet;
  readonly state: BenchState;
  /** The step that is looked at beside the move. */
  readonly peeked?: string | undefined;
  readonly peek?: (step: string | undefined) => void;
}): React.JSX.Element {
  const ladder = ladderOf(sheet, state);
  const move = nextMove(sheet, state);
  const now = move.kind === 'op' ? move.step : undefined;
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const peekedRung = ladder.all.find((s) => s.id === peeked)?.rung;
  const rows = ladderRows(
    ladder,
    new Set([...opened, ...(now ? [now.rung] : []), ...(peekedRung ? [peekedRung] : [])]),
  );
  const step = (by: number): void => {
    const at = ladder.all.findIndex((s) => s.id === (peeked ?? now?.id));
    const to = ladder.all[Math.min(ladder.all.length - 1, Math.max(0, at + by))];
    peek?.(to?.id === now?.id ? undefined : to?.id);
  };
  useKeys({ down: () => step(1), up: () => step(-1) });

  const dy = Math.max(LEAST, Math.min(MOST, ROOM / Math.max(1, rows.length)));
  const rowOf = (rung: string): number => rows.findIndex((r) => r.rungs.includes(rung));
  const yOf = (rung: string): number => Y0 + dy * rowOf(rung);
  const yb = Y0 + dy * rows.length + 2;
  const done = (s: LadderStep): boolean => stepDone(s, state);
  const bottomX = (i: number): number => X0 + 62 + (i * (X1 - X0 - 124)) / Math.max(1, ladder.bottom.length - 1);
  const line = `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${X1 - 34}Q${X1} ${yb + 34} ${X1} ${yb}V${Y0}`;
  const travelled =
    now?.side === 'strip'
      ? `M${X0} ${Y0}V${yOf(now.rung)}`
      : now?.side === 'bottom'
        ? `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${bottomX(ladder.bottom.indexOf(now))}`
        : `M${X0} ${Y0}V${yb}Q${X0} ${yb + 34} ${X0 + 34} ${yb + 34}H${X1 - 34}Q${X1} ${yb + 34} ${X1} ${yb}V${now ? yOf(now.rung) : Y0}`;
  const square = (steps: readonly LadderStep[], x: number, y: number): React.JSX.Element | null => {
    const first = steps[0];
    if (!first) return null;
    const all = steps.every(done);
    const some = !all && steps.some(done);
    if (steps.some((s) => s.id === now?.id))
      return (
        <path
          key={first.id}
          d={`M${x - 13} ${y}l13-13 13 13-13 13z`}
          fill="var(--brassfill)"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      );
    return (
      <g key={first.id}>
        <rect
          x={x - 8}
          y={y - 8}
          width="16"
          height="16"
          fill={all ? 'var(--verd)' : 'var(--chalk)'}
          stroke={all ? 'var(--chalk)' : '#6d675a'}
          strokeWidth={all ? 3 : 2}
        />
        {some && <rect x={x - 8} y={y - 8} width="16" height="8" fill="var(--verd)" />}
      </g>
    );
  };
  return (
    <svg
      width="296"
      height={yb + 80}
      role="img"
      aria-label={`Ladder: ${ladder.all.filter(done).length} of ${ladder.all.length} steps done${now ? `, now ${now.side} ${now.title}` : ''}`}
    >
      <text x={X0 - 12} y="20" fontSize="15" fontWeight="700" fill="var(--ink2)">
        Strip
      </text>
      <text x={X1 + 12} y="20" fontSize="15" fontWeight="700" fill="var(--ink2)" textAnchor="end">
        Build
      </text>
      <path d={line} fill="none" stroke="var(--line)" strokeWidth="10" />
      <path d={travelled} fill="none" stroke="var(--verd)" strokeWidth="10" />
      {rows.map((row, i) => {
        const of = (side: 'strip' | 'build'): readonly LadderStep[] =>
          ladder[side].filter((s) => row.rungs.includes(s.rung));
        const [strip, build] = [of('strip'), of('build')];
        const steps = [...strip, ...build];
        const y = Y0 + dy * i;
        const current = now !== undefined && row.rungs.includes(now.rung);
        const looked = peekedRung !== undefined && row.rungs.includes(peekedRung);
        const glyphs = row.folded ? [] : glyphsOf(sheet, steps);
        const room = X1 - X0 - 52 - glyphs.length * 21 - (row.folded ? 44 : 0);
        const side = sideOf(steps);
        const plain = side === undefined ? row.title : row.title.replace(new RegExp(`, ${side}$`), '');
        const name = nameLines(side === undefined ? plain : `${plain}, ${side}`, room);
        return (
          <g
            key={row.key}
            style={{ cursor: 'pointer' }}
            onClick={() => {
              if (row.folded) setOpened(new Set([...opened, row.rungs[0]!]));
              else peek?.((now?.side === 'build' ? build[0] : strip[0])?.id ?? steps[0]?.id);
            }}
          >
            <path
              d={`M${X0 + 12} ${y}H${X1 - 12}`}
              stroke={current ? 'var(--brasswash)' : looked ? 'var(--slatewash)' : 'var(--line2)'}
              strokeWidth={current || looked ? dy - 5 : 1}
            />
            {row.group !== undefined && row.group !== '' && i > 0 && (
              <path d={`M${X0 + 12} ${y - dy / 2}H${X1 - 12}`} stroke="#8b938f" strokeWidth="1" strokeDasharray="2 3" />
            )}
            <text
              fontSize={name.size}
              fontWeight={current ? 740 : row.folded ? 640 : steps.every(done) ? 440 : 560}
              fill={row.folded ? 'var(--ink2)' : 'var(--ink)'}
            >
              {name.lines.map((words, k) => (
                <tspan key={words} x={X0 + 20} y={y + name.size / 3 + (k - (name.lines.length - 1) / 2) * LEADING}>
                  {words}
                </tspan>
              ))}
            </text>
            {row.folded && (
              <text x={X1 - 20} y={y + 5.5} fontSize="15" fontWeight="640" fill="var(--ink2)" textAnchor="end">
                {row.rungs.filter((r) => steps.filter((s) => s.rung === r).every(done)).length}/{row.rungs.length} ▾
              </text>
            )}
            {glyphs.map((g, j) => (
              <GlyphSign key={g} glyph={g} x={X1 - 26 - j * 21} y={y} />
            ))}
            {square(strip, X0, y)}
            {square(build, X1, y)}
          </g>
        );
      })}
      {ladder.bottom.map((s, i) => {
        const x = bottomX(i);
        return (
          <g key={s.id} style={{ cursor: 'pointer' }} onClick={() => peek?.(s.id)}>
            {s.id === now?.id ? (
              <path
                d={`M${x - 13} ${yb + 34}l13-13 13 13-13 13z`}
                fill="var(--brassfill)"
                stroke="var(--ink)"
                strokeWidth="2.5"
              />
            ) : (
              <rect
                x={x - 7}
                y={yb + 27}
                width="14"
                height="14"
                fill={done(s) ? 'var(--verd)' : 'var(--chalk)'}
                stroke={done(s) ? 'var(--chalk)' : '#6d675a'}
                strokeWidth={done(s) ? 3 : 2}
              />
            )}
            <text
              x={x}
              y={yb + 64}
              fontSize="15"
              textAnchor="middle"
              fill="var(--ink)"
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

/** The side that all of a row's steps stand on; a folded row of both sides has none. */
const sideOf = (steps: readonly LadderStep[]): string | undefined =>
  steps.every((s) => s.at === steps[0]?.at) ? steps[0]?.at : undefined;
