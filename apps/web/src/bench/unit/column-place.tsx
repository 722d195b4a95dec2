import type { Op } from '@jubb/core/sheet';
import { useRef } from 'react';
import type { Bench } from '../use-bench.ts';
import { MovePlace } from './move-place.tsx';
import { useRoomBelow } from './room-left.ts';

/** Less than this is not worth looking at, more is not needed, px. */
const LEAST = 80;
const MOST = 150;

/** Where on the unit a move is, at the foot of a column of its panel: as high as there is room, and none where there is not. */
export function ColumnPlace({
  bench,
  op,
  width,
}: {
  readonly bench: Bench;
  readonly op: Op;
  /** Of the column, px. */
  readonly width: number;
}): React.JSX.Element {
  const foot = useRef<HTMLDivElement>(null);
  const room = Math.min(MOST, useRoomBelow(foot));
  return <div ref={foot}>{room >= LEAST && <MovePlace bench={bench} op={op} width={width} height={room} />}</div>;
}
