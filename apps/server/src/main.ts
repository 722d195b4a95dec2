import 'reflect-metadata';
import { currentSheet } from '@jubb/core/sheet';
import { DataSource } from 'typeorm';
import { makeApp } from './app.ts';
import { CONFIG, readConfig, type Config } from './config/config.ts';
import { addStandIns, loadDemo, loadEmpty } from './demo/demo.ts';
import { makeLog } from './log-file.ts';
import { InstrumentsService } from './instruments/instruments.service.ts';
import { PlanQueue } from './planning/plan-queue.ts';
import { CatalogueService } from './parts/catalogue.service.ts';
import { SupplierService } from './parts/supplier.service.ts';
import { SheetsService } from './sheets/sheets.service.ts';

const app = await makeApp(readConfig(process.env), makeLog(process.env['JUBB_LOG_DIR'], process.env['JUBB_LOG']));
const config = app.get<Config>(CONFIG);
await app.get(SheetsService).loadLibrary();
if (process.env['JUBB_DEMO'] === 'no') await loadEmpty(app.get(DataSource), config.dataDir);
else await loadDemo(app, new Date());
await addStandIns(app.get(DataSource));
// What no list names yet can be ordered from the maker, at the sheet's own price.
for (const { compiled } of await app.get(SheetsService).newest())
  await app.get(CatalogueService).learn(currentSheet(compiled), compiled.maker);
await app.get(InstrumentsService).connectAll();
await app.listen(config.port, config.host);
app.get(SupplierService).start();
await app.get(PlanQueue).start();
console.log(`ready on http://${config.host}:${config.port}`);
