import { Ajv2020, type ErrorObject, type ValidateFunction } from 'ajv/dist/2020.js';
import { LineCounter, parseDocument } from 'yaml';
import { compileSheet } from '../compile/compile.ts';
import type { RawSheet } from '../compile/raw.ts';
import { pathText, type Path } from '../compile/reader.ts';
import { SheetError, type SheetProblem } from '../errors.ts';
import { lintSheet } from '../lint/lint.ts';
import { sheetSchema } from '../schema/schema.ts';
import type { Sheet } from '../types.ts';
import { bringUpWords } from './older-words.ts';
import { positionsIn } from './positions.ts';
import { duplicateKeys, MOST_PROBLEMS, tooMuchText } from './too-much.ts';

let schemaCheck: ValidateFunction | undefined;
/** Compiled when the first sheet is read. Its code is not made smaller first: that took as long again. */
const validator = (): ValidateFunction =>
  (schemaCheck ??= new Ajv2020({
    allErrors: true,
    verbose: true,
    allowUnionTypes: true,
    code: { optimize: false },
  }).compile(sheetSchema));

export interface ReadSheet {
  /** Present when no problem is an error. */
  readonly sheet?: Sheet;
  /** In the order of the text. */
  readonly problems: readonly SheetProblem[];
}

/**
 * Reads a build sheet from YAML (or JSON, which is YAML): schema, compiler and lint, every problem with its line and
 * column. Never throws for what is in the text.
 */
export function readSheet(text: string): ReadSheet {
  const tooMuch = tooMuchText(text);
  if (tooMuch) return { problems: [tooMuch] };
  const counter = new LineCounter();
  // Keys that stand twice are looked for below: the parser's own way compares each key with each.
  const doc = parseDocument(text, { lineCounter: counter, prettyErrors: false, uniqueKeys: false });
  if (doc.errors.length > 0) {
    return {
      problems: doc.errors.slice(0, MOST_PROBLEMS).map((e) => {
        const { line, col } = counter.linePos(e.pos[0]);
        return { severity: 'error', code: 'not-yaml', path: '', message: e.message, line, column: col };
      }),
    };
  }
  const twice = duplicateKeys(doc, counter);
  if (twice.length > 0) return { problems: twice };
  bringUpWords(doc);
  let raw: unknown;
  try {
    raw = doc.toJS({ maxAliasCount: 50 });
  } catch (e) {
    return {
      problems: [
        {
          severity: 'error',
          code: 'not-yaml',
          path: '',
          message: e instanceof Error ? e.message : 'unreadable',
          line: 1,
          column: 1,
        },
      ],
    };
  }
  const positionOf = positionsIn(doc, counter);
  const placed = (at: Path, p: Omit<SheetProblem, 'line' | 'column' | 'path'>): SheetProblem => ({
    ...p,
    path: pathText(at),
    ...positionOf(at),
  });
  const validate = validator();
  if (!validate(raw)) {
    const problems = schemaProblems(validate.errors ?? [], raw).map(({ at, code, message }) =>
      placed(at, { severity: 'error', code, message }),
    );
    return { problems: inOrder(problems) };
  }
  const compiled = compileSheet(raw as RawSheet);
  const ownProblems = compiled.problems.map(({ at, severity, code, message }) =>
    placed(at, { severity, code, message }),
  );
  if (ownProblems.some((p) => p.severity === 'error')) return { problems: inOrder(ownProblems) };
  const lint = lintSheet(compiled.sheet).map((p) =>
    placed(opPlace(p.at, compiled) ?? rungIndex(p.at, compiled.sheet), {
      severity: p.severity,
      code: p.code,
      message: p.message,
    }),
  );
  const problems = inOrder([...ownProblems, ...lint]);
  return problems.some((p) => p.severity === 'error') ? { problems } : { sheet: compiled.sheet, problems };
}

/** Reads a sheet that must be good. @throws SheetError with every problem */
export function readGoodSheet(text: string, name: string): Sheet {
  const { sheet, problems } = readSheet(text);
  if (!sheet)
    throw new SheetError(
      name,
      problems.filter((p) => p.severity === 'error'),
    );
  return sheet;
}

function inOrder(problems: readonly SheetProblem[]): SheetProblem[] {
  return [...problems].sort((a, b) => (a.line ?? 0) - (b.line ?? 0) || (a.column ?? 0) - (b.column ?? 0));
}

/** The lint names an operation by its id: where that stands in the text. */
function opPlace(at: Path, { opAt }: { readonly opAt: ReadonlyMap<string, Path> }): Path | undefined {
  return at[0] === 'op' ? (opAt.get(String(at[1])) ?? []) : undefined;
}

/** The lint names a rung by its id; the text has them in a list. */
function rungIndex(at: Path, sheet: Sheet): Path {
  if (at[0] !== 'rungs' || typeof at[1] !== 'string') return at;
  const ids = [...new Set(sheet.steps.map((s) => s.rung))];
  return ['rungs', Math.max(0, ids.indexOf(at[1])), ...at.slice(2)];
}

/** Ajv's errors in our words; where a choice of shapes failed, the branch that got furthest speaks. */
function schemaProblems(errors: readonly ErrorObject[], raw: unknown): { at: Path; code: string; message: string }[] {
  const out = new Map<string, { at: Path; code: string; message: string }>();
  const deepest = errors.reduce((most, e) => Math.max(most, e.instancePath.split('/').length), 0);
  const telling = errors.filter(
    (e) => !['anyOf', 'if'].includes(e.keyword) || e.instancePath.split('/').length === deepest,
  );
  for (const e of telling) {
    const at: (string | number)[] = e.instancePath
      .split('/')
      .slice(1)
      .map((s) => (/^\d+$/.test(s) ? Number(s) : s.replaceAll('~1', '/').replaceAll('~0', '~')));
    let code = 'wrong-shape';
    let message: string;
    switch (e.keyword) {
      case 'additionalProperties': {
        const key = String((e.params as { additionalProperty: string }).additionalProperty);
        at.push(key);
        code = 'unknown-key';
        message = `"${key}" is not a key that belongs here; known: ${Object.keys((e.parentSchema as { properties?: object }).properties ?? {}).join(', ')}`;
        break;
      }
      case 'required':
        code = 'missing-key';
        message = `"${String((e.params as { missingProperty: string }).missingProperty)}" is missing`;
        break;
      case 'const':
        message = `must be ${JSON.stringify((e.params as { allowedValue: unknown }).allowedValue)}`;
        break;
      case 'enum':
        message = `must be one of: ${(e.params as { allowedValues: unknown[] }).allowedValues.join(', ')}`;
        break;
      case 'pattern':
      case 'propertyNames':
        message = 'names are lower case letters, figures and hyphens, a letter first';
        break;
      default:
        message = e.message ?? 'has the wrong shape';
    }
    const given = e.keyword === 'additionalProperties' || raw === undefined ? '' : shownData(e.data);
    const key = `${pathText(at)} ${code}`;
    if (out.size >= MOST_PROBLEMS) break;
    if (!out.has(key)) out.set(key, { at, code, message: given ? `${message}; came: ${given}` : message });
  }
  return [...out.values()];
}

function shownData(data: unknown): string {
  if (typeof data === 'object' && data !== null) return '';
  return JSON.stringify(data) ?? '';
}
