import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { makeApp } from './app.ts';
import { CONFIG, readConfig, type Config } from './config/config.ts';
import { loadDemo, loadEmpty } from './demo/demo.ts';
import { InstrumentsService } from './instruments/instruments.service.ts';
import { SheetsService } from './sheets/sheets.service.ts';

const app = await makeApp(readConfig(process.env));
const config = app.get<Config>(CONFIG);
await app.get(SheetsService).loadLibrary();
if (process.env['JUBB_DEMO'] === 'no') await loadEmpty(app.get(DataSource));
else await loadDemo(app, new Date());
await app.get(InstrumentsService).connectAll();
await app.listen(config.port, config.host);
console.log(`ready on http://${config.host}:${config.port}`);
