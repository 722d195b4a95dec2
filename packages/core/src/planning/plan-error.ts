import { JubbError } from '../error.ts';

/** Something that cannot be planned: which field, what came, what is accepted. */
export class PlanError extends JubbError {}

/** Throws a {@link PlanError}. */
export function refuse(code: string, field: string, given: unknown, accepted: string, message: string): never {
  throw new PlanError(message, { code, field, given, accepted });
}
