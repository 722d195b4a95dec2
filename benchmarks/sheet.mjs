// Build sheets against their goals, beside a baseline of the same run: the plain parse of the same YAML.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'yaml';
import { ladder, ladders, simulate } from '@jubb/core/sheet';
import { readSheet } from '@jubb/core/sheet/read';
import { axesOf, unitDrawing } from '@jubb/core/shape';
import { partsOfRow } from '@jubb/core/sheet';
import { held } from './lib/goals.mjs';

const library = process.env.JUBB_LIBRARY ?? new URL('../library/', import.meta.url).pathname;
/** The middle of several times, ms. */
function time(work, times = 5) {
  const took = Array.from({ length: times }, () => {
    const since = performance.now();
    work();
    return performance.now() - since;
  });
  return took.sort((a, b) => a - b)[Math.floor(times / 2)];
}
const ms = (n) => `${n.toFixed(1)} ms`;

const texts = readdirSync(library)
  .filter((f) => f.endsWith('.yaml'))
  .map((f) => ({ name: f.replace('.yaml', ''), text: readFileSync(join(library, f), 'utf8') }));
for (const { text } of texts.slice(0, 3)) readSheet(text);

const each = texts.map(({ name, text }) => ({
  name,
  lint: time(() => readSheet(text), 3),
  plain: time(() => parse(text), 3),
}));
const slowest = each.reduce((a, b) => (b.lint > a.lint ? b : a));
const whole = each.reduce((s, e) => s + e.lint, 0);
const plain = each.reduce((s, e) => s + e.plain, 0);
console.log(
  `      ${texts.length} sheets: read and linted in ${ms(whole)}, ${(whole / plain).toFixed(1)} × their plain parse`,
);
held(`slowest to lint, ${slowest.name}`, ms(slowest.lint), '1000 ms', slowest.lint < 1000);

const worked = texts.map(({ name, text }) => {
  const { sheet } = readSheet(text);
  return { name, sheet, took: time(() => simulate(sheet), 3), ways: ladders(sheet).length };
});
const longest = worked.reduce((a, b) => (b.took > a.took ? b : a));
held(
  `slowest to work through, ${longest.name}, ${longest.ways} ladders`,
  ms(longest.took),
  '200 ms',
  longest.took < 200,
);

// 75 rungs, taken apart and put together: 150 steps.
const rungs = Array.from(
  { length: 75 },
  (_, i) =>
    `  - id: r${i}\n    title: Rung ${i}\n    strip: [{ off: p${i} }, { minutes: 1 }]\n    build: [{ place: p${i} }, { minutes: 1 }]\n`,
);
const long = `jubb: build-sheet/2
sheet: long
revision: 1
title: Long
kind: hub
maker: Brindlow
from: { maker: "Brindlow", page: "1" }
parts:
${rungs.map((_, i) => `  p${i}: { title: Part ${i} }\n`).join('')}rungs:
${rungs.join('')}`;
const { sheet, problems } = readSheet(long);
if (!sheet) throw new Error(problems.map((p) => p.message).join('; '));
const choices = ladders(sheet)[0];
const took = time(() => ladder(sheet, choices), 21);
held(`order of ${ladder(sheet, choices).all.length} steps`, ms(took), '5 ms', took < 5);

// The unit drawn: the axis with the most parts, half of it off, beside the order of the same sheet.
const drawn = worked.flatMap(({ name, sheet: of }) =>
  axesOf(of).map((axis) => ({ name, of, axis, parts: partsOfRow(axis.row) })),
);
const largest = drawn.reduce((a, b) => (b.parts.length > a.parts.length ? b : a));
const off = new Set(largest.parts.slice(Math.floor(largest.parts.length / 2)));
const draw = (view) => unitDrawing(largest.of, { axis: largest.axis, view, width: 630, height: 260, off });
for (let i = 0; i < 50; i += 1) draw('section');
const geometry = Math.max(
  time(() => draw('section'), 31),
  time(() => draw('row'), 31),
);
const order = time(() => ladder(largest.of, ladders(largest.of)[0]), 21);
held(
  `geometry of ${largest.name}, ${largest.parts.length} parts on one axis (${(geometry / order).toFixed(1)} × its order)`,
  ms(geometry),
  '8 ms',
  geometry < 8,
);
