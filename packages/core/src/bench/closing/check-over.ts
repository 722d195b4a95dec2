import type { Sheet } from '../../sheet/index.ts';
import { blockers } from '../ladder/blockers.ts';
import type { Person } from '../log/facts.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { eventsOf, type BenchState } from '../log/state.ts';

/** Who signs must not be who looked it over, and who looked it over must not have built it. */
export function decideCheckOver(state: BenchState, sheet: Sheet, who: Person): Decision {
  if (!sheet.handOver?.secondPerson)
    return refuse('wrong-kind', 'This sheet asks for no second pair of eyes', 'Sign it off');
  if (state.checked) return refuse('already-done', `${state.checked.by.name} looked it over already`, 'Sign it off');
  const left = blockers(sheet, state).filter((b) => b.code !== 'second-person');
  if (left.length > 0) return refuse('blocked', 'It is not finished yet', left[0]!.says, left);
  const built = eventsOf(state).findLast((e) => e.type === 'op-done' || e.type === 'joint-tightened');
  if (built?.who.id === who.id)
    return refuse('same-person', `${who.name} built it up`, 'Another person signs in and looks it over');
  return accept({
    type: 'checked-over',
    payload: { statement: 'Looked over by a second person: marks, aids, fasteners and tests, against the record.' },
  });
}
