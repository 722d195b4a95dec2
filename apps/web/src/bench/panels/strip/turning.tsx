/** Which way a thread turns, drawn: said before the spanner goes on. A left-hand thread cannot be overlooked. */
export function Turning({
  hand,
  loosen,
}: {
  readonly hand: 'left' | 'right';
  readonly loosen?: boolean;
}): React.JSX.Element | null {
  if (hand === 'right') return null;
  const words = loosen ? 'Clockwise to undo' : 'Anticlockwise to tighten';
  // The arrow runs the way the spanner goes.
  const sweep = loosen ? 'M18 44A26 26 0 1 1 50 58' : 'M62 44A26 26 0 1 0 30 58';
  const head = loosen ? 'M50 58l14-2-9 12z' : 'M30 58l-14-2 9 12z';
  return (
    <div className="lefthand">
      <svg width="80" height="80" viewBox="0 0 80 80" aria-hidden="true">
        <path d={sweep} fill="none" stroke="currentColor" strokeWidth="7" />
        <path d={head} fill="currentColor" stroke="currentColor" strokeWidth="3" />
      </svg>
      <span>
        <b>Left-hand thread</b>
        {words}
      </span>
    </div>
  );
}
