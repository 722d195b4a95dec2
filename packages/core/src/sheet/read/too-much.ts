import { isCollection, isPair, isScalar, visit, type Document, type LineCounter } from 'yaml';
import type { SheetProblem } from '../errors.ts';

/** A sheet is a text of at most this many characters: far more than any real one, far less than an attack. */
export const LONGEST = 400_000;
/** Lists and maps in each other: no sheet has ten. */
const DEEPEST = 24;
/** Keys and items of a sheet; the longest shipped one has less than a tenth of it. */
const MOST_VALUES = 20_000;
/** Problems that are told; whoever mends these sees the next ones. */
export const MOST_PROBLEMS = 200;

const problem = (code: string, message: string, at: { line: number; column: number }): SheetProblem => ({
  severity: 'error',
  code,
  path: '',
  message,
  ...at,
});
const start = { line: 1, column: 1 };

/** What a text has too much of to be read at all: length, or brackets and steps of indent in each other. */
export function tooMuchText(text: string): SheetProblem | undefined {
  if (text.length > LONGEST) return problem('too-long', `a sheet of more than ${LONGEST} characters`, start);
  let depth = 0;
  let line = 1;
  let values = 0;
  for (const c of text) {
    if (c === '\n') line += 1;
    if (c === '\n' || c === ',') values += 1;
    if (c === '[' || c === '{') depth += 1;
    else if (c === ']' || c === '}') depth = Math.max(0, depth - 1);
    if (depth > DEEPEST) return problem('too-deep', `nested deeper than ${DEEPEST}`, { line, column: 1 });
  }
  if (values > MOST_VALUES) return problem('too-long', `a sheet of more than ${MOST_VALUES} keys and items`, start);
  return undefined;
}

/** Keys that stand twice in one map, and more keys than a sheet can have. Goes through the document once. */
export function duplicateKeys(doc: Document, counter: LineCounter): SheetProblem[] {
  const out: SheetProblem[] = [];
  let values = 0;
  visit(doc, (_key, node) => {
    if (!isCollection(node)) return undefined;
    values += node.items.length;
    if (values > MOST_VALUES) {
      out.splice(0, out.length, problem('too-long', `a sheet of more than ${MOST_VALUES} keys and items`, start));
      return visit.BREAK;
    }
    const seen = new Set<unknown>();
    for (const item of node.items) {
      if (!isPair(item) || !isScalar(item.key)) continue;
      const { value, range } = item.key;
      if (seen.has(value) && out.length < MOST_PROBLEMS) {
        const { line, col } = counter.linePos(range?.[0] ?? 0);
        out.push(problem('not-yaml', `"${String(value).slice(0, 60)}" stands here twice`, { line, column: col }));
      }
      seen.add(value);
    }
    return undefined;
  });
  return out;
}
