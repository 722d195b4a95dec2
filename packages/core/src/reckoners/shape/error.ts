import { JubbError } from '../../error.ts';

/** A reckoner's refusal of an input. `code` is one of the codes below or a quantity's own (see QuantityErrorCode). */
export class ReckonError extends JubbError {
  constructor(code: string, field: string, given: unknown, accepted: string, message?: string) {
    super(message ?? `${field || 'input'}: ${shown(given)} is not accepted; ${accepted}`, {
      code,
      field,
      given,
      accepted,
    });
  }
}

/** A short rendering of what came, safe to put in a sentence. */
export function shown(given: unknown): string {
  let text: string;
  try {
    text = typeof given === 'string' ? `"${given}"` : (JSON.stringify(given) ?? String(given));
  } catch {
    text = typeof given;
  }
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
