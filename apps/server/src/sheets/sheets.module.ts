import { Module } from '@nestjs/common';
import { SheetsController } from './sheets.controller.ts';
import { SheetsService } from './sheets.service.ts';

@Module({ controllers: [SheetsController], providers: [SheetsService], exports: [SheetsService] })
export class SheetsModule {}
