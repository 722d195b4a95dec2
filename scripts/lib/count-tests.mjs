// Adds up Jest's result files and prints one line: what passed and what failed. No result, or no test in it, is a failure.
import { readFileSync } from 'node:fs';

let passed = 0;
let failed = 0;
for (const file of process.argv.slice(2)) {
  const result = JSON.parse(readFileSync(file, 'utf8'));
  passed += result.numPassedTests;
  failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  if (result.numTotalTests === 0) failed += 1;
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
