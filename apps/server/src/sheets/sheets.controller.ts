import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import type { SheetLine } from '@jubb/contract';
import type { Sheet, SheetProblem } from '@jubb/core/sheet';
import { IsString, MaxLength } from 'class-validator';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';
import { SheetsService } from './sheets.service.ts';

export class LintDto {
  @IsString()
  @MaxLength(400_000)
  source: string;
}

@Controller('api/sheets')
export class SheetsController {
  constructor(private readonly sheets: SheetsService) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  async list(): Promise<SheetLine[]> {
    const all = await this.sheets.newest();
    return all.map(({ compiled: s }) => ({
      id: s.id,
      revision: s.revision,
      title: s.title,
      maker: s.maker,
      models: s.models,
      kind: s.kind,
    }));
  }

  @Get(':id')
  @AllowedFor(...EVERY_ROLE)
  async get(@Param('id') id: string): Promise<Sheet> {
    return (await this.sheets.newestOf(id)).compiled;
  }

  /** Reads a sheet and says what is wrong with it, line by line. Keeps nothing. */
  @Post('lint')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  lint(@Body() body: LintDto): { usable: boolean; problems: readonly SheetProblem[] } {
    const { sheet, problems } = this.sheets.lint(body.source);
    return { usable: sheet !== undefined, problems };
  }
}
