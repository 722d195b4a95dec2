import type { RefusedBody } from '@jubb/contract';

/** A command that the bench refuses; answered with 409 and the events that its sender had missed. */
export class RefusedException extends Error {
  /** @param seq newest event of the job that it was refused on; absent where that says nothing */
  constructor(
    readonly body: RefusedBody,
    readonly seq?: number,
  ) {
    super(`${body.refusal.says}. ${body.refusal.clears}`);
    this.name = 'RefusedException';
  }
}
