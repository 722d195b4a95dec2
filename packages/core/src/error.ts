/** What a {@link JubbError} carries beside its words: enough for a program to act on and a person to mend. */
export interface ErrorFacts {
  /** Machine-readable kind, kebab-case, stable across releases. */
  readonly code: string;
  /** Path of the field at fault, e.g. `drawer[2].thickness`; empty when it is the whole input. */
  readonly field: string;
  /** What came, as given. */
  readonly given: unknown;
  /** What would have been accepted, in words. */
  readonly accepted: string;
}

/**
 * The one way of failing in the core: a refusal that names the field, what came and what is accepted.
 * Wording for people and HTTP codes are made from `code` elsewhere.
 */
export class JubbError extends Error implements ErrorFacts {
  readonly code: string;
  readonly field: string;
  readonly given: unknown;
  readonly accepted: string;

  constructor(message: string, facts: ErrorFacts) {
    super(message);
    this.name = new.target.name;
    this.code = facts.code;
    this.field = facts.field;
    this.given = facts.given;
    this.accepted = facts.accepted;
  }

  /** The facts and the sentence as plain JSON, the same at the command line, in the API and in tests. */
  toJSON(): ErrorFacts & { message: string } {
    return {
      code: this.code,
      field: this.field,
      given: this.given === undefined ? null : this.given,
      accepted: this.accepted,
      message: this.message,
    };
  }
}
