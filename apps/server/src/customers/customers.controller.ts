import { Body, Controller, Get, Header, HttpCode, Param, ParseUUIDPipe, Post, Put, Query } from '@nestjs/common';
import {
  CustomerDto,
  CustomersCsvDto,
  MergeDto,
  type CustomerPage,
  type CustomerRow,
  type CustomersRead,
  type CustomerView,
} from '@jubb/contract';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { CustomersService } from './customers.service.ts';

/** As many as are offered while a name is typed. */
const OFFERED = 8;

@Controller('api/customers')
export class CustomersController {
  constructor(private readonly customers: CustomersService) {}

  /** Customers whose name holds what was typed, eight at most. */
  @Get()
  @AllowedFor(...EVERY_ROLE)
  async find(@Query('q') q?: string): Promise<CustomerView[]> {
    return (await this.customers.find(q, OFFERED)).map(({ id, name }) => ({ id, name }));
  }

  @Get('all')
  @AllowedFor(...EVERY_ROLE)
  all(): Promise<CustomerRow[]> {
    return this.customers.list();
  }

  @Get('all.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="customers.csv"')
  @AllowedFor('owner', 'parts')
  csv(): Promise<string> {
    return this.customers.csv();
  }

  @Post('import')
  @HttpCode(200)
  @AllowedFor('owner', 'parts')
  read(@Body() body: CustomersCsvDto, @Me() me: Person): Promise<CustomersRead> {
    return this.customers.read(body.csv, body.take, me);
  }

  @Get(':id')
  @AllowedFor(...EVERY_ROLE)
  page(@Param('id', ParseUUIDPipe) id: string): Promise<CustomerPage> {
    return this.customers.page(id);
  }

  @Put(':id')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  set(@Param('id', ParseUUIDPipe) id: string, @Body() body: CustomerDto, @Me() me: Person): Promise<void> {
    return this.customers.set(id, body, me);
  }

  @Post(':id/merge')
  @HttpCode(204)
  @AllowedFor('owner', 'parts')
  merge(@Param('id', ParseUUIDPipe) id: string, @Body() body: MergeDto, @Me() me: Person): Promise<void> {
    return this.customers.merge(id, body.into, me);
  }
}
