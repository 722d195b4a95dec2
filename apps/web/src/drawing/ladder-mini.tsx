/** The small ladder of the Floor: how far down and up a job is. `progress` 0 to 1; none draws it empty. */
export function LadderMini({ progress }: { readonly progress: number | undefined }): React.JSX.Element {
  const d = 'M24 14V58Q24 72 38 72H98Q112 72 112 58V14';
  const at = markerAt(progress ?? 0);
  return (
    <svg className="mini" viewBox="0 0 136 86" width="136" height="86" aria-hidden="true">
      <path d={d} fill="none" stroke={progress === undefined ? 'var(--line2)' : 'var(--line)'} strokeWidth="7" />
      {progress !== undefined && (
        <>
          <path
            d={d}
            fill="none"
            stroke="var(--verd)"
            strokeWidth="7"
            pathLength={1}
            strokeDasharray={`${progress} 2`}
          />
          <path d={`M${at.x - 9} ${at.y}l9-9 9 9-9 9z`} fill="var(--brassfill)" stroke="var(--ink)" strokeWidth="2" />
        </>
      )}
    </svg>
  );
}

/** A point along the mini ladder's path, with its corners taken square: down 44, round, along 60, round, up 44. */
export function markerAt(progress: number): { x: number; y: number } {
  const corner = 22;
  const lengths = [44, corner, 60, corner, 44];
  let left = Math.min(1, Math.max(0, progress)) * lengths.reduce((a, b) => a + b, 0);
  const legs: ((t: number) => { x: number; y: number })[] = [
    (t) => ({ x: 24, y: 14 + 44 * t }),
    (t) => ({ x: 24 + 14 * t * t, y: 58 + 14 * (1 - (1 - t) ** 2) }),
    (t) => ({ x: 38 + 60 * t, y: 72 }),
    (t) => ({ x: 98 + 14 * (1 - (1 - t) ** 2), y: 72 - 14 * t * t }),
    (t) => ({ x: 112, y: 58 - 44 * t }),
  ];
  for (const [i, length] of lengths.entries()) {
    if (left <= length || i === lengths.length - 1) return legs[i]!(Math.min(1, left / length));
    left -= length;
  }
  return { x: 112, y: 14 };
}
