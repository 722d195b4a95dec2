import type { Pull, TighteningState } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import type { Joint } from '@jubb/core/sheet';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { ClampBand } from './clamp-band.tsx';

/** The stages of a joint, and how many fasteners stand in each. */
export function StageList({ joint, t }: { readonly joint: Joint; readonly t: TighteningState }): React.JSX.Element {
  return (
    <div className="stages">
      {joint.stages.map((s, i) => (
        <div key={s.name} className={i < t.stage ? 'd' : i === t.stage ? 'n' : ''}>
          {s.name}, {formatQuantity(s.to)}
          <b>
            {t.within[i]!.size} of {joint.count}
          </b>
        </div>
      ))}
    </div>
  );
}

/** The last pull with its verdict, and what it clamps with. */
export function LastPull({
  joint,
  last,
}: {
  readonly joint: Joint;
  readonly last: Pull | undefined;
}): React.JSX.Element {
  const stands = last?.void ? undefined : last;
  return (
    <div style={{ minHeight: 24 }}>
      {stands && (
        <div className="d-flex gap-2 align-items-center">
          <span>
            Fastener {stands.bolt}: <b>{formatQuantity(stands.torque, 1)}</b>
          </span>
          <VerdictMark verdict={stands.verdict} />
        </div>
      )}
      <ClampBand joint={joint} last={stands} />
    </div>
  );
}
