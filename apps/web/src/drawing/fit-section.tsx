const INK = 'var(--ink)';

/** A ring over its shaft, with how far it is on: half, home, or held above it warm. */
export function FitSection({
  how,
  half,
}: {
  readonly how: 'press' | 'heat';
  readonly half: boolean;
}): React.JSX.Element {
  const x = half ? 150 : how === 'heat' ? 96 : 214;
  return (
    <svg
      viewBox="0 0 392 170"
      width="100%"
      role="img"
      aria-label={how === 'heat' ? 'The ring drops on warm' : half ? 'Pressed half way' : 'Pressed home'}
    >
      <path d="M60 64H290V56H340V114H290V106H60Z" fill="var(--line2)" stroke={INK} strokeWidth="2" />
      <path
        d={`M${x} 20H${x + 76}V62H${x}ZM${x} 108H${x + 76}V150H${x}Z`}
        fill="var(--brassfill)"
        stroke={INK}
        strokeWidth="2"
      />
      <path d={`M${x - 54} 85H${x - 8}M${x - 8} 85l-14-8v16z`} stroke={INK} strokeWidth="4" fill={INK} />
      {how === 'heat' &&
        [0, 22, 44].map((d) => (
          <path key={d} d={`M${x + 16 + d} 16c-6-6 6-8 0-14`} stroke="var(--oxide)" strokeWidth="2.5" fill="none" />
        ))}
      <text x="315" y="138" fontSize="14" textAnchor="middle">
        shoulder
      </text>
    </svg>
  );
}
