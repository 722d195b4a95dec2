import { Module } from '@nestjs/common';
import { DocumentsService } from './documents.service.ts';
import { LessonsService } from './lessons.service.ts';
import { SheetsController } from './sheets.controller.ts';
import { SheetsService } from './sheets.service.ts';

@Module({
  controllers: [SheetsController],
  providers: [SheetsService, DocumentsService, LessonsService],
  exports: [SheetsService, DocumentsService],
})
export class SheetsModule {}
