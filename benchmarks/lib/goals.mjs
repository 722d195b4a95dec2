// What a benchmark is held to: told line by line, and a miss is the part's exit code, so that the run can sum its misses up.

/**
 * Tells how something did against its goal.
 * @param what what was measured
 * @param got what came of it, in words
 * @param goal what is asked, in words
 * @param ok was it reached?
 */
export function held(what, got, goal, ok) {
  if (!ok) process.exitCode = 1;
  console.log(`${ok ? 'good' : 'MISS'}  ${what}: ${got} (goal ${goal})`);
}

/** The same for milliseconds of which there may be so many at most. */
export const heldMs = (what, ms, most, digits = 0) => held(what, `${ms.toFixed(digits)} ms`, `${most} ms`, ms <= most);
