import { startStandIns } from './service.ts';
import { startSupplier } from './supplier.ts';

const port = Number(process.env['JUBB_STAND_IN_PORT'] ?? 7811);
const server = await startStandIns(port, { seed: Number(process.env['JUBB_SEED'] ?? 20417) });
const supplierPort = Number(process.env['JUBB_SUPPLIER_PORT'] ?? 7813);
const supplier = await startSupplier(supplierPort);
console.log(`stand-ins on 127.0.0.1:${port}, supplier on ${supplierPort}`);
const stop = (): void => {
  server.close();
  supplier.close();
  process.exit(0);
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
