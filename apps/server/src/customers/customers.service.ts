import {
  BadRequestException,
  ConflictException,
  Injectable,
  NotFoundException,
  UnprocessableEntityException,
} from '@nestjs/common';
import type { CustomerDto, CustomerPage, CustomerRow, CustomersRead } from '@jubb/contract';
import { customerProblem, customersCsv, readCustomers, type CustomerFacts } from '@jubb/core/customers';
import { DataSource, ILike, IsNull, type EntityManager } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { likeText } from '../database/like.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { Customer } from './customer.entity.ts';
import { wrongField } from '../problems/wrong-field.ts';

const factsOf = ({ name, phone, email, address, notes }: CustomerFacts): CustomerFacts => ({
  name,
  phone,
  email,
  address,
  notes,
});
const words = ({ name, phone, email, address }: CustomerFacts): string =>
  [name, phone, email, address].filter((w) => w !== '').join('; ');

/** Whose units these are: found, put right, two that are one put together, read from a file and written to one. */
@Injectable()
export class CustomersService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  /** Those whose name holds what was typed. */
  find(q: string | undefined, most: number): Promise<Customer[]> {
    return this.db.getRepository(Customer).find({
      where: { name: ILike(likeText(q)), mergedInto: IsNull() },
      order: { name: 'ASC' },
      take: most,
    });
  }

  /** All, with how many units and jobs each has. */
  async list(): Promise<CustomerRow[]> {
    return this.db.query<CustomerRow[]>(
      `SELECT c.id, c.name, c.phone, c.email, c.address, c.notes,
              (SELECT count(*)::int FROM unit u WHERE u.customer_id = c.id) AS units,
              (SELECT count(*)::int FROM job j WHERE j.customer_id = c.id) AS jobs
       FROM customer c WHERE c.merged_into IS NULL ORDER BY lower(c.name)`,
    );
  }

  /** @throws NotFoundException */
  async page(id: string): Promise<CustomerPage> {
    const customer = await this.known(this.db.manager, id);
    const units = await this.db.query<CustomerPage['units']>(
      `SELECT id, serial, model FROM unit WHERE customer_id = $1 ORDER BY serial`,
      [id],
    );
    const jobs = await this.db.query<CustomerPage['jobs']>(
      `SELECT id, number, title, stage FROM job WHERE customer_id = $1 ORDER BY number DESC`,
      [id],
    );
    return { id, ...factsOf(customer), units, jobs };
  }

  /** @throws NotFoundException; BadRequestException naming the field; ConflictException for a name that another has */
  async set(id: string, dto: CustomerDto, me: Person): Promise<void> {
    const facts = tidy(dto);
    await this.db.transaction(async (m) => {
      const was = await this.known(m, id);
      const other = await m
        .getRepository(Customer)
        .createQueryBuilder('c')
        .where('lower(c.name) = lower(:name) AND c.id <> :id', { name: facts.name, id })
        .getOne();
      if (other) {
        const says = other.mergedInto
          ? `${other.name} was put together with another customer`
          : `${other.name} is a customer already: put the two together instead`;
        throw new ConflictException(wrongField('name', says));
      }
      await m.getRepository(Customer).update(id, facts);
      await this.changes.note(m, me, [{ what: `customer ${was.name}`, was: words(was), is: words(facts) }]);
    });
  }

  /**
   * Two that are one: units and jobs of the first go to the second, what only the first knows too. Logs and records keep
   * the name that they were written with.
   * @throws NotFoundException; UnprocessableEntityException for one with itself
   */
  async merge(id: string, into: string, me: Person): Promise<void> {
    if (id === into) throw new UnprocessableEntityException(wrongField('into', 'It is the same customer'));
    await this.db.transaction(async (m) => {
      // In the order of their ids: two merges at once never wait for each other.
      await m.query(`SELECT id FROM customer WHERE id = ANY($1) ORDER BY id FOR UPDATE`, [[id, into]]);
      const [from, to] = [await this.known(m, id), await this.known(m, into)];
      await m.query(`UPDATE unit SET customer_id = $2 WHERE customer_id = $1`, [id, into]);
      await m.query(`UPDATE job SET customer_id = $2 WHERE customer_id = $1`, [id, into]);
      await m.query(`UPDATE customer SET merged_into = $2 WHERE id = $1 OR merged_into = $1`, [id, into]);
      await m.getRepository(Customer).update(into, {
        phone: to.phone || from.phone,
        email: to.email || from.email,
        address: to.address || from.address,
        notes: [to.notes, from.notes].filter((n) => n !== '').join('\n'),
      });
      await this.changes.note(m, me, [
        { what: `customer ${from.name}`, was: words(from), is: `the same as ${to.name}` },
      ]);
    });
  }

  async csv(): Promise<string> {
    return customersCsv((await this.list()).map(factsOf));
  }

  /**
   * Customers of a file: what each line would do, and with `take` it is done, but for those that are wrong.
   * @throws BadRequestException for what is no CSV of customers
   */
  async read(csv: string, take: boolean, me: Person): Promise<CustomersRead> {
    return this.db.transaction(async (m) => {
      if (take) await m.query(`LOCK TABLE customer IN SHARE ROW EXCLUSIVE MODE`);
      const everyone = await m.getRepository(Customer).find();
      const known = everyone.filter((c) => c.mergedInto === null);
      const gone = new Set(everyone.filter((c) => c.mergedInto !== null).map((c) => c.name.toLowerCase()));
      const lines = linesOf(csv, known.map(factsOf)).map((l) =>
        l.what === 'new' && gone.has(l.facts.name.toLowerCase())
          ? {
              line: l.line,
              what: 'wrong' as const,
              why: `name: ${l.facts.name} was put together with another customer`,
            }
          : l,
      );
      if (take) {
        const byName = new Map(known.map((k) => [k.name, k.id]));
        for (const l of lines) {
          if (l.what === 'new') await m.getRepository(Customer).insert({ ...l.facts });
          if (l.what === 'changed') await m.getRepository(Customer).update(byName.get(l.facts.name)!, { ...l.facts });
        }
        const of = (what: string): number => lines.filter((l) => l.what === what).length;
        await this.changes.note(m, me, [
          { what: 'customers of a file', is: `${of('new')} new, ${of('changed')} changed` },
        ]);
      }
      return { lines, taken: take };
    });
  }

  private async known(m: EntityManager, id: string): Promise<Customer> {
    const customer = await m.getRepository(Customer).findOneBy({ id, mergedInto: IsNull() });
    if (!customer) throw new NotFoundException('There is no such customer');
    return customer;
  }
}

function tidy(dto: CustomerDto): CustomerFacts {
  const facts: CustomerFacts = {
    name: dto.name.trim().replace(/\s+/g, ' '),
    phone: dto.phone.trim(),
    email: dto.email.trim(),
    address: dto.address.trim(),
    notes: dto.notes.trim(),
  };
  const wrong = customerProblem(facts);
  if (wrong) throw new BadRequestException(wrongField(wrong.field, wrong.says));
  return facts;
}

function linesOf(csv: string, known: readonly CustomerFacts[]): CustomersRead['lines'] {
  try {
    return readCustomers(csv, known);
  } catch (e) {
    if (e instanceof RangeError) throw new BadRequestException(wrongField('csv', e.message));
    throw e;
  }
}
