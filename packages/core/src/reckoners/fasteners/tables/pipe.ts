/**
 * Parallel pipe threads G, ISO 228-1: outside diameter mm, threads per inch; 55° flanks. From memory.
 */
export const pipeThreads: readonly (readonly [name: string, outsideMm: number, perInch: number])[] = [
  ['G1/16', 7.723, 28],
  ['G1/8', 9.728, 28],
  ['G1/4', 13.157, 19],
  ['G3/8', 16.662, 19],
  ['G1/2', 20.955, 14],
  ['G5/8', 22.911, 14],
  ['G3/4', 26.441, 14],
  ['G7/8', 30.201, 14],
  ['G1', 33.249, 11],
  ['G1 1/8', 37.897, 11],
  ['G1 1/4', 41.91, 11],
  ['G1 1/2', 47.803, 11],
  ['G1 3/4', 53.746, 11],
  ['G2', 59.614, 11],
];
/** Both thread heights of a 55° profile over its pitch: minor diameter = outside − 1.280654 P. */
export const PIPE_DEPTH = 1.280654;
