import { Module, type DynamicModule } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { BackupModule } from './backup/backup.module.ts';
import { BoundsModule } from './bounds/bounds.module.ts';
import { AuthModule } from './auth/auth.module.ts';
import type { Config } from './config/config.ts';
import { CalendarModule } from './calendar/calendar.module.ts';
import { ConfigModule } from './config/config.module.ts';
import { CustomersModule } from './customers/customers.module.ts';
import { dataSourceOptions } from './database/data-source.ts';
import { HealthModule } from './health/health.module.ts';
import { InstrumentsModule } from './instruments/instruments.module.ts';
import { InvoicesModule } from './invoices/invoices.module.ts';
import { JobsModule } from './jobs/jobs.module.ts';
import { LiveModule } from './live/live.module.ts';
import { NetworkModule } from './network/network.module.ts';
import { PartsModule } from './parts/parts.module.ts';
import { PlanningModule } from './planning/planning.module.ts';
import { QuotesModule } from './quotes/quotes.module.ts';
import { PhotosModule } from './photos/photos.module.ts';
import { QualityModule } from './quality/quality.module.ts';
import { RecordsModule } from './records/records.module.ts';
import { SearchModule } from './search/search.module.ts';
import { ReckonModule } from './reckon/reckon.module.ts';
import { ShopChangesModule, ShopModule } from './shop/shop.module.ts';
import { SheetsModule } from './sheets/sheets.module.ts';
import { UnitsModule } from './units/units.module.ts';
import { WebAppModule } from './web-app/web-app.module.ts';

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        ConfigModule.with(config),
        BoundsModule,
        TypeOrmModule.forRoot(dataSourceOptions(config.databaseUrl)),
        AuthModule,
        CustomersModule,
        UnitsModule,
        SheetsModule,
        JobsModule,
        LiveModule,
        InstrumentsModule,
        ReckonModule,
        PhotosModule,
        SearchModule,
        PartsModule,
        QuotesModule,
        RecordsModule,
        CalendarModule,
        PlanningModule,
        QualityModule,
        ShopChangesModule,
        ShopModule,
        BackupModule,
        InvoicesModule,
        NetworkModule,
        HealthModule,
        ...(config.webDir === undefined ? [] : [WebAppModule.from(config.webDir)]),
      ],
    };
  }
}
