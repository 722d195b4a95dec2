// The command line of the build sheets: lint a file or the library, or print a sheet's operations in the order of work.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { parseArgs } from 'node:util';
import { emptyBench, jobSheet, linesOf, opTitle } from '@jubb/core/bench';
import { ladder, ladders } from '@jubb/core/sheet';
import { readSheet } from '@jubb/core/sheet/read';

const library = new URL('../library/', import.meta.url).pathname;
const USAGE = `usage: ./jubb sheet lint FILE [--json]
       ./jubb sheet --all
       ./jubb sheet order NAME [--variant V] [--scope S] [--method M=C]... [--finding P=F]... [--json]`;

/** Ends with a message that names what came and what is accepted. */
function refuse(message, code = 2) {
  process.stderr.write(`jubb sheet: ${message}\n`);
  process.exit(code);
}
const told = (file, p) => `${file}:${p.line ?? 1}:${p.column ?? 1}: ${p.severity} ${p.code}: ${p.message}`;

/** A file as it is given, or a sheet of the library by its name. */
function textOf(name) {
  const file = [name, join(library, `${name}.yaml`)].find((f) => existsSync(f));
  if (file === undefined)
    refuse(`there is no file and no sheet "${name}"; the library has: ${sheetsOfLibrary().join(', ')}`);
  return { file, text: readFileSync(file, 'utf8') };
}
const sheetsOfLibrary = () =>
  readdirSync(library)
    .filter((f) => f.endsWith('.yaml'))
    .map((f) => basename(f, '.yaml'));

function lint(files, json) {
  let bad = 0;
  const out = [];
  for (const name of files) {
    const { file, text } = textOf(name);
    const { problems } = readSheet(text);
    if (problems.some((p) => p.severity === 'error')) bad += 1;
    out.push(...problems.map((p) => ({ file: basename(file), ...p })));
  }
  if (json) process.stdout.write(`${JSON.stringify(out)}\n`);
  else {
    for (const p of out) process.stdout.write(`${told(p.file, p)}\n`);
    process.stdout.write(
      bad === 0
        ? `${files.length === 1 ? 'the sheet' : `${files.length} sheets`} can be worked\n`
        : `${bad} cannot be worked\n`,
    );
  }
  process.exitCode = bad === 0 ? 0 : 1;
}

/** `lip-depth=deeper` as a pair; the name must be known, and the choice one of it. */
function pairs(given, what, known) {
  return Object.fromEntries(
    (given ?? []).map((text) => {
      const [name, choice] = text.split('=');
      const choices = known[name];
      if (choices === undefined)
        refuse(
          `--${what} ${text}: there is no ${what} "${name}"; there is: ${Object.keys(known).join(', ') || 'none'}`,
        );
      if (choice === undefined || !choices.includes(choice))
        refuse(`--${what} ${text}: "${choice ?? ''}" is not one of: ${choices.join(', ')}`);
      return [name, choice];
    }),
  );
}

function order(name, values) {
  const { file, text } = textOf(name);
  const { sheet, problems } = readSheet(text);
  if (!sheet) {
    for (const p of problems.filter((q) => q.severity === 'error'))
      process.stderr.write(`${told(basename(file), p)}\n`);
    refuse(`${basename(file)} cannot be worked`, 1);
  }
  const one = (what, given, known) => {
    if (given !== undefined && !known.includes(given))
      refuse(`--${what} ${given}: one of: ${known.join(', ') || 'none'}`);
    return given;
  };
  const variants = sheet.variants.map((v) => v.id);
  const findings = ['reuse', 'dress', 'renew', 'watch', 'scrap'];
  const parts = Object.fromEntries(Object.keys(sheet.parts).map((p) => [p, findings]));
  const methods = Object.fromEntries(Object.values(sheet.methods).map((m) => [m.id, m.choices.map((c) => c.id)]));
  // Where nothing is said: the first variant, every judged part renewed, the first choice of each method.
  const usual = ladders(sheet)[0];
  const variant = one('variant', values.variant, variants);
  const scope = one('scope', values.scope, Object.keys(sheet.scopes));
  const choices = {
    ...usual,
    ...(variant === undefined ? {} : { variant }),
    ...(scope === undefined ? {} : { scope }),
    methods: { ...usual.methods, ...pairs(values.method, 'method', methods) },
    findings: { ...usual.findings, ...pairs(values.finding, 'finding', parts) },
  };
  const state = {
    ...emptyBench('order'),
    variant: choices.variant,
    methods: choices.methods,
    findings: choices.findings,
  };
  // With the figures and counts of its variant.
  const own = jobSheet(sheet, state);
  const lines = ladder(own, choices).all.flatMap((step) =>
    step.ops.map((op) => ({ side: step.side, step: step.id, kind: op.kind, says: saysOf(own, state, op) })),
  );
  const numbered = lines.map((l, i) => ({ n: i + 1, ...l }));
  if (values.json) return process.stdout.write(`${JSON.stringify(numbered)}\n`);
  let step = '';
  for (const l of numbered) {
    if (l.step !== step) process.stdout.write(`\n${l.step}\n`);
    step = l.step;
    process.stdout.write(`${String(l.n).padStart(4)}  ${l.says}\n`);
  }
}

/** An operation as it is told at the bench: its title, and the lines under it that add to it. */
function saysOf(sheet, state, op) {
  const title = opTitle(sheet, op);
  const more =
    op.kind === 'do' || op.kind === 'caution'
      ? op.kind === 'caution'
        ? [op.say]
        : op.lines
      : linesOf(sheet, state, op);
  return [title, ...more.filter((l) => l !== title && !title.includes(l))].join('. ');
}

// Whoever reads may stop reading: `./jubb sheet order NAME | head`.
process.stdout.on('error', (e) => {
  if (e.code !== 'EPIPE') throw e;
  process.exit(0);
});

const [command, ...rest] = process.argv.slice(2);
const parse = (options) => {
  try {
    return parseArgs({ args: rest, allowPositionals: true, options });
  } catch (e) {
    return refuse(`${e.message}\n${USAGE}`);
  }
};
if (command === '--all') lint(sheetsOfLibrary(), rest.includes('--json'));
else if (command === 'lint') {
  const { positionals, values } = parse({ json: { type: 'boolean' }, all: { type: 'boolean' } });
  if (positionals.length === 0 && !values.all) refuse(USAGE);
  lint(values.all ? sheetsOfLibrary() : positionals, values.json);
} else if (command === 'order') {
  const { positionals, values } = parse({
    variant: { type: 'string' },
    scope: { type: 'string' },
    method: { type: 'string', multiple: true },
    finding: { type: 'string', multiple: true },
    json: { type: 'boolean' },
  });
  if (positionals.length !== 1) refuse(USAGE);
  order(positionals[0], values);
} else refuse(USAGE);
