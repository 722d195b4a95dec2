import 'reflect-metadata';
import { currentSheet } from '@jubb/core/sheet';
import { DataSource } from 'typeorm';
import { makeApp } from './app.ts';
import { BackupService } from './backup/backup.service.ts';
import { readConfig } from './config/config.ts';
import { addStandIns, loadDemo, loadEmpty } from './demo/demo.ts';
import { makeLog } from './log-file.ts';
import { InstrumentsService } from './instruments/instruments.service.ts';
import { openGuide, tlsOf } from './network/closed-line.ts';
import { PlanQueue } from './planning/plan-queue.ts';
import { CatalogueService } from './parts/catalogue.service.ts';
import { SupplierQueue } from './parts/supplier-queue.ts';
import { SheetsService } from './sheets/sheets.service.ts';

const config = readConfig(process.env);
const tls = await tlsOf(config, new Date());
const app = await makeApp(config, makeLog(process.env['JUBB_LOG_DIR'], process.env['JUBB_LOG']), tls);
await app.get(SheetsService).loadLibrary();
if (process.env['JUBB_DEMO'] === 'no') await loadEmpty(app.get(DataSource), config.dataDir);
else await loadDemo(app, new Date());
await addStandIns(app.get(DataSource));
// What no list names yet can be ordered from the maker, at the sheet's own price.
for (const { compiled } of await app.get(SheetsService).newest())
  await app.get(CatalogueService).learn(currentSheet(compiled), compiled.maker);
await app.get(InstrumentsService).connectAll();
await app.listen(config.port, config.host);
if (tls) await openGuide(app, config, tls);
await app.get(SupplierQueue).sendDue();
await app.get(PlanQueue).start();
app.get(BackupService).start();
console.log(`ready on ${config.https ? 'https' : 'http'}://${config.host}:${config.port}`);
