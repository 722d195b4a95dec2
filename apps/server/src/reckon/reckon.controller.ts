import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { reckon, reckoners, type Reckoning } from '@jubb/core/reckoners';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';

@Controller('api/reckon')
export class ReckonController {
  @Get()
  @AllowedFor(...EVERY_ROLE)
  list(): { id: string; title: string; inputs: object; outputs: object }[] {
    return reckoners.map(({ id, title, inputs, outputs }) => ({ id, title, inputs, outputs }));
  }

  /** The reckoner checks its own inputs: its errors carry code, field, given and accepted. */
  @Post(':id')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  reckon(@Param('id') id: string, @Body() inputs: Record<string, unknown>): Reckoning {
    return reckon(id, inputs);
  }
}
