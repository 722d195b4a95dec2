import { startStandIns } from './service.ts';

const port = Number(process.env['JUBB_STAND_IN_PORT'] ?? 7811);
const server = await startStandIns(port, { seed: Number(process.env['JUBB_SEED'] ?? 20417) });
console.log(`stand-ins on 127.0.0.1:${port}`);
const stop = (): void => {
  server.close();
  process.exit(0);
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
