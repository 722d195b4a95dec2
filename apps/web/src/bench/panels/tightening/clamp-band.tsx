import type { Pull } from '@jubb/core/bench';
import { boltTorque, ReckonError, torqueAngle } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import { scaleLinear } from 'd3';

const W = 200;

/** The clamp force that the last pull stands for, by the friction that is usual, beside where the fastener yields. */
export function ClampBand({
  joint,
  last,
}: {
  readonly joint: Joint;
  readonly last: Pull | undefined;
}): React.JSX.Element | null {
  const band = last && clampOf(joint, last);
  if (!band) return null;
  const x = scaleLinear([0, Math.max(band.yieldKn * 1.05, band.high)], [2, W - 2]);
  const past = band.high > band.yieldKn;
  return (
    <span className="clamp">
      <small>
        clamp {band.low.toFixed(1)} to {band.high.toFixed(1)} kN{past ? ', past yield' : ''}
      </small>
      <svg
        viewBox={`0 0 ${W} 16`}
        width={W}
        height={16}
        role="img"
        aria-label={`Clamp force ${band.low.toFixed(1)} to ${band.high.toFixed(1)} kN; it yields at ${band.yieldKn.toFixed(1)} kN`}
      >
        <path d={`M2 11H${W - 2}`} stroke="var(--ink)" strokeWidth="1.5" />
        <rect
          x={x(band.low)}
          y="5"
          width={Math.max(3, x(band.high) - x(band.low))}
          height="8"
          fill={past ? 'var(--oxide)' : 'var(--verd)'}
        />
        <path d={`M${x(band.yieldKn)} 1V16`} stroke="var(--oxide)" strokeWidth="2.5" strokeDasharray="3 2" />
      </svg>
    </span>
  );
}

function clampOf(joint: Joint, last: Pull): { low: number; high: number; yieldKn: number } | undefined {
  if (joint.propertyClass === undefined) return undefined;
  const { thread, propertyClass } = joint;
  try {
    const r = boltTorque.reckon({ thread, propertyClass, method: 'torque-wrench-measured-friction' }).results;
    const yieldKn = r.yieldForce.value / 1000;
    const stage = joint.stages[last.stage];
    if (stage?.kind === 'angle' && joint.grip && last.turnedDeg !== null) {
      const snug = joint.stages[last.stage - 1]?.to ?? stage.to;
      const turned = torqueAngle.reckon({
        thread,
        propertyClass,
        snugTorque: snug,
        angle: { value: last.turnedDeg, unit: 'deg' },
        gripLength: joint.grip,
      }).results;
      const total = turned.clampTotal.value / 1000;
      return { low: total * 0.9, high: total, yieldKn };
    }
    const share = last.torque.value / r.torque.value;
    return { low: (r.clampLow.value * share) / 1000, high: (r.clampHigh.value * share) / 1000, yieldKn };
  } catch (e) {
    // A thread or class outside the tables has no clamp force to show; the pull itself still counts.
    if (e instanceof ReckonError) return undefined;
    throw e;
  }
}
