import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Query } from '@nestjs/common';
import { UnitRunsDto, type UnitView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';
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

  @Post(':id/runs')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  runs(@Param('id', ParseUUIDPipe) id: string, @Body() dto: UnitRunsDto): Promise<UnitView> {
    return this.units.runs(id, dto.hoursPerWeek ?? null);
  }
}
