import { HttpException, HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';

/** The first wait; each further try doubles it. */
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 3600;
/** After so long without a try the count begins anew. */
const FORGOTTEN_HOURS = 24;
/** Tries without a wait: of a person on one device, of a person from anywhere, of an address for whomever. */
const FREE = { device: 5, person: 5, address: 20 } as const;

/** Who is tried, and from where. `device` is the mark of one that was signed in before, hashed. */
export interface TriedFrom {
  readonly person: string;
  readonly address: string;
  readonly device?: string;
}
interface Count {
  readonly key: string;
  readonly free: number;
}

/**
 * Tries to sign in are counted before they are judged, in the database, so that neither many at once nor many servers get
 * more of them. A device that was signed in before has a count of its own: no stranger can shut it out.
 */
@Injectable()
export class SignInTries {
  constructor(private readonly db: DataSource) {}

  /** Counts a try. @throws HttpException 429 with how long to wait, when this one is not let through */
  async count(from: TriedFrom): Promise<void> {
    await this.db.transaction(async (m) => {
      for (const c of countsOf(from)) await countOne(m, c);
    });
  }

  /** Takes a right try off the counts: the person's begins anew, the address keeps what others did from it. */
  async right(from: TriedFrom): Promise<void> {
    const [own, address] = countsOf(from).reverse();
    await this.db.query(`DELETE FROM sign_in_try WHERE key = $1`, [own!.key]);
    if (address)
      await this.db.query(`UPDATE sign_in_try SET tries = greatest(tries - 1, 0), next_at = now() WHERE key = $1`, [
        address.key,
      ]);
  }

  /** Begins a person's counts anew, from wherever they were tried. */
  async forget(person: string): Promise<void> {
    await this.db.query(`DELETE FROM sign_in_try WHERE key = $1 OR (key LIKE 'device %' AND key LIKE $2)`, [
      `person ${person}`,
      `% ${person}`,
    ]);
  }

  /** Forgets counts that nobody adds to any more. */
  async purge(): Promise<void> {
    await this.db.query(`DELETE FROM sign_in_try WHERE last_at < now() - make_interval(hours => ${FORGOTTEN_HOURS})`);
  }
}

/** The counts that a try adds to; the person's last. */
function countsOf({ person, address, device }: TriedFrom): Count[] {
  if (device !== undefined) return [{ key: `device ${device} ${person}`, free: FREE.device }];
  return [
    { key: `address ${address}`, free: FREE.address },
    { key: `person ${person}`, free: FREE.person },
  ];
}

/**
 * Adds one in a statement that only one of many at once can pass. A wait that ends later than any wait can was made while
 * the clock was wrong, and is over.
 */
async function countOne(m: EntityManager, { key, free }: Count): Promise<void> {
  const wait = `make_interval(secs => CASE WHEN n < $2 THEN 0 ELSE least(${LONGEST_WAIT_S}, ${FIRST_WAIT_S} * power(2, least(n - $2, 20))) END)`;
  const passed = await m.query<unknown[]>(
    `INSERT INTO sign_in_try AS t (key, tries, last_at, next_at)
     SELECT $1, n, clock_timestamp(), clock_timestamp() + ${wait} FROM (SELECT 1 AS n) one
     ON CONFLICT (key) DO UPDATE SET (tries, last_at, next_at) = (
       SELECT n, clock_timestamp(), clock_timestamp() + ${wait}
       FROM (SELECT CASE WHEN t.last_at BETWEEN clock_timestamp() - make_interval(hours => ${FORGOTTEN_HOURS}) AND clock_timestamp() + interval '1 minute'
                         THEN t.tries + 1 ELSE 1 END AS n) next)
     WHERE t.next_at <= clock_timestamp() OR t.next_at > clock_timestamp() + make_interval(secs => ${LONGEST_WAIT_S})
     RETURNING tries`,
    [key, free],
  );
  if (passed.length > 0) return;
  const [row] = await m.query<{ seconds: number }[]>(
    `SELECT ceil(extract(epoch FROM next_at - clock_timestamp()))::int AS seconds FROM sign_in_try WHERE key = $1`,
    [key],
  );
  const seconds = Math.max(1, row?.seconds ?? 1);
  throw new HttpException(`Too many wrong PINs. Try again in ${waitWords(seconds)}`, HttpStatus.TOO_MANY_REQUESTS);
}

const waitWords = (seconds: number): string => (seconds < 120 ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`);
