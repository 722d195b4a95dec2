import { platform, setPriority } from 'node:os';

/** How far behind the thread that answers everybody a thread of heavy work stands; `nice` of Unix, 0 is even. */
const NICENESS = 10;

/** Puts the calling thread behind the others where cores are few. Under Linux a niceness is a thread's own; elsewhere it is the whole process's, and is left. */
export function goBehind(): void {
  if (platform() === 'linux') setPriority(0, NICENESS);
}
