import { absentParts, jobSheet, unitNow } from '@jubb/core/bench';
import { aboutOp, axesOf, axisWith, unitDrawing, type About, type Asked, type UnitDrawing } from '@jubb/core/shape';
import type { Axis, Op, Sheet } from '@jubb/core/sheet';
import type { Bench } from '../use-bench.ts';

/** What a move is about, and the axis on which that is drawn. */
export interface Shown {
  readonly sheet: Sheet;
  readonly axis: Axis;
  readonly about: About;
}

/** What is listened to or felt of the whole unit: it is drawn as it stands. */
const NOTHING_AT_HAND: About = { parts: new Set() };

/** What the drawing shows of a move, and the axis of it; parts that are not on this unit are left out, but for those that go on now. */
export function shownOf(bench: Bench, op: Op): Shown | undefined {
  const sheet = jobSheet(bench.sheet, bench.state);
  const about = aboutOp(sheet, op) ?? (op.kind === 'look' ? NOTHING_AT_HAND : undefined);
  if (!about) return undefined;
  const absent = new Set([...absentParts(bench.sheet, bench.state)].filter((p) => !about.parts.has(p)));
  const axes = axesOf(sheet, absent);
  const [first] = about.parts;
  const axis = first === undefined ? axes[0] : axisWith(axes, first);
  return axis && { sheet, axis, about };
}

/** The unit as it stands now, with what the move is about at hand. */
export function drawnFor(
  bench: Bench,
  { sheet, axis, about }: Shown,
  frame: Pick<Asked, 'view' | 'width' | 'height' | 'small'>,
): UnitDrawing {
  const now = unitNow(bench.sheet, bench.state);
  return unitDrawing(sheet, {
    ...frame,
    axis,
    off: new Set([...now.parts].filter(([, is]) => is === 'off').map(([part]) => part)),
    hand: about,
    indicator: about.indicator ?? false,
  });
}
