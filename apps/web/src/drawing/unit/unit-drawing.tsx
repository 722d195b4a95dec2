import { NAME_SIZE, partAt, type DrawnPart, type Piece, type UnitDrawing } from '@jubb/core/shape';
import { useId, useState } from 'react';
import { ArrowHead, Hatches } from './hatches.tsx';

const pathOf = (points: Extract<Piece, { kind: 'area' | 'line' }>['points'], ox: number, oy: number): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${(x - ox).toFixed(1)} ${(y - oy).toFixed(1)}`).join('');

/** One piece, about an origin in px of the frame. */
function Shape({
  piece,
  hatch,
  look,
  origin: [ox, oy],
}: {
  readonly piece: Piece;
  readonly hatch: string;
  readonly look: DrawnPart['look'] | 'worn' | 'new';
  readonly origin: readonly [number, number];
}): React.JSX.Element {
  const fill = piece.kind === 'line' || look === 'off' ? 'none' : `url(#${hatch}-${look}-${piece.fill})`;
  if (piece.kind === 'round')
    return <circle cx={piece.at[0] - ox} cy={piece.at[1] - oy} r={piece.radius} fill={fill} />;
  return (
    <path
      d={pathOf(piece.points, ox, oy) + (piece.kind === 'area' ? 'Z' : '')}
      className={piece.kind === 'line' ? 'pitch' : undefined}
      fill={fill}
    />
  );
}

/** One part: in its place, so that it glides there when it moves. */
function Part({
  part,
  hatch,
  focused,
  selected,
  canPress,
  focus,
  keys,
}: {
  readonly part: DrawnPart;
  readonly hatch: string;
  readonly focused: boolean;
  readonly selected: boolean;
  readonly canPress: boolean;
  readonly focus: () => void;
  readonly keys: (e: React.KeyboardEvent) => void;
}): React.JSX.Element {
  const { box } = part;
  const look = part.worn ? 'worn' : part.new ? 'new' : part.look;
  return (
    <g
      className={`part ${look}${part.guessed ? ' guessed' : ''}`}
      style={{ transform: `translate(${box.x.toFixed(1)}px, ${box.y.toFixed(1)}px)` }}
      data-part={part.part}
      {...(canPress
        ? {
            role: 'button',
            tabIndex: focused ? 0 : -1,
            'aria-label': nameFor(part),
            'aria-pressed': selected,
            onFocus: focus,
            onKeyDown: keys,
          }
        : {})}
    >
      <rect className="reach" x={-4} y={-4} width={box.width + 8} height={box.height + 8} />
      {part.pieces.map((p, i) => (
        <Shape key={i} piece={p} hatch={hatch} look={look} origin={[box.x, box.y]} />
      ))}
    </g>
  );
}

/** What the unit stands on under the press: a face with the ground behind it. */
function Support({ x, from, to, side }: NonNullable<UnitDrawing['support']>): React.JSX.Element {
  const out = side === 'left' ? -1 : 1;
  const at = x + out * 3;
  const ticks = Array.from({ length: Math.max(2, Math.round((to - from) / 9)) }, (_, i) => from + i * 9);
  return (
    <g className="support">
      <path d={`M${at} ${from}V${to}`} />
      <path className="ground" d={ticks.map((y) => `M${at} ${y}l${out * 8} 8`).join('')} />
    </g>
  );
}

const LOOKS: Readonly<Record<DrawnPart['look'], string>> = {
  on: 'on the unit',
  off: 'off',
  hand: 'what the move is about',
};
const nameFor = (p: DrawnPart): string =>
  `${p.title}, ${LOOKS[p.look]}${p.worn ? ', worn' : ''}${p.new ? ', new' : ''}`;

/**
 * The unit, drawn: what is on hatched, what is at hand in brass with the way that it goes, what is off dashed. One stop
 * of the keyboard; the arrows go from part to part.
 */
export function UnitDrawingView({
  drawing,
  title,
  selected,
  select,
}: {
  readonly drawing: UnitDrawing;
  readonly title: string;
  readonly selected?: string | undefined;
  readonly select?: (part: string) => void;
}): React.JSX.Element {
  const id = `unit${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const [at, setAt] = useState<string>();
  const row = [...drawing.parts].sort((a, b) => a.box.x - b.box.x);
  const first = row.find((p) => p.look === 'hand') ?? row[0];
  const current = row.some((p) => p.key === at) ? at : first?.key;
  const arrows = (key: string) => (e: React.KeyboardEvent) => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      select?.(row.find((p) => p.key === key)!.part);
      return;
    }
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    e.preventDefault();
    const next = row[(row.findIndex((p) => p.key === key) + by + row.length) % row.length]!;
    setAt(next.key);
    const svg = e.currentTarget.closest('svg');
    svg?.querySelectorAll<SVGGElement>('g.part')[drawing.parts.findIndex((p) => p.key === next.key)]?.focus();
  };
  /** A press is meant for the part that it meets or comes near; one by a voice or a screen reader for what it names. */
  const pressed = (e: React.MouseEvent<SVGSVGElement>): void => {
    const named = (e.target as Element).closest<SVGGElement>('g.part')?.dataset.part;
    const box = e.currentTarget.getBoundingClientRect();
    const scale = drawing.width / (box.width || drawing.width);
    const met = partAt(drawing, [(e.clientX - box.left) * scale, drawing.top + (e.clientY - box.top) * scale])?.part;
    const part = e.detail === 0 ? named : (met ?? named);
    if (part !== undefined) select?.(part);
  };
  return (
    <>
      {/* The parts take keys; a press anywhere in the drawing picks the one that it is meant for. */}
      <svg
        onClick={select && pressed}
        className="unitdrawing"
        viewBox={`0 ${drawing.top} ${drawing.width} ${drawing.height - drawing.top}`}
        role={select ? 'group' : 'img'}
        aria-label={title}
      >
        <Hatches id={id} />
        <line className="axis" x1={drawing.axis.from} x2={drawing.axis.to} y1={drawing.axis.y} y2={drawing.axis.y} />
        <g className="mate" aria-hidden="true">
          {drawing.mates.flatMap((m) =>
            m.pieces.map((p, i) => <Shape key={`${m.gear} ${i}`} piece={p} hatch={id} look="on" origin={[0, 0]} />),
          )}
        </g>
        {drawing.parts.map((p) => (
          <Part
            key={p.key}
            part={p}
            hatch={id}
            focused={p.key === current}
            selected={selected === p.part}
            canPress={select !== undefined}
            focus={() => setAt(p.key)}
            keys={arrows(p.key)}
          />
        ))}
        <g aria-hidden="true">
          {drawing.labels.map((l) => (
            <g key={l.key} className={l.bold ? 'name bold' : 'name'}>
              <line x1={l.to[0]} x2={l.to[0]} y1={l.y + 5} y2={Math.max(l.y + 5, l.to[1] - 3)} />
              <text x={l.x} y={l.y} textAnchor="middle" fontSize={NAME_SIZE}>
                {l.text}
              </text>
            </g>
          ))}
          {drawing.arrow && (
            <path
              className="way"
              d={`M${drawing.arrow.from.join(' ')}L${drawing.arrow.to.join(' ')}`}
              markerEnd={`url(#${id}-arrow)`}
            />
          )}
          {drawing.support && <Support {...drawing.support} />}
          {drawing.indicator && (
            <g className="dial" transform={`translate(${drawing.indicator[0]} ${drawing.indicator[1]})`}>
              <path d="M0 0H16" />
              <circle cx="29" cy="0" r="13" />
              <path d="M29 0L36 -7" />
            </g>
          )}
          {drawing.spans.map((s) => (
            <g key={s.says} className={`span ${s.says}`}>
              <path
                d={`M${s.from} ${drawing.height - 24}v8M${s.from} ${drawing.height - 20}H${s.to}M${s.to} ${drawing.height - 24}v8`}
              />
              {s.to - s.from > 80 && (
                <text x={s.from + 6} y={drawing.height - 4} fontSize={NAME_SIZE}>
                  {s.says === 'on'
                    ? 'on the unit'
                    : s.to - s.from > 240
                      ? 'off, in this order and this way round'
                      : 'off'}
                </text>
              )}
            </g>
          ))}
        </g>
        <ArrowHead id={`${id}-arrow`} />
      </svg>
      {/* The row for those who do not see it, left to right. */}
      <ul className="visually-hidden" aria-label={`${title}, as a list`}>
        {drawing.says.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </>
  );
}
