import type { Deciders } from '../registry/shapes.ts';
import type { SurpriseCommand } from './commands.ts';
import { unreachable } from '../../records.ts';
import { ladderOf, nextMove, stepDone } from '../ladder/moves.ts';
import type { LadderStep, Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import type { OwnThing } from './events.ts';
import { notACount, refuseCount } from '../counting/decide.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;
const MOST_OWN = 60;

/** The step at hand; once all is done, the last one. */
function stepNow(sheet: Sheet, state: BenchState): LadderStep | undefined {
  const move = nextMove(sheet, state);
  return move.kind === 'op' ? move.step : ladderOf(sheet, state).all.at(-1);
}

/** The build step on which something put in now is settled: the other side of this rung, else the next one up. */
function homeOf(sheet: Sheet, state: BenchState): string | undefined {
  const { build } = ladderOf(sheet, state);
  const now = stepNow(sheet, state);
  const opposite = build.findLast((s) => s.rung === now?.rung);
  return (opposite ?? build.find((s) => !stepDone(s, state)) ?? build.at(-1))?.id;
}

function addOwn(state: BenchState, thing: OwnThing): Decision {
  if (state.own.length >= MOST_OWN)
    return refuse('wrong-value', `${MOST_OWN} things are put into this job already`, 'The sheet wants a new revision');
  return accept({ type: 'own-added', payload: { own: thing } });
}

const nextId = (state: BenchState): string => `own-${state.own.length + 1}`;

/** A witness mark that the sheet does not ask for: it too must be lined up again. */
export function decideAddMark(state: BenchState, sheet: Sheet, command: Of<'add-mark'>): Decision {
  const [a, b] = command.between;
  for (const p of command.between)
    if (!sheet.parts[p]) return refuse('wrong-value', `There is no part "${p}"`, 'Choose two parts of this unit');
  if (a === b)
    return refuse(
      'wrong-value',
      `A mark stands between two parts, not ${sheet.parts[a]!.title.toLowerCase()} and itself`,
      'Choose the other part',
    );
  const where = command.where.trim();
  if (where === '') return refuse('not-complete', 'Where is it?', 'Say where the mark stands');
  const home = homeOf(sheet, state);
  if (home === undefined) return refuse('not-complete', 'Nothing is built up again here', 'A mark needs a build side');
  return addOwn(state, {
    kind: 'mark',
    id: nextId(state),
    between: [a, b],
    where,
    with: command.with.trim() || 'paint',
    home,
  });
}

/** An aid, or something parted on the side, that the sheet does not name: counted until it is out, or on again. */
export function decideAddThing(state: BenchState, sheet: Sheet, command: Of<'add-aid' | 'add-lead'>): Decision {
  const [title, where] = [command.title.trim(), command.where.trim()];
  if (title === '') return refuse('not-complete', 'What is it?', 'Name it');
  if (where === '') return refuse('not-complete', 'Where is it?', 'Say where');
  const home = homeOf(sheet, state);
  if (home === undefined) return refuse('not-complete', 'Nothing is built up again here', 'It needs a build side');
  return addOwn(state, { kind: command.type === 'add-aid' ? 'aid' : 'lead', id: nextId(state), title, where, home });
}

/** The unit is not as the sheet says: the ladder of this job takes it in, and the sheet gets a lesson. */
export function decideSurprise(state: BenchState, sheet: Sheet, command: Of<'surprise'>): Decision {
  const step = stepNow(sheet, state);
  if (!step) return refuse('not-complete', 'There is no step to hang it on', 'Reload the bench');
  const title = command.title.trim();
  const note = command.note.trim();
  if (title === '') return refuse('not-complete', 'What is it?', 'Say it in a few words');
  const lesson: NewEvent = {
    type: 'lesson-filed',
    payload: { rung: step.rung, kind: command.kind, words: note === '' ? title : `${title}: ${note}` },
  };
  switch (command.kind) {
    case 'comes-off-first': {
      const id = nextId(state);
      const parts = (command.parts ?? []).map((p, i) => ({
        id: `${id}-part-${i + 1}`,
        title: p.title.trim(),
        count: p.count,
      }));
      for (const p of parts) {
        if (p.title === '') return refuse('not-complete', 'What comes off?', 'Name each part');
        if (notACount(p.count) || p.count === 0) return refuseCount(p.count);
      }
      const added = addOwn(state, {
        kind: 'rung',
        id,
        title,
        before: step.id,
        side: step.side,
        lines: note === '' ? [] : [note],
        parts: step.side === 'strip' ? parts : [],
      });
      return added.ok ? accept(...added.events, lesson) : added;
    }
    case 'not-as-sheet':
      return accept(
        {
          type: 'noted',
          payload: { step: step.id, text: note === '' ? title : `${title}: ${note}`, about: 'not-as-sheet' },
        },
        lesson,
      );
    case 'broken': {
      const part = command.part;
      if (part === undefined || !sheet.parts[part])
        return refuse('wrong-value', 'Which part is broken?', 'Choose a part of this unit');
      const op = step.ops.find((o) => !state.done[o.id])?.id ?? step.id;
      return accept(
        { type: 'noted', payload: { step: step.id, text: note === '' ? title : `${title}: ${note}`, about: 'broken' } },
        { type: 'finding-made', payload: { op, part, finding: 'renew', reason: `Broken already: ${title}` } },
        lesson,
      );
    }
    default:
      return unreachable('a surprise of an unknown kind', command.kind);
  }
}

/** How each of these commands is decided. */
export const surprisesDeciders: Deciders<SurpriseCommand['type']> = {
  'add-mark': decideAddMark,
  'add-aid': decideAddThing,
  'add-lead': decideAddThing,
  surprise: decideSurprise,
};
