// Writes docs/reckoners.md from the registry, the JSON Schemas, and docs/architecture.svg from the walls. `--check` only says whether they are stale.
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { sheetSchema } from '../packages/core/dist/sheet/schema/schema.js';
import { recordSchema } from '@jubb/core/bench/verify';
import { accepted, reckoners } from '@jubb/core/reckoners';

import { architectureDrawing } from './lib/architecture-drawing.mjs';
import * as walls from '../walls.mjs';

const file = new URL('../docs/reckoners.md', import.meta.url);
const cell = (text) => String(text).replace(/\|/g, '\\|').replace(/\n/g, ' ');
const need = (f) => (f.default !== undefined ? `default ${f.default}` : f.optional ? 'optional' : '');
const short = (value) =>
  Array.isArray(value) && value.length > 60 ? `[${value.length} numbers]` : JSON.stringify(value);
const inputsOf = (inputs) =>
  Object.entries(inputs)
    .map(([k, v]) => `${k}: ${short(v)}`)
    .join(', ');

const lines = [
  '# The reckoners',
  '',
  'Written from the registry by `npm run docs`; CI fails when it is stale. Every check value is a test, right to the last digit shown.',
  '',
  `${reckoners.length} calculations: ${[...new Set(reckoners.map((r) => r.subject))].join(', ')}.`,
  '',
];
let subject = '';
for (const r of reckoners) {
  if (r.subject !== subject) {
    subject = r.subject;
    lines.push(`## ${subject[0].toUpperCase()}${subject.slice(1)}`, '');
  }
  lines.push(`### ${r.id}`, '', `${r.title}. Asked as: ${r.asks.join(', ')}.`, '', `\`${r.formula}\``, '');
  lines.push('| input | takes | |', '| --- | --- | --- |');
  for (const [name, f] of Object.entries(r.inputs))
    lines.push(`| ${name} | ${cell(`${f.label}: ${accepted(f)}`)} | ${need(f)} |`);
  lines.push(
    '',
    `Results: ${Object.entries(r.outputs)
      .map(([k, o]) => `${k} (${o.is}${o.optional ? ', when it applies' : ''})`)
      .join(', ')}.`,
    '',
  );
  lines.push(`Source: ${r.sources.join('; ')}.`, '');
  lines.push(
    'Warns, because otherwise:',
    '',
    ...Object.entries(r.dangers).map(([id, d]) => `- *${id}*${d.silent ? '' : ' (always)'}: ${d.harm}`),
    '',
  );
  for (const c of r.checks)
    lines.push(
      `- \`${inputsOf(c.inputs)}\` → ${
        Object.entries(c.gives)
          .map(([k, v]) => `${k} **${v}**`)
          .join(', ') || 'see the source'
      } (${c.source})`,
    );
  lines.push('');
}
const text = await format(lines.join('\n'), { ...(await resolveConfig(file)), parser: 'markdown' });
const recordFile = new URL('../library/job-record.schema.json', import.meta.url);
const schema = new URL('../library/build-sheet.schema.json', import.meta.url);
for (const [name, to, wanted] of [
  ['docs/reckoners.md', file, text],
  ['library/build-sheet.schema.json', schema, `${JSON.stringify(sheetSchema, null, 2)}\n`],
  ['docs/architecture.svg', new URL('../docs/architecture.svg', import.meta.url), architectureDrawing(walls)],
  ['library/job-record.schema.json', recordFile, `${JSON.stringify(recordSchema, null, 2)}\n`],
]) {
  if (!process.argv.includes('--check')) writeFileSync(to, wanted);
  else if (readFileSync(to, 'utf8') !== wanted) {
    console.error(`${name} is stale: run npm run docs`);
    process.exitCode = 1;
  }
}
