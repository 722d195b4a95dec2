import type { InstrumentView } from '@jubb/contract';
import type { StandLine } from '../../../stands/use-stand-run.ts';

/** The strip along the foot: the stand, and what it does. */
export function StandFoot({
  stand,
  line,
}: {
  readonly stand: InstrumentView | undefined;
  readonly line: StandLine;
}): React.JSX.Element {
  const on = stand?.connected ?? false;
  const chosen = stand?.faults?.chosen;
  return (
    <footer className="foot">
      <svg width="14" height="14" aria-hidden="true">
        <rect width="14" height="14" fill={on ? 'var(--brassfill)' : 'var(--oxide)'} />
      </svg>
      {stand ? stand.name : 'No stand for this test'}
      <span className="quiet">
        {!stand
          ? 'Type what was read'
          : !on
            ? 'not connected'
            : line.phase === 'running'
              ? `running, ${line.points.length} points`
              : stand.simulated
                ? `simulated${chosen ? `, with ${chosen.replaceAll('-', ' ')} chosen` : ''}`
                : 'ready'}
      </span>
    </footer>
  );
}
