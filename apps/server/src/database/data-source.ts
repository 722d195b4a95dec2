import { DataSource, type DataSourceOptions } from 'typeorm';
import { Backup } from '../backup/backup.entity.ts';
import { Customer } from '../customers/customer.entity.ts';
import { DrawerSize } from '../parts/drawer.entity.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { JobEventRow } from '../jobs/job-event.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { Person } from '../auth/person.entity.ts';
import { ShopChange } from '../shop/shop-change.entity.ts';
import { Session } from '../auth/session.entity.ts';
import { SheetRevision } from '../sheets/sheet-revision.entity.ts';
import { Unit } from '../units/unit.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { SheetDocument } from '../sheets/document.entity.ts';
import { CatalogueRow } from '../parts/catalogue.entity.ts';
import { ImportedRecord } from '../records/imported-record.entity.ts';
import { Lesson } from '../quality/lesson.entity.ts';
import { OrderLine } from '../parts/order-line.entity.ts';
import { StockItem } from '../parts/stock.entity.ts';
import { Photo } from '../photos/photo.entity.ts';
import { Certificates1765200000000 } from './migrations/1765200000000-certificates.ts';
import { NotDone1765300000000 } from './migrations/1765300000000-not-done.ts';
import { DeliveryDate1765400000000 } from './migrations/1765400000000-delivery-date.ts';
import { First1764000000000 } from './migrations/1764000000000-first.ts';
import { Parts1764200000000 } from './migrations/1764200000000-parts.ts';
import { Visits1764300000000 } from './migrations/1764300000000-visits.ts';
import { Records1764400000000 } from './migrations/1764400000000-records.ts';
import { Planning1764500000000 } from './migrations/1764500000000-planning.ts';
import { Agreed1764600000000 } from './migrations/1764600000000-agreed.ts';
import { Once1764700000000 } from './migrations/1764700000000-once.ts';
import { Backup1764900000000 } from './migrations/1764900000000-backup.ts';
import { Invoice1765000000000 } from './migrations/1765000000000-invoice.ts';
import { OwnShop1764800000000 } from './migrations/1764800000000-own-shop.ts';
import { Stores1765100000000 } from './migrations/1765100000000-stores.ts';
import { Shelf1764100000000 } from './migrations/1764100000000-shelf.ts';

export const entities = [
  Workshop,
  Person,
  Session,
  Customer,
  Unit,
  SheetRevision,
  Job,
  JobEventRow,
  DrawerSize,
  Instrument,
  Photo,
  SheetDocument,
  Lesson,
  CatalogueRow,
  OrderLine,
  StockItem,
  ImportedRecord,
  ShopChange,
  Backup,
];

/** Connections of one server: whoever holds one under a lock must not wait for another. */
export const POOL_SIZE = 10;

export function dataSourceOptions(url: string): DataSourceOptions {
  return {
    type: 'postgres',
    url,
    entities,
    migrations: [
      First1764000000000,
      Shelf1764100000000,
      Parts1764200000000,
      Visits1764300000000,
      Records1764400000000,
      Planning1764500000000,
      Agreed1764600000000,
      Once1764700000000,
      OwnShop1764800000000,
      Backup1764900000000,
      Invoice1765000000000,
      Stores1765100000000,
      Certificates1765200000000,
      NotDone1765300000000,
      DeliveryDate1765400000000,
    ],
    migrationsTransactionMode: 'all',
    migrationsRun: true,
    synchronize: false,
    poolSize: POOL_SIZE,
    extra: {
      // A database that is away is said within seconds; a statement that hangs gives its connection back.
      connectionTimeoutMillis: 3000,
      statement_timeout: 20_000,
      idle_in_transaction_session_timeout: 20_000,
      keepAlive: true,
    },
  };
}

/** The one DataSource, for the application, the demo and the tests. */
export function makeDataSource(url: string): DataSource {
  return new DataSource(dataSourceOptions(url));
}
