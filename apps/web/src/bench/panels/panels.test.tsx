import { beforeAll, describe, expect, test } from '@jest/globals';
import { nextMove, opTitle, rehearse, returnSheet, type NextMove } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { LadderDrawing } from '../../drawing/ladder-drawing.tsx';
import { una } from '../../server.fixtures.tsx';
import { MovePanel } from '../move-panel.tsx';
import { benchOf, bookedJob, drawers, sheets } from '../rehearsed.fixtures.ts';
import { ReturnView } from '../return/return-view.tsx';
import { TruthColumn } from '../truth-column.tsx';
import type { Bench } from '../use-bench.ts';

const MOST_MOVES = 600;

// The panels ask the page for its foot and the browser for its tray; drawn as text there is neither.
beforeAll(() => {
  Object.assign(globalThis, {
    document: { getElementById: () => null },
    localStorage: { getItem: () => null, setItem: () => undefined },
  });
});

const drawn = (what: React.JSX.Element): string =>
  renderToStaticMarkup(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{what}</MemoryRouter>
    </QueryClientProvider>,
  );
const textOf = (html: string): string => html.replace(/<[^>]*>/g, ' ').replace(/\s+/g, ' ');

/** Walks a whole job by rehearsal and shows every state on the way; how many commands it took. */
function walk(sheet: Sheet, see: (bench: Bench, move: Extract<NextMove, { kind: 'op' }>) => void): number {
  const { job, give } = bookedJob(sheet);
  for (let n = 1; n < MOST_MOVES; n += 1) {
    const { state } = job();
    const move = nextMove(sheet, state);
    if (move.kind !== 'op') return n;
    see(benchOf(job()).bench, move);
    const command = rehearse(sheet, state, { drawers }, { impatience: 'drawn' });
    if (!command) throw new Error(`stuck at ${move.op.id}`);
    give(command);
  }
  throw new Error(`a job of more than ${MOST_MOVES} moves`);
}

describe.each(sheets.map((s) => [s.id, s] as const))('%s, every move of a whole job', (_, sheet) => {
  test('has a panel that says what to do, a way to complete it, and nothing half made', () => {
    const kinds = new Set<string>();
    const moves = walk(sheet, (bench, { op, step }) => {
      kinds.add(op.kind);
      const html = drawn(<MovePanel bench={bench} me={una} op={op} step={step} />);
      const words = textOf(html);
      expect([op.id, words.match(/undefined|NaN|\[object|null /)]).toEqual([op.id, null]);
      expect([op.id, html.match(/NaN|Infinity/)]).toEqual([op.id, null]);
      // A button to press: the wide one, or one for each choice.
      expect([op.id, /class="[^"]*\bbtn-(go|line|ink)\b/.test(html)]).toEqual([op.id, true]);
      if (op.kind === 'caution') expect(words).toContain(op.say.slice(0, 20).replaceAll("'", '&#x27;'));
      if (op.kind === 'look')
        expect(html.match(/class="[^"]*\bchoice\b[^"]*\bbtn-line\b/g)).toHaveLength(
          sheet.looks[op.look]!.choices.length,
        );
      if (op.kind === 'off') expect(html.match(/<li>/g)).toHaveLength(op.parts.length);
      if ((op.kind === 'undo' || op.kind === 'slacken') && bench.sheet.joints[op.joint]!.hand === 'left')
        expect(words).toContain('Left-hand thread Clockwise to undo');
      expect(opTitle(bench.sheet, op)).not.toMatch(/undefined|@/);
    });
    expect(moves).toBeGreaterThan(60);
    for (const kind of ['caution', 'off', 'judge', 'tighten', 'place']) expect(kinds).toContain(kind);
  });

  test('the ladder, what is true now and the return sheet follow it all the way', () => {
    let seen = 0;
    walk(sheet, (bench, { op, step }) => {
      seen += 1;
      if (seen % 9 !== 0) return;
      const ladder = drawn(<LadderDrawing sheet={bench.sheet} state={bench.state} />);
      expect(ladder).toContain(`now ${step.side}`);
      expect([op.id, /NaN|undefined/.test(ladder)]).toEqual([op.id, false]);
      // One brass marker, wherever it is.
      expect(ladder.match(/fill="var\(--brassfill\)"/g)).toHaveLength(1);
      const sheetNow = returnSheet(bench.sheet, bench.state);
      const truth = textOf(drawn(<TruthColumn bench={bench} open ownWorking={false} />));
      const back = textOf(drawn(<ReturnView sheet={sheetNow} bench={bench} />));
      expect(truth).toContain(`Aids fitted ${sheetNow.aids.length}`);
      for (const lead of sheetNow.leads) expect([truth, back].every((t) => t.includes(lead.title))).toBe(true);
      for (const b of sheetNow.between) expect(truth).toContain(b.state);
    });
    expect(seen).toBeGreaterThan(50);
  });
});
