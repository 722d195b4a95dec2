import { ConflictException, Injectable, NotFoundException, UnprocessableEntityException } from '@nestjs/common';
import type { NewPersonDto, PersonDto, ShopPersonView } from '@jubb/contract';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { AuthService } from '../auth/auth.service.ts';
import { Person } from '../auth/person.entity.ts';
import { ShopChangesService } from './shop-changes.service.ts';
import { wrongField } from '../problems/wrong-field.ts';

/** Two who change people at once wait for each other: the last owner is counted by one of them at a time. */
const PEOPLE_LOCK = 7_800_023;

const roleWords = ({ role, works }: Pick<Person, 'role' | 'works'>): string =>
  works && role !== 'mechanic' ? `${role}, works at the bench` : role;

/** Who works in the shop: added, changed, gone; and their PINs, by the owner. */
@Injectable()
export class PeopleService {
  constructor(
    private readonly db: DataSource,
    private readonly auth: AuthService,
    private readonly changes: ShopChangesService,
  ) {}

  /** Everybody who works here or ever did: those who left last. */
  async list(now: Date): Promise<ShopPersonView[]> {
    const people = await this.db.getRepository(Person).find({ order: { name: 'ASC' } });
    const counts = await this.db.query<{ person: string; n: number }[]>(
      `SELECT person_id AS person, count(*)::int AS n FROM session WHERE ended_at IS NULL AND expires_at > $1 GROUP BY person_id`,
      [now],
    );
    const signedIn = new Map(counts.map((c) => [c.person, c.n]));
    return people
      .map(({ id, name, initials, role, works, leftAt }) => ({
        id,
        name,
        initials,
        role,
        works,
        left: leftAt?.toISOString() ?? null,
        signedIn: signedIn.get(id) ?? 0,
      }))
      .sort((a, b) => Number(a.left !== null) - Number(b.left !== null));
  }

  /** @throws BadRequestException for a PIN that is not taken; ConflictException for a name that is known */
  async add(dto: NewPersonDto, me: Person): Promise<{ readonly id: string }> {
    const pinHash = await this.auth.hashOf(dto.pin);
    return this.change(async (m) => {
      const fields = trimmed(dto);
      await this.nameIsFree(m, fields.name);
      const { identifiers } = await m.getRepository(Person).insert({ ...fields, pinHash });
      await this.changes.note(m, me, [{ what: fields.name, is: `works here: ${roleWords(fields)}` }]);
      return { id: (identifiers[0] as { id: string }).id };
    });
  }

  /** @throws NotFoundException; ConflictException for a name that is known; UnprocessableEntityException when nobody would be owner */
  async set(id: string, dto: PersonDto, me: Person): Promise<void> {
    await this.change(async (m) => {
      const person = await this.here(m, id);
      const fields = trimmed(dto);
      if (fields.name !== person.name) await this.nameIsFree(m, fields.name);
      await m.getRepository(Person).update(id, fields);
      await this.someOwner(m);
      await this.changes.note(m, me, [
        { what: `${person.name}: name`, was: person.name, is: fields.name },
        { what: `${person.name}: initials`, was: person.initials, is: fields.initials },
        { what: `${person.name}: role`, was: roleWords(person), is: roleWords(fields) },
      ]);
    });
  }

  /**
   * Another PIN for somebody who forgot theirs: they are signed out everywhere, and their wrong tries are forgotten.
   * @throws NotFoundException; BadRequestException for a PIN that is not taken
   */
  async newPin(id: string, pin: string, me: Person): Promise<void> {
    const pinHash = await this.auth.hashOf(pin);
    const person = await this.change(async (m) => {
      const one = await this.here(m, id);
      await m.getRepository(Person).update(id, { pinHash });
      await this.changes.note(m, me, [{ what: `${one.name}: PIN`, is: 'made new' }]);
      return one;
    });
    await this.auth.forgetFirstPin(person);
    await this.auth.forgetTries(id);
    await this.auth.signOutEverywhere(id);
  }

  /**
   * They work here no more: signed out everywhere; their name stays in every record.
   * @throws NotFoundException; UnprocessableEntityException for the last owner
   */
  async leave(id: string, me: Person, now: Date): Promise<void> {
    await this.change(async (m) => {
      const person = await this.here(m, id);
      await m.getRepository(Person).update(id, { leftAt: now });
      await this.someOwner(m);
      await this.changes.note(m, me, [{ what: person.name, was: 'works here', is: 'left' }]);
    });
    await this.auth.signOutEverywhere(id);
  }

  /** They work here again, with the PIN that they had. */
  async comeBack(id: string, me: Person): Promise<void> {
    await this.change(async (m) => {
      const person = await m.getRepository(Person).findOneBy({ id });
      if (!person) throw new NotFoundException('There is no such person');
      await m.getRepository(Person).update(id, { leftAt: null });
      await this.changes.note(m, me, [
        { what: person.name, was: person.leftAt ? 'left' : 'works here', is: 'works here' },
      ]);
    });
  }

  /** @throws NotFoundException */
  async signOut(id: string, me: Person): Promise<void> {
    const person = await this.change((m) => this.here(m, id));
    await this.auth.signOutEverywhere(id);
    await this.changes.note(this.db.manager, me, [{ what: person.name, is: 'signed out everywhere' }]);
  }

  private change<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    return this.db.transaction(async (m) => {
      await m.query('SELECT pg_advisory_xact_lock($1)', [PEOPLE_LOCK]);
      return work(m);
    });
  }

  private async here(m: EntityManager, id: string): Promise<Person> {
    const person = await m.getRepository(Person).findOneBy({ id, leftAt: IsNull() });
    if (!person) throw new NotFoundException('Nobody of that name works here');
    return person;
  }

  private async nameIsFree(m: EntityManager, name: string): Promise<void> {
    const other = await m.getRepository(Person).findOneBy({ name });
    if (!other) return;
    const says = other.leftAt ? `${name} worked here before: bring them back` : `${name} works here already`;
    throw new ConflictException(wrongField('name', says));
  }

  private async someOwner(m: EntityManager): Promise<void> {
    if (await m.getRepository(Person).existsBy({ role: 'owner', leftAt: IsNull() })) return;
    throw new UnprocessableEntityException(wrongField('role', 'Somebody must be owner: make another one owner first'));
  }
}

const trimmed = ({ name, initials, role, works }: PersonDto): Pick<Person, 'name' | 'initials' | 'role' | 'works'> => ({
  name: name.trim().replace(/\s+/g, ' '),
  initials: initials.toUpperCase(),
  role,
  works: works && role !== 'parts',
});
