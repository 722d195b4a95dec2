// The command line of the reckoners: JSON out and exit 0, an error as JSON and exit 1.
import { createInterface } from 'node:readline';
import { reckon, reckoners, ReckonError } from '@jubb/core/reckoners';

const asError = (e) => {
  if (e instanceof ReckonError) return e.toJSON();
  throw e;
};
const notJson = (text) => ({
  code: 'not-json',
  field: '',
  given: text.slice(0, 80),
  accepted: 'a JSON object',
  message: 'not JSON',
});
const print = (value) => process.stdout.write(`${JSON.stringify(value)}\n`);

const [id, json = '{}'] = process.argv.slice(2);
if (id === '--list') {
  print(reckoners.map(({ id, title, subject, inputs, outputs }) => ({ id, title, subject, inputs, outputs })));
} else if (id === '--batch') {
  const out = [];
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (!line.trim()) continue;
    let asked;
    try {
      asked = JSON.parse(line);
    } catch {
      out.push(JSON.stringify({ id: null, error: notJson(line) }));
      continue;
    }
    const name = asked?.id ?? null;
    try {
      out.push(JSON.stringify({ id: name, ...reckon(String(name), asked?.inputs) }));
    } catch (e) {
      out.push(JSON.stringify({ id: name, error: asError(e) }));
    }
  }
  if (out.length) process.stdout.write(`${out.join('\n')}\n`);
} else if (!id) {
  process.stderr.write("usage: ./jubb reckon ID '{json}' | --list | --batch\n");
  process.exitCode = 2;
} else {
  let inputs;
  try {
    inputs = JSON.parse(json);
    print(reckon(id, inputs));
  } catch (e) {
    print({ error: e instanceof SyntaxError ? notJson(json) : asError(e) });
    process.exitCode = 1;
  }
}
