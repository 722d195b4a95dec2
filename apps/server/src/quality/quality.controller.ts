import { Controller, Get } from '@nestjs/common';
import type { QualityView } from '@jubb/contract';
import { AllowedFor } from '../auth/access.ts';
import { QualityService } from './quality.service.ts';

/** What the owner looks at: comebacks and hours by sheet and method, and the lessons that wait. */
@Controller('api/quality')
export class QualityController {
  constructor(private readonly quality: QualityService) {}

  @Get()
  @AllowedFor('owner')
  view(): Promise<QualityView> {
    return this.quality.view();
  }
}
