import type { Condition } from '../types.ts';
import type { RawSheet, RawWhen } from './raw.ts';
import type { Path, Reader } from './reader.ts';
import { findings } from '../types.ts';
import { FULL_SCOPE } from '../ladder/scope.ts';

/** Turns `when: { finding: cups is not renew }` into conditions; each named thing must exist. */
export function compileWhen(
  reader: Reader,
  at: Path,
  when: RawWhen | undefined,
  sheet: RawSheet,
): readonly Condition[] {
  if (!when) return [];
  const out: Condition[] = [];
  if (when.variant !== undefined) {
    const { is, negate } = negated(when.variant);
    reader.name([...at, 'variant'], is, sheet.variants, 'variant');
    out.push({ on: 'variant', subject: '', is, negate });
  }
  if (when.scope !== undefined) {
    const { is, negate } = negated(when.scope);
    reader.name([...at, 'scope'], is, { [FULL_SCOPE]: {}, ...sheet.scopes }, 'scope');
    out.push({ on: 'scope', subject: '', is, negate });
  }
  for (const on of ['method', 'finding'] as const) {
    const given = when[on];
    if (given === undefined) continue;
    const match = /^([a-z][a-z0-9@-]*) is (not )?([a-z][a-z0-9-]*)$/.exec(given.trim());
    if (!match) {
      reader.problem(
        [...at, on],
        'unreadable-condition',
        `"${given}" should read like "cups is renew" or "cups is not renew"`,
      );
      continue;
    }
    const [, subject, not, is] = match as unknown as [string, string, string | undefined, string];
    if (on === 'method') {
      reader.name([...at, on], subject, sheet.methods, 'method');
      if (sheet.methods?.[subject])
        reader.name([...at, on], is, sheet.methods[subject].choices, `choice of ${subject}`);
    } else {
      reader.name([...at, on], subject, sheet.parts, 'part');
      if (!findings.some((f) => f === is))
        reader.problem([...at, on], 'unknown-name', `"${is}" is not a finding; one of: ${findings.join(', ')}`);
    }
    out.push({ on, subject, is, negate: not !== undefined });
  }
  return out;
}

function negated(text: string): { is: string; negate: boolean } {
  const negate = text.startsWith('not ');
  return { is: negate ? text.slice(4).trim() : text.trim(), negate };
}
