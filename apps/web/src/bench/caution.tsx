/** A caution in its own colour, shape and words. */
export function Caution({ say, large = false }: { readonly say: string; readonly large?: boolean }): React.JSX.Element {
  return (
    <div className={`caut ${large ? 'large' : ''}`}>
      <CautionShape />
      <b>{say}</b>
    </div>
  );
}

export function CautionShape(): React.JSX.Element {
  return (
    <svg width="30" height="30" viewBox="0 0 30 30" aria-hidden="true" style={{ flex: 'none' }}>
      <path d="M15 2 28 27H2Z" fill="none" stroke="var(--oxide)" strokeWidth="3" />
      <path d="M15 11v8M15 22v2" stroke="var(--oxide)" strokeWidth="3" />
    </svg>
  );
}
