import { applyDecorators } from '@nestjs/common';
import { plainToInstance, Type } from 'class-transformer';
import { IsIn, IsInt, IsOptional, IsString, Matches, Max, Min, validateSync } from 'class-validator';

/** What holds a password is not said again: what is said goes into logs. */
const SECRET: ReadonlySet<string> = new Set(['DATABASE_URL']);
const MOST_PORT = 65_535;
const LEVELS = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent'];
const YES_NO = { message: 'yes or no' };
const A_PORT = { message: `a port from 0 to ${MOST_PORT}` };
const IsPort = (): PropertyDecorator =>
  applyDecorators(
    IsOptional(),
    Type(() => Number),
    IsInt(A_PORT),
    Min(0, A_PORT),
    Max(MOST_PORT, A_PORT),
  );

/** What the server takes from its environment, as it stands there. */
export class Environment {
  @Matches(/^postgres(ql)?:\/\//, { message: 'an address of PostgreSQL: start with ./jubb start, which sets it' })
  DATABASE_URL: string;

  @IsPort()
  PORT = 7800;

  @IsOptional()
  @IsString()
  JUBB_HOST = '127.0.0.1';

  /** Holds the signing key. */
  @IsOptional()
  @IsString()
  JUBB_DATA = '.jubb';

  @IsOptional()
  @IsString()
  JUBB_BACKUPS?: string;

  @IsOptional()
  @IsString()
  JUBB_WEB?: string;

  @IsOptional()
  @IsString()
  JUBB_LIBRARY = 'library';

  @IsOptional()
  @Matches(/^[^:\s]+:\d{1,5}$/, { message: 'a host and port such as 127.0.0.1:7811' })
  JUBB_STAND_INS = '127.0.0.1:7811';

  @IsOptional()
  @Matches(/^https?:\/\/\S+$/, { message: 'an address such as http://127.0.0.1:7813' })
  JUBB_SUPPLIER = 'http://127.0.0.1:7813';

  @IsOptional()
  @Matches(/^https?:\/\/[^/]+$/, { message: 'an address such as https://bench.example, with no path' })
  JUBB_URL?: string;

  @IsOptional()
  @IsIn(['yes', 'no'], YES_NO)
  JUBB_SECURE_COOKIE?: string;

  @IsOptional()
  @IsIn(['yes', 'no'], YES_NO)
  JUBB_PROXY?: string;

  @IsOptional()
  @IsIn(['yes', 'no'], YES_NO)
  JUBB_HTTPS?: string;

  @IsPort()
  JUBB_GUIDE_PORT = 7801;

  @IsOptional()
  @Type(() => Number)
  @Min(0, { message: 'megabytes, from 0' })
  JUBB_LEAST_FREE_MB = 64;

  @IsOptional()
  @IsIn(LEVELS, { message: `one of ${LEVELS.join(', ')}` })
  JUBB_LOG?: string;
}

/**
 * Reads the environment; what is set to nothing counts as not set.
 * @throws Error that names each variable, what came and what is accepted
 */
export function readEnvironment(env: NodeJS.ProcessEnv): Environment {
  const set = Object.fromEntries(Object.entries(env).filter(([, value]) => value !== undefined && value !== ''));
  const read = plainToInstance(Environment, set, { exposeDefaultValues: true });
  const wrong = validateSync(read).map(({ property, constraints }) => {
    const came = set[property];
    const is = came === undefined ? 'is not set' : SECRET.has(property) ? 'is none' : `is "${came}"`;
    return `${property} ${is}: ${Object.values(constraints ?? {})[0] ?? ''}`;
  });
  if (wrong.length > 0) throw new Error(wrong.join('; '));
  return read;
}
