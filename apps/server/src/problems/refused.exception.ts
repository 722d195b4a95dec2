import type { RefusedBody } from '@jubb/contract';

/** A command that the bench refuses; answered with 409 and the events that its sender had missed. */
export class RefusedException extends Error {
  constructor(readonly body: RefusedBody) {
    super(`${body.refusal.says}. ${body.refusal.clears}`);
    this.name = 'RefusedException';
  }
}
