import type { Ahead, SideName, Step } from '../types.ts';
import { compileWhen } from './conditions.ts';
import { compileSideOps } from './ops.ts';
import type { RawAhead, RawNamedStep, RawOp, RawRung, RawSheet, RawSide } from './raw.ts';
import { asList, type Path, type Reader } from './reader.ts';

/** The sides of every rung as steps, in the order of the sheet. */
export function compileSteps(reader: Reader, sheet: RawSheet, rungAt: readonly number[]): readonly Step[] {
  const steps: Step[] = [];
  const seen = new Set<string>();
  sheet.rungs.forEach((rung, i) => {
    const at: Path = ['rungs', rungAt[i]!];
    if (seen.has(rung.id)) reader.problem([...at, 'id'], 'twice', `the rung "${rung.id}" stands twice`);
    seen.add(rung.id);
    if (
      sheet.jubb !== 'build-sheet/2' &&
      (Array.isArray(rung.strip) || (Array.isArray(rung.build) && !isNamedSteps(rung.build)))
    )
      reader.problem(at, 'second-form', 'a side that is a list of operations belongs to jubb: build-sheet/2');
    if (rung.side === 'bottom') {
      if (rung.strip || rung.build)
        reader.problem(at, 'two-sides', 'a rung of the bottom has ops, not a strip or build side');
      steps.push(
        step(reader, at, sheet, rung, 'bottom', `bottom ${rung.id}`, rung.title, {
          ops: rung.ops,
          minutes: rung.minutes,
          helper: rung.helper,
        }),
      );
      return;
    }
    if (rung.ops)
      reader.problem(
        [...at, 'ops'],
        'ops-without-side',
        'ops belong to a strip or build side, or to a rung with side: bottom',
      );
    if (!rung.strip && !rung.build)
      reader.problem(at, 'no-side', `the rung "${rung.id}" has neither a strip nor a build side`);
    if (rung.strip)
      steps.push(
        step(reader, [...at, 'strip'], sheet, rung, 'strip', `strip ${rung.id}`, rung.title, sideOf(rung.strip)),
      );
    if (isNamedSteps(rung.build)) {
      rung.build.forEach((named, j) => {
        steps.push(
          step(
            reader,
            [...at, 'build', j],
            sheet,
            rung,
            'build',
            `build ${rung.id}.${named.id}`,
            named.title ?? rung.title,
            named,
          ),
        );
      });
    } else if (rung.build) {
      steps.push(
        step(reader, [...at, 'build'], sheet, rung, 'build', `build ${rung.id}`, rung.title, sideOf(rung.build)),
      );
    }
  });
  for (const [i, s] of steps.entries()) {
    for (const other of [...s.after, ...s.before]) {
      if (!steps.some((t) => t.id === other))
        reader.problem(
          ['rungs', rungPlace(sheet, s.rung, rungAt) ?? i],
          'unknown-name',
          `"${s.id}" names "${other}", which is no step`,
        );
    }
  }
  return steps;
}

/** Several named steps of one rung, each with an id of its own. */
function isNamedSteps(build: RawRung['build']): build is readonly RawNamedStep[] {
  return Array.isArray(build) && build.length > 0 && build.every((entry) => typeof entry === 'object' && 'id' in entry);
}

/** A side that is written as a list: its operations, and what it says of itself on the way. */
function sideOf(written: RawSide | readonly (RawOp | RawNamedStep)[]): RawSide {
  if (!Array.isArray(written)) return written as RawSide;
  const ops = written as readonly RawOp[];
  const minutes = ops.reduce((sum, o) => sum + (o.minutes ?? 0), 0);
  const all = <K extends 'tools' | 'after' | 'before'>(key: K): NonNullable<RawOp[K]>[number][] =>
    ops.flatMap((o) => (o[key] ?? []) as NonNullable<RawOp[K]>[number][]);
  return {
    ops,
    minutes,
    tools: all('tools'),
    after: all('after'),
    before: all('before'),
    ahead: ops.flatMap((o) => asList(o.ahead)),
  };
}

function step(
  reader: Reader,
  at: Path,
  sheet: RawSheet,
  rung: RawRung,
  side: SideName,
  id: string,
  title: string,
  raw: RawSide,
): Step {
  return {
    id,
    rung: rung.id,
    side,
    title,
    group: rung.group,
    when: [
      ...compileWhen(reader, [...at.slice(0, 2), 'when'], rung.when, sheet),
      ...compileWhen(reader, [...at, 'when'], raw.when, sheet),
    ],
    ops: compileSideOps(reader, { rung: rung.id, side, prefix: id.replace(' ', '/'), at }, raw, sheet),
    minutes: raw.minutes ?? 0,
    helper: raw.helper ?? rung.helper,
    tools: (raw.tools ?? []).map((t) =>
      typeof t === 'string' ? { title: t } : { title: t.special, instead: t.instead },
    ),
    ahead: asList(raw.ahead).map((a, i) => compileAhead(reader, [...at, 'ahead'], a, `${id}#${i + 1}`)),
    ...(rung.onSide === undefined ? {} : { at: rung.onSide }),
    after: (raw.after ?? []).map((name) => stepId(name, side)),
    before: (raw.before ?? []).map((name) => stepId(name, side)),
  };
}

function compileAhead(reader: Reader, at: Path, raw: RawAhead, id: string): Ahead {
  const kinds = (['oven', 'soak', 'tool', 'order'] as const).filter((k) => raw[k] !== undefined);
  if (kinds.length !== 1) reader.problem(at, 'ahead-of-what', 'what is made ready: one of oven, soak, tool, order');
  const kind = kinds[0] ?? 'tool';
  return {
    id,
    kind,
    what: raw[kind] ?? '',
    minutes: raw.takes === undefined ? 0 : reader.minutes([...at, 'takes'], raw.takes),
  };
}

function rungPlace(sheet: RawSheet, rung: string, rungAt: readonly number[]): number | undefined {
  return rungAt[sheet.rungs.findIndex((r) => r.id === rung)];
}

/** `crank` on a build side means `build crank`; `strip nut` is said in full. */
export function stepId(name: string, side: SideName): string {
  return /^(strip|bottom|build) /.test(name) ? name : `${side} ${name}`;
}
