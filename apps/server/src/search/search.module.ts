import { Module } from '@nestjs/common';
import { SheetsModule } from '../sheets/sheets.module.ts';
import { SearchController } from './search.controller.ts';
import { SearchService } from './search.service.ts';

@Module({ imports: [SheetsModule], controllers: [SearchController], providers: [SearchService] })
export class SearchModule {}
