const FILLS = ['metal', 'metal-back', 'rubber', 'open'] as const;
const LOOKS = ['on', 'hand', 'worn', 'new'] as const;

/** Ground and line of each look; shape and hatch tell them apart without colour. */
const COLORS: Readonly<Record<(typeof LOOKS)[number], { readonly ground: string; readonly line: string }>> = {
  on: { ground: 'var(--sheet)', line: 'var(--hatch)' },
  hand: { ground: 'var(--brassfill)', line: 'var(--handhatch)' },
  worn: { ground: 'var(--oxidewash)', line: 'var(--oxide)' },
  new: { ground: 'var(--verdwash)', line: 'var(--verd)' },
};

/** Patterns of cut metal: one part one way, what lies round it the other; rubber close, whole things open. */
export function Hatches({ id }: { readonly id: string }): React.JSX.Element {
  return (
    <defs>
      {LOOKS.flatMap((look) =>
        FILLS.map((fill) => (
          <pattern
            key={`${look}-${fill}`}
            id={`${id}-${look}-${fill}`}
            width={fill === 'rubber' ? 3 : 7}
            height={fill === 'rubber' ? 3 : 7}
            patternUnits="userSpaceOnUse"
            patternTransform={`rotate(${fill === 'metal-back' ? -45 : 45})`}
          >
            <rect width="7" height="7" fill={COLORS[look].ground} />
            {fill !== 'open' && (
              <path
                d="M0 0V7"
                stroke={fill === 'rubber' && look === 'on' ? 'var(--ink2)' : COLORS[look].line}
                strokeWidth={fill === 'rubber' ? 1.9 : 1.6}
              />
            )}
          </pattern>
        )),
      )}
    </defs>
  );
}

/** The head of the arrow that shows the way of a part. */
export function ArrowHead({ id }: { readonly id: string }): React.JSX.Element {
  return (
    <defs>
      <marker id={id} markerWidth="5" markerHeight="6" refX="3.4" refY="3" orient="auto">
        <path d="M0.4 0.4L3.8 3L0.4 5.6" fill="none" stroke="var(--brassink)" strokeWidth="1.3" />
      </marker>
    </defs>
  );
}
