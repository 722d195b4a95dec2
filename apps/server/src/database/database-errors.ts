import { QueryFailedError } from 'typeorm';

/** SQLSTATE and constraint of an error that PostgreSQL answered; undefined for any other error. */
export function databaseError(e: unknown): { readonly code: string; readonly constraint?: string } | undefined {
  const error: unknown = e instanceof QueryFailedError ? e.driverError : e;
  if (!(error instanceof Error) || !('code' in error) || typeof error.code !== 'string') return undefined;
  const constraint = 'constraint' in error && typeof error.constraint === 'string' ? error.constraint : undefined;
  return { code: error.code, ...(constraint === undefined ? {} : { constraint }) };
}

/** Did a write break this unique constraint? */
export function breaksUnique(e: unknown, constraint: string): boolean {
  const error = databaseError(e);
  return error?.code === '23505' && error.constraint === constraint;
}

/** Is the database away, or has it no connection left: nothing is wrong with what was asked, and it may be asked again. */
export function databaseIsAway(e: unknown): boolean {
  const code = databaseError(e)?.code;
  if (code !== undefined)
    return (
      /^(08|57P0|53300)/.test(code) || ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND'].includes(code)
    );
  const says = e instanceof Error ? e.message : '';
  return /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Driver not Connected)/.test(
    says,
  );
}

/** Is there no room left to write? */
export function diskIsFull(e: unknown): boolean {
  const code = databaseError(e)?.code;
  return code === '53100' || code === 'ENOSPC';
}
