import { Controller, Get, Query } from '@nestjs/common';
import type { FoundView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';
import { SearchService } from './search.service.ts';

@Controller('api/search')
export class SearchController {
  constructor(private readonly search: SearchService) {}

  /** Customers, units by serial, jobs, parts and sheets whose words hold what was typed. */
  @Get()
  @AllowedFor(...EVERY_ROLE)
  find(@Query('q') q?: string): Promise<FoundView[]> {
    return this.search.find(q);
  }
}
