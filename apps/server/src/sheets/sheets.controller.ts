import {
  BadRequestException,
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  StreamableFile,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import type { DocumentView, LessonView, SheetLine } from '@jubb/contract';
import { currentSheet, type Sheet, type SheetProblem } from '@jubb/core/sheet';
import { IsString, MaxLength } from 'class-validator';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import { shownFile } from '../bounds/shown-file.ts';
import type { Person } from '../auth/person.entity.ts';
import { FILE, FORM } from '../bounds/bounds.ts';
import { refuseFolder } from '../photos/picture.ts';
import { DocumentsService } from './documents.service.ts';
import { LessonsService } from './lessons.service.ts';
import { SheetsService } from './sheets.service.ts';

export class DocumentDto {
  /** As the sheet's figures name it: "Brindlow BD-6 sheet". */
  @IsString()
  @MaxLength(120)
  name: string;
}

@Controller('api')
export class SheetsController {
  constructor(
    private readonly sheets: SheetsService,
    private readonly documents: DocumentsService,
    private readonly learned: LessonsService,
  ) {}

  @Get('sheets')
  @AllowedFor(...EVERY_ROLE)
  async list(): Promise<SheetLine[]> {
    const [all, off] = await Promise.all([this.sheets.newest(), this.sheets.notDone()]);
    return all.map(({ compiled: s }) => ({
      id: s.id,
      revision: s.revision,
      title: s.title,
      maker: s.maker,
      models: s.models,
      kind: s.kind,
      ...(off.has(s.id) ? { notDone: true as const } : {}),
    }));
  }

  @Get('sheets/:id')
  @AllowedFor(...EVERY_ROLE)
  async get(@Param('id') id: string): Promise<Sheet> {
    return currentSheet((await this.sheets.newestOf(id)).compiled);
  }

  @Get('sheets/:id/documents')
  @AllowedFor(...EVERY_ROLE)
  documentsOf(@Param('id') id: string): Promise<DocumentView[]> {
    return this.documents.list(id);
  }

  /** Attaches the maker's document, or a picture of its page, under the name that the figures use. */
  @Post('sheets/:id/documents')
  @AllowedFor('owner', 'mechanic')
  @UseInterceptors(
    FileInterceptor('document', { limits: { ...FORM, fileSize: FILE.document, files: 1 }, preservePath: true }),
  )
  async attach(
    @Param('id') id: string,
    @Body() body: DocumentDto,
    @Me() person: Person,
    @UploadedFile() file?: Express.Multer.File,
  ): Promise<DocumentView> {
    await this.sheets.newestOf(id);
    if (!file)
      throw new BadRequestException({
        message: 'document: no file came',
        errors: { document: ['A PDF or a picture is due'] },
      });
    refuseFolder(file.originalname, 'document');
    return this.documents.attach(id, body.name, file.buffer, person.name);
  }

  @Get('documents/:id')
  @AllowedFor(...EVERY_ROLE)
  @Header('Cache-Control', 'private, max-age=60')
  async open(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    return shownFile(await this.documents.open(id));
  }

  /** What the benches learned against a sheet, newest first. */
  @Get('sheets/:id/lessons')
  @AllowedFor(...EVERY_ROLE)
  lessons(@Param('id') id: string): Promise<LessonView[]> {
    return this.learned.lessons(id);
  }

  /** By test, what was behind its failures in this shop: where the last way back of each job led. */
  @Get('sheets/:id/past-causes')
  @AllowedFor(...EVERY_ROLE)
  pastCauses(@Param('id') id: string): Promise<Record<string, Record<string, number>>> {
    return this.learned.pastCauses(id);
  }

  /** Takes in a sheet of another workshop: a new one, or a newer revision of one that is here. */
  @Post('sheets/import')
  @HttpCode(200)
  @AllowedFor('owner')
  async take(@Body() body: Buffer): Promise<{ readonly id: string; readonly revision: number }> {
    return this.sheets.take(await this.sheets.lint(body));
  }

  /** Reads a sheet and says what is wrong with it, line by line. Keeps nothing. */
  @Post('sheets/lint')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  async lint(@Body() body: Buffer): Promise<{ usable: boolean; problems: readonly SheetProblem[] }> {
    const { sheet, problems } = await this.sheets.lint(body);
    return { usable: sheet !== undefined, problems };
  }
}
