// Verifies an exported record: 0 when it is whole and signed by a known key, 3 when whole but the key is unknown, 1 when not.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { verifyExport } from '@jubb/core/bench/verify';

const args = process.argv.slice(2);
const at = args.indexOf('--data');
const data = at >= 0 ? args.splice(at, 2)[1] : join(process.env.ROOT, '.jubb');
const [file] = args;
if (!file) {
  console.error('usage: ./jubb verify FILE [--data DIR]');
  process.exit(2);
}
let exported;
try {
  exported = JSON.parse(readFileSync(file, 'utf8'));
} catch (e) {
  console.error(`jubb: ${file} cannot be read as JSON: ${e.message}`);
  process.exit(1);
}
const pub = join(data, 'keys', 'workshop.pub');
const known = existsSync(pub) ? [readFileSync(pub, 'utf8').trim()] : [];
const result = verifyExport(exported, known);
for (const c of result.checks)
  console.log(`${c.good ? 'good' : c.what === 'key' ? 'note' : 'BAD '}  ${c.what.padEnd(9)}  ${c.says}`);
if (result.fingerprint) console.log(`      fingerprint  ${result.fingerprint}`);
process.exit(result.good ? (result.known ? 0 : 3) : 1);
