import { HttpException, HttpStatus, Injectable, UnauthorizedException } from '@nestjs/common';
import { createHash, randomBytes } from 'node:crypto';
import { DataSource, MoreThan } from 'typeorm';
import { Person } from '../database/entities/person.entity.ts';
import { Session } from '../database/entities/session.entity.ts';
import { pinFits } from './pin.ts';

const TRIES = 5;
const LOCK_MS = 60_000;
const SESSION_MS = 14 * 3600_000;

const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

@Injectable()
export class AuthService {
  constructor(private readonly db: DataSource) {}

  people(): Promise<Person[]> {
    return this.db.getRepository(Person).find({ order: { name: 'ASC' } });
  }

  /**
   * Checks a PIN and opens a session; returns its token.
   * Wrong tries are counted in the database, so that several servers share the count: after five, a minute's wait.
   */
  async signIn(personId: string, pin: string, now: Date): Promise<{ token: string; expiresAt: Date; person: Person }> {
    const people = this.db.getRepository(Person);
    const person = await people.findOneBy({ id: personId });
    if (!person) throw new UnauthorizedException('That is not the PIN');
    if (person.lockedUntil && person.lockedUntil > now) {
      const seconds = Math.ceil((person.lockedUntil.getTime() - now.getTime()) / 1000);
      throw new HttpException(`Too many wrong PINs. Try again in ${seconds} s`, HttpStatus.TOO_MANY_REQUESTS);
    }
    if (!(await pinFits(pin, person.pinHash))) {
      // Counted in one statement: two tries at once cannot both be the first.
      await this.db.query(
        `UPDATE person SET
           failed_tries = CASE WHEN failed_tries + 1 >= $2 THEN 0 ELSE failed_tries + 1 END,
           locked_until = CASE WHEN failed_tries + 1 >= $2 THEN $3::timestamptz ELSE NULL END
         WHERE id = $1`,
        [person.id, TRIES, new Date(now.getTime() + LOCK_MS)],
      );
      throw new UnauthorizedException('That is not the PIN');
    }
    await people.update(person.id, { failedTries: 0, lockedUntil: null });
    const token = randomBytes(32).toString('base64url');
    const expiresAt = new Date(now.getTime() + SESSION_MS);
    await this.db.getRepository(Session).insert({ tokenHash: hashToken(token), personId: person.id, expiresAt });
    return { token, expiresAt, person };
  }

  async whoIs(token: string, now: Date): Promise<Person | undefined> {
    const session = await this.db
      .getRepository(Session)
      .findOneBy({ tokenHash: hashToken(token), expiresAt: MoreThan(now) });
    return session?.person;
  }

  async signOut(token: string): Promise<void> {
    await this.db.getRepository(Session).delete({ tokenHash: hashToken(token) });
  }
}
