import { BadRequestException, ValidationPipe, type ValidationError } from '@nestjs/common';

/** Field path → sentences, from class-validator's tree. */
export function fieldErrors(errors: readonly ValidationError[], path = ''): Record<string, string[]> {
  const out: Record<string, string[]> = {};
  for (const e of errors) {
    const at = path ? `${path}.${e.property}` : e.property;
    if (e.constraints) out[at] = Object.values(e.constraints);
    if (e.children?.length) Object.assign(out, fieldErrors(e.children, at));
  }
  return out;
}

/** The one pipe: refuses unknown fields instead of dropping them, and names every field at fault. */
export const validationPipe = (): ValidationPipe =>
  new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    transform: true,
    exceptionFactory: (errors) => {
      const fields = fieldErrors(errors);
      const [first, sentences] = Object.entries(fields)[0] ?? ['request', ['is not accepted']];
      return new BadRequestException({ message: `${first}: ${sentences[0]}`, errors: fields });
    },
  });
