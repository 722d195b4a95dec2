import { Controller, Get, Query } from '@nestjs/common';
import type { CustomerView } from '@jubb/contract';
import { DataSource, ILike } from 'typeorm';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';
import { Customer } from './customer.entity.ts';
import { likeText } from '../database/like.ts';

@Controller('api/customers')
export class CustomersController {
  constructor(private readonly db: DataSource) {}

  /** Customers whose name holds what was typed, eight at most. */
  @Get()
  @AllowedFor(...EVERY_ROLE)
  async find(@Query('q') q?: string): Promise<CustomerView[]> {
    const found = await this.db
      .getRepository(Customer)
      .find({ where: { name: ILike(likeText(q)) }, order: { name: 'ASC' }, take: 8 });
    return found.map(({ id, name }) => ({ id, name }));
  }
}
