import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Put, Query } from '@nestjs/common';
import { UnitFactsDto, UnitRunsDto, type UnitView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { UnitsService } from './units.service.ts';

@Controller('api/units')
export class UnitsController {
  constructor(private readonly units: UnitsService) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  find(@Query('q') q?: string): Promise<UnitView[]> {
    return this.units.find(q);
  }

  @Get(':id')
  @AllowedFor(...EVERY_ROLE)
  get(@Param('id', ParseUUIDPipe) id: string): Promise<UnitView> {
    return this.units.get(id);
  }

  @Put(':id')
  @AllowedFor(...EVERY_ROLE)
  set(@Param('id', ParseUUIDPipe) id: string, @Body() dto: UnitFactsDto, @Me() me: Person): Promise<UnitView> {
    return this.units.set(id, dto, me);
  }

  @Post(':id/runs')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  runs(@Param('id', ParseUUIDPipe) id: string, @Body() dto: UnitRunsDto): Promise<UnitView> {
    return this.units.runs(id, dto.hoursPerWeek ?? null);
  }
}
