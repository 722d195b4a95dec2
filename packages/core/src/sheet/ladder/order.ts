import type { Step } from '../types.ts';

/** `after` and `before` of the steps contradict each other; `cycle` names them in turn. */
export class CycleError extends Error {
  readonly cycle: readonly string[];
  constructor(cycle: readonly string[]) {
    super(`these steps wait for each other: ${cycle.join(' → ')}`);
    this.name = 'CycleError';
    this.cycle = cycle;
  }
}

/**
 * Orders steps, staying as near to the preferred order as the constraints allow.
 * A step that must come *after* others waits until they are done; a step that must come *before* another is pulled
 * forward to just before it. Constraints on steps that are not in the list are passed over.
 * @throws CycleError naming the steps
 */
export function orderSteps(preferred: readonly Step[]): Step[] {
  const byId = new Map(preferred.map((s) => [s.id, s]));
  const waitsFor = new Map<string, string[]>(preferred.map((s) => [s.id, s.after.filter((a) => byId.has(a))]));
  const pulls = new Map<string, string[]>(preferred.map((s) => [s.id, []]));
  for (const s of preferred) for (const b of s.before) pulls.get(b)?.push(s.id);
  findCycle(preferred, (id) => [...waitsFor.get(id)!, ...pulls.get(id)!]);

  const placed = new Set<string>();
  const out: Step[] = [];
  const place = (id: string): void => {
    if (placed.has(id)) return;
    for (const needed of [...waitsFor.get(id)!, ...pulls.get(id)!]) place(needed);
    placed.add(id);
    out.push(byId.get(id)!);
  };
  let from = 0;
  while (out.length < preferred.length) {
    while (placed.has(preferred[from]!.id)) from += 1;
    let next: Step | undefined;
    for (let i = from; i < preferred.length && !next; i += 1) {
      const s = preferred[i]!;
      if (!placed.has(s.id) && waitsFor.get(s.id)!.every((w) => placed.has(w))) next = s;
    }
    // There is always one: a step that waits only for placed steps exists in any order without a cycle.
    if (!next) throw new CycleError(preferred.filter((s) => !placed.has(s.id)).map((s) => s.id));
    place(next.id);
  }
  return out;
}

function findCycle(steps: readonly Step[], needs: (id: string) => readonly string[]): void {
  const done = new Set<string>();
  const path: string[] = [];
  const onPath = new Set<string>();
  const visit = (id: string): void => {
    if (onPath.has(id)) throw new CycleError([...path.slice(path.indexOf(id)), id]);
    if (done.has(id)) return;
    path.push(id);
    onPath.add(id);
    needs(id).forEach(visit);
    path.pop();
    onPath.delete(id);
    done.add(id);
  };
  for (const s of steps) visit(s.id);
}
