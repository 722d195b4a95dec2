import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import {
  DrawerDto,
  OwnInstrumentDto,
  PlacesDto,
  SheetDoneDto,
  type FirstStepView,
  type ShopChangeView,
  type ShopDrawerView,
  type ShopPlacesView,
} from '@jubb/contract';
import { AllowedFor, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { DrawersService } from './drawers.service.ts';
import { FirstStepsService } from './first-steps.service.ts';
import { OwnInstrumentsService } from './own-instruments.service.ts';
import { PlacesService } from './places.service.ts';
import { SheetsDoneService } from './sheets-done.service.ts';
import { ShopChangesService } from './shop-changes.service.ts';

/** What makes a shop one's own: the owner's to set. */
@Controller('api/shop')
export class ShopController {
  constructor(
    private readonly places: PlacesService,
    private readonly drawers: DrawersService,
    private readonly instruments: OwnInstrumentsService,
    private readonly changes: ShopChangesService,
    private readonly first: FirstStepsService,
    private readonly sheetsDone: SheetsDoneService,
  ) {}

  @Get('first-steps')
  @AllowedFor('owner')
  firstSteps(): Promise<FirstStepView[]> {
    return this.first.list();
  }

  @Get('changes')
  @AllowedFor('owner')
  changed(): Promise<ShopChangeView[]> {
    return this.changes.list();
  }

  @Get('places')
  @AllowedFor('owner')
  placesNow(): Promise<ShopPlacesView> {
    return this.places.view();
  }

  @Put('places')
  @AllowedFor('owner')
  setPlaces(@Body() body: PlacesDto, @Me() me: Person): Promise<ShopPlacesView> {
    return this.places.set(body, me);
  }

  @Get('drawers')
  @AllowedFor('owner')
  drawersNow(): Promise<ShopDrawerView[]> {
    return this.drawers.list();
  }

  @Put('drawers/:drawer')
  @AllowedFor('owner')
  countDrawer(@Param('drawer') drawer: string, @Body() body: DrawerDto, @Me() me: Person): Promise<ShopDrawerView[]> {
    return this.drawers.count(drawer, body, me);
  }

  @Put('sheets/:sheet')
  @HttpCode(204)
  @AllowedFor('owner')
  setSheetDone(@Param('sheet') sheet: string, @Body() body: SheetDoneDto, @Me() me: Person): Promise<void> {
    return this.sheetsDone.set(sheet, body.done, me);
  }

  @Post('instruments')
  @AllowedFor('owner')
  addInstrument(@Body() body: OwnInstrumentDto, @Me() me: Person): Promise<{ readonly id: string }> {
    return this.instruments.add(body, me);
  }

  @Put('instruments/:id')
  @HttpCode(204)
  @AllowedFor('owner')
  setInstrument(@Param('id') id: string, @Body() body: OwnInstrumentDto, @Me() me: Person): Promise<void> {
    return this.instruments.set(id, body, me);
  }

  @Delete('instruments/:id')
  @HttpCode(204)
  @AllowedFor('owner')
  retireInstrument(@Param('id') id: string, @Me() me: Person): Promise<void> {
    return this.instruments.retire(id, me, new Date());
  }
}
