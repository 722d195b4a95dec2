import type { Compiled } from './compiled.ts';

/**
 * Arrays one after the other in one stretch of memory: what a plan that is half built goes on from is kept, and taken up again, with
 * one copy.
 */
export class Block {
  private readonly memory: ArrayBuffer;
  private used = 0;

  /** Room for what building a plan of these activities, stays, lanes, places and jobs needs. */
  constructor(c: Compiled) {
    const each = [c.activities, c.staySize, c.lanes, c.jobs].reduce((sum, list) => sum + list.length, 0);
    this.memory = new ArrayBuffer(8 * (5 * (each + c.places) + 32));
  }

  /** @throws RangeError when the block is full, as the others do */
  numbers(n: number): Float64Array {
    return new Float64Array(this.memory, this.take(8 * n), n);
  }
  indices(n: number): Int32Array {
    return new Int32Array(this.memory, this.take(4 * n), n);
  }
  flags(n: number): Uint8Array {
    return new Uint8Array(this.memory, this.take(n), n);
  }
  /** All that was taken, for copying. */
  all(): Float64Array {
    return new Float64Array(this.memory, 0, this.used / 8);
  }

  private take(bytes: number): number {
    const at = this.used;
    this.used += Math.ceil(bytes / 8) * 8;
    return at;
  }
}
