import { BadRequestException, Inject, Injectable, Logger, UnauthorizedException } from '@nestjs/common';
import type { OnApplicationBootstrap, OnModuleDestroy } from '@nestjs/common';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Subject } from 'rxjs';
import { DataSource, IsNull, Not } from 'typeorm';
import { CONFIG, onNetwork, type Config } from '../config/config.ts';
import { Person } from './person.entity.ts';
import { Session } from './session.entity.ts';
import { prepared } from '../database/prepared.ts';
import { Turns } from '../bounds/turns.ts';
import { hashPin, pinFits, pinProblem } from './pin.ts';
import { SignInTries } from './sign-in-tries.ts';
import { wrongField } from '../problems/wrong-field.ts';

const SESSION_MS = 14 * 3600_000;
/** Ended sessions are kept so long: what was given on a device without a line is held against them. */
const SESSION_KEPT_DAYS = 14;
/** A device that nobody signed in on for so long is a stranger again. */
const DEVICE_KEPT_DAYS = 400;
const PURGE_MS = 3600_000;
/** Where an empty workshop's first PIN is written until it is changed. */
export const FIRST_PIN_FILE = 'first-pin';

export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Where a try to sign in comes from. */
export interface Door {
  readonly address: string;
  /** The mark that a device carries once somebody has signed in on it. */
  readonly device?: string;
}
export interface SignedIn {
  readonly token: string;
  readonly expiresAt: Date;
  readonly person: Person;
  /** A mark for the device, where it had none that is known. */
  readonly device?: string;
}

@Injectable()
export class AuthService implements OnApplicationBootstrap, OnModuleDestroy {
  /** Hashes of the sessions that end here: streams of theirs end with them. */
  readonly ended = new Subject<string>();
  private readonly logger = new Logger('auth');
  /** Hashing takes a whole core and 32 MiB a try: one after another. */
  private readonly hashing = new Turns();
  private timer: ReturnType<typeof setInterval> | undefined;

  constructor(
    private readonly db: DataSource,
    private readonly tries: SignInTries,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  onApplicationBootstrap(): void {
    const purge = (): void =>
      void this.purge().catch((e: Error) => this.logger.warn(`old sessions stay for now: ${e.message}`));
    purge();
    this.timer = setInterval(purge, PURGE_MS);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
    this.ended.complete();
  }

  people(): Promise<Person[]> {
    return this.db.getRepository(Person).find({ where: { leftAt: IsNull() }, order: { name: 'ASC' } });
  }

  /**
   * Checks a PIN and opens a session; returns its token. The try is counted before it is judged.
   * @throws UnauthorizedException for a wrong PIN; HttpException 429 when one has to wait
   */
  async signIn(name: string, pin: string, door: Door, now: Date): Promise<SignedIn> {
    const person = await this.db.getRepository(Person).findOneBy({ name, leftAt: IsNull() });
    if (!person) throw new UnauthorizedException('That is not the PIN');
    const device = await this.knownDevice(door.device);
    await this.judge(person, pin, { address: door.address, ...(device === undefined ? {} : { device }) });
    const token = randomBytes(32).toString('base64url');
    const expiresAt = new Date(now.getTime() + SESSION_MS);
    await this.db.getRepository(Session).insert({ tokenHash: hashToken(token), personId: person.id, expiresAt });
    return { token, expiresAt, person, ...(device === undefined ? { device: await this.newDevice() } : {}) };
  }

  private async judge(person: Person, pin: string, from: { address: string; device?: string }): Promise<void> {
    const tried = { person: person.id, ...from };
    await this.tries.count(tried);
    if (!(await this.hashing.take('', () => pinFits(pin, person.pinHash))))
      throw new UnauthorizedException('That is not the PIN');
    await this.tries.right(tried);
  }

  /** The hash of a device's mark when it is one of ours. */
  private async knownDevice(mark: string | undefined): Promise<string | undefined> {
    if (mark === undefined) return undefined;
    const [, seen] = await this.db.query<[unknown, number]>(
      `UPDATE known_device SET seen = now() WHERE token_hash = $1`,
      [hashToken(mark)],
    );
    return seen > 0 ? hashToken(mark) : undefined;
  }

  private async newDevice(): Promise<string> {
    const mark = randomBytes(24).toString('base64url');
    await this.db.query(`INSERT INTO known_device (token_hash) VALUES ($1)`, [hashToken(mark)]);
    return mark;
  }

  /**
   * Gives a person another PIN, and ends their sessions on other devices.
   * @throws BadRequestException for one that is too short or tried first; UnauthorizedException when the old one is wrong
   */
  async changePin(person: Person, old: string, pin: string, session: string): Promise<void> {
    this.mustBeGood(pin);
    // Whoever holds a session still has to know the PIN: counted by that session.
    await this.judge(person, old, { address: session, device: session });
    const pinHash = await this.hashing.take('', () => hashPin(pin));
    await this.db.getRepository(Person).update(person.id, { pinHash });
    const others = await this.db
      .getRepository(Session)
      .find({ where: { personId: person.id, endedAt: IsNull(), tokenHash: Not(session) } });
    for (const s of others) await this.endSession(s.tokenHash);
    await this.forgetFirstPin(person);
  }

  /** An owner has a PIN of their own: the one that was made for an empty workshop opens nothing any more. */
  async forgetFirstPin({ role }: Pick<Person, 'role'>): Promise<void> {
    if (role === 'owner') await rm(this.firstPinFile, { force: true });
  }

  /** Does the owner still sign in with the PIN that was made for an empty workshop? */
  hasFirstPin(): boolean {
    return existsSync(this.firstPinFile);
  }

  private get firstPinFile(): string {
    return join(this.config.dataDir, FIRST_PIN_FILE);
  }

  /**
   * The hash of a new PIN.
   * @throws BadRequestException for one that is too short or tried first
   */
  async hashOf(pin: string): Promise<string> {
    this.mustBeGood(pin);
    return this.hashing.take('', () => hashPin(pin));
  }

  private mustBeGood(pin: string): void {
    const problem = pinProblem(pin, onNetwork(this.config));
    if (problem) throw new BadRequestException(wrongField('pin', problem));
  }

  /** Ends every session of a person, on whatever device. */
  async signOutEverywhere(person: string): Promise<void> {
    const open = await this.db.getRepository(Session).find({ where: { personId: person, endedAt: IsNull() } });
    for (const s of open) await this.endSession(s.tokenHash);
  }

  /** Whoever got their PIN wrong too often need not wait any longer. */
  forgetTries(person: string): Promise<void> {
    return this.tries.forget(person);
  }

  /** Whose session it is; undefined when it is over, or never was. */
  async whoIs(token: string, now: Date): Promise<Person | undefined> {
    return this.personOf(hashToken(token), now);
  }

  /** Is this session still good? */
  async holds(tokenHash: string, now: Date): Promise<boolean> {
    return (await this.personOf(tokenHash, now)) !== undefined;
  }

  /** One planned statement, since every request asks it. */
  private async personOf(tokenHash: string, now: Date): Promise<Person | undefined> {
    const [row] = await prepared<Person>(
      this.db.manager,
      'who-is',
      `SELECT p.id, p.name, p.initials, p.role, p.works, p.left_at AS "leftAt", p.pin_hash AS "pinHash" FROM session s JOIN person p ON p.id = s.person_id
       WHERE s.token_hash = $1 AND s.expires_at > $2 AND s.ended_at IS NULL AND p.left_at IS NULL`,
      [tokenHash, now],
    );
    return row;
  }

  /** The first moment from `claimed` on at which a person was signed in; `now` when there is none. */
  async signedInFrom(person: string, claimed: Date, now: Date): Promise<Date> {
    const [row] = await this.db.query<{ at: Date | null }[]>(
      `SELECT min(greatest(started_at, $2)) AS at FROM session WHERE person_id = $1 AND coalesce(ended_at, expires_at) >= $2`,
      [person, claimed],
    );
    return row?.at && row.at < now ? row.at : now;
  }

  async signOut(token: string): Promise<void> {
    await this.endSession(hashToken(token));
  }

  private async endSession(tokenHash: string): Promise<void> {
    await this.db.query(`UPDATE session SET ended_at = now() WHERE token_hash = $1 AND ended_at IS NULL`, [tokenHash]);
    // Every server hears it: the stream may hang on another one.
    await this.db.query(`SELECT pg_notify('jubb', $1)`, [JSON.stringify({ session: tokenHash })]);
  }

  /** Takes away what nothing is held against any more. */
  async purge(): Promise<void> {
    await this.db.query(
      `DELETE FROM session WHERE coalesce(ended_at, expires_at) < now() - make_interval(days => ${SESSION_KEPT_DAYS})`,
    );
    await this.db.query(`DELETE FROM known_device WHERE seen < now() - make_interval(days => ${DEVICE_KEPT_DAYS})`);
    await this.tries.purge();
  }
}
