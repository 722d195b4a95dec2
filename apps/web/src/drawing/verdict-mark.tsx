const WORDS = {
  within: 'within',
  outside: 'outside',
  undecided: 'undecided',
  low: 'too low',
  high: 'too high',
} as const;
export type Shown = keyof typeof WORDS;

/** A verdict by shape and word: level bar, broken bar, half bar. */
export function VerdictMark({
  verdict,
  says = WORDS[verdict],
}: {
  readonly verdict: Shown;
  /** Another word for the same shape. */
  readonly says?: string;
}): React.JSX.Element {
  const within = verdict === 'within';
  const broken = verdict === 'outside' || verdict === 'high';
  return (
    <span className={`verdict ${verdict}`}>
      <svg width="28" height="14" aria-hidden="true">
        {within && <rect y="4" width="28" height="6" fill="currentColor" />}
        {broken && <path d="M0 1h12v6H0zM16 7h12v6H16z" fill="currentColor" />}
        {!within && !broken && <path d="M0 4h28v6H0z M14 5.5v3h12.5v-3z" fill="currentColor" fillRule="evenodd" />}
      </svg>
      {says}
    </span>
  );
}
