import { instrumentFacts, tighteningState, type Pull, type TighteningState } from '@jubb/core/bench';
import type { Quantity } from '@jubb/core/quantities';
import type { Joint, OpOf } from '@jubb/core/sheet';
import { useState } from 'react';
import type { Bench } from '../../use-bench.ts';
import { useLive, type LiveInstrument } from '../../use-instrument.ts';
import { SampleQueue } from './live-trace-view.tsx';
import type { Rig } from './use-rig.ts';

type TakePull = (
  reading: Quantity,
  how: 'instrument' | 'hand',
  more?: { readonly trace?: Pull['trace']; readonly turnedDeg?: number },
) => void;

/** Pulls of a joint as they are made, and the wrench that they are made with. */
export interface Pulls {
  readonly live: LiveInstrument | undefined;
  readonly pulling: boolean;
  readonly setPulling: (is: boolean) => void;
  readonly queue: SampleQueue;
  /** The line dropped in the middle of a pull: what is told of it. */
  readonly dropped: string | undefined;
  readonly begin: () => void;
  readonly take: TakePull;
}

/** Is the operation done: every fastener, or the stage that it ends with? */
export function isTight(op: OpOf<'tighten'>, { complete, stage }: TighteningState): boolean {
  return complete || (op.through !== undefined && stage > op.through);
}

/**
 * Listens to the wrench and keeps each pull.
 * @param pulled told after a pull that an instrument made
 */
export function usePulls(
  bench: Bench,
  op: OpOf<'tighten'>,
  joint: Joint,
  t: TighteningState,
  rig: Rig,
  pulled: () => void,
): Pulls {
  const [pulling, setPulling] = useState(false);
  const [dropped, setDropped] = useState<string>();
  const [queue] = useState(() => new SampleQueue());
  const { chosen } = rig;
  const take: TakePull = (reading, how, { trace, turnedDeg } = {}) => {
    if (t.bolt === undefined || rig.blocked !== undefined) return;
    bench.giveAndGoOn(
      {
        type: 'pull',
        op: op.id,
        bolt: t.bolt,
        reading,
        rig: rig.given,
        how,
        ...(trace ? { trace } : {}),
        ...(turnedDeg === undefined ? {} : { turnedDeg }),
        ...(how === 'instrument' && chosen ? { instrument: instrumentFacts(chosen) } : {}),
      },
      op.id,
      (after) => isTight(op, tighteningState(joint, after)),
    );
  };
  const live = useLive(chosen, {
    pull: ({ peakNm, trace, turnedDeg }) => {
      setPulling(false);
      take({ value: peakNm, unit: 'N·m' }, 'instrument', { trace, turnedDeg });
      pulled();
    },
    sample: ([deg, nm]) => queue.put([deg, nm * rig.factor]),
    gone: () => {
      if (!pulling || t.bolt === undefined) return;
      setPulling(false);
      const { last } = queue;
      const at = last ? `, at ${last[1].toFixed(1)} N·m after ${Math.round(last[0])}°` : '';
      const words = `The line to ${chosen?.name ?? 'the wrench'} dropped in the middle of fastener ${t.bolt}${at}`;
      setDropped(words);
      // What was read is kept; no pull is made of it.
      bench.give({ type: 'note', text: `${words}. Not counted as a pull.` });
    },
  });
  const begin = (): void => {
    queue.clear();
    setDropped(undefined);
    setPulling(true);
  };
  return { live, pulling, setPulling, queue, dropped, begin, take };
}
