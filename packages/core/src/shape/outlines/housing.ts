import type { Piece, Point } from './piece.ts';
import { profile, type Seat } from './seats.ts';

/** A housing round what lies in it: its bore as its seats are, its outside plain, thicker in the middle. */
export function housingRound(
  seats: readonly Seat[],
  length: number,
  outside: number,
  flange: 'left' | 'right' = 'right',
): readonly Piece[] {
  const bore = profile(seats, 0, length, false);
  const reach = Math.max(...seats.map((s) => s.radius), 1);
  const body = reach * 1.2;
  // What is much wider than its bores has a flange at one end.
  const wide = outside > body * 1.12;
  const [from, to] = [length * 0.68, length * 0.94];
  const outer: readonly Point[] = wide
    ? [
        [length, body],
        [to, body],
        [to, outside],
        [from, outside],
        [from, body],
        [0, body],
      ]
    : [
        [length, outside],
        [0, outside],
      ];
  const turnedOuter = flange === 'right' ? outer : outer.map(([x, r]): Point => [length - x, r]).reverse();
  return [{ kind: 'area', points: [...bore, ...turnedOuter], fill: 'metal-back' }];
}
