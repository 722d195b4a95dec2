import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import { LevelDto, ShopOrderDto, SupplierDto, type StoresView, type SupplierView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { StoresService } from './stores.service.ts';

/** What the shop keeps for itself, and from whom it comes. */
@Controller('api/stores')
export class StoresController {
  constructor(private readonly stores: StoresService) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  view(): Promise<StoresView> {
    return this.stores.view();
  }

  @Put('levels')
  @HttpCode(204)
  @AllowedFor('owner', 'parts')
  setLevel(@Body() body: LevelDto, @Me() me: Person): Promise<void> {
    return this.stores.setLevel(body, me);
  }

  @Post('orders')
  @HttpCode(204)
  @AllowedFor('owner', 'parts')
  order(@Body() body: ShopOrderDto, @Me() me: Person): Promise<void> {
    return this.stores.order(body, me, new Date());
  }

  @Post('orders/:id/arrive')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  arrive(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.stores.arrive(id, new Date());
  }

  @Post('orders/:id/cancel')
  @HttpCode(204)
  @AllowedFor('owner', 'parts')
  cancel(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.stores.cancel(id, new Date());
  }

  @Get('suppliers')
  @AllowedFor(...EVERY_ROLE)
  suppliers(): Promise<SupplierView[]> {
    return this.stores.suppliers();
  }

  @Put('suppliers')
  @HttpCode(204)
  @AllowedFor('owner', 'parts')
  setSupplier(@Body() body: SupplierDto, @Me() me: Person): Promise<void> {
    return this.stores.setSupplier(body, me);
  }
}
