import type { Deciders } from '../registry/shapes.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { endKinds, type EndOtherwise } from './events.ts';

/** Ends a job otherwise than repaired. What it waited for it waits for no more. */
export function decideEndOtherwise(state: BenchState, command: EndOtherwise): Decision {
  const { how } = command;
  if (!endKinds.some((k) => k === how))
    return refuse('not-a-choice', `"${how}" is no end`, `One of: ${endKinds.join(', ')}`);
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', 'Why does it end so?', 'Say why: the customer reads it');
  const agreedBy = command.agreedBy.trim();
  if (how === 'scrapped' && agreedBy === '')
    return refuse('not-complete', 'Who said that it may be scrapped?', 'Name them');
  const apart = Object.keys(state.off).length > 0 || Object.values(state.joints).some((j) => j.undone && !j.tightened);
  if (how === 'cancelled' && apart)
    return refuse('wrong-kind', 'It is apart', 'Return it as it is: built up to carry, or in its box');
  if (how === 'comeback-refused' && !state.booked?.cameFrom && !state.booked?.earlierVisits)
    return refuse('wrong-kind', 'It was not here before', 'Return it as it is');
  return accept(...endEvents(state, { ...command, reason, agreedBy }));
}

/** The events of an end: how, with what was in, parted and off; and every hold cleared. */
export function endEvents(state: BenchState, { how, reason, agreedBy }: Omit<EndOtherwise, 'type'>): NewEvent[] {
  return [
    {
      type: 'ended-otherwise',
      payload: {
        how,
        reason,
        agreedBy,
        aids: Object.keys(state.aids).filter((a) => !state.aids[a]!.removed),
        leads: Object.keys(state.leads).filter((l) => !state.leads[l]!.reconnected),
        off: Object.entries(state.off).map(([part, o]) => ({ part, count: o.count })),
      },
    },
    ...state.holds
      .filter((h) => !h.cleared)
      .map((h): NewEvent => ({ type: 'hold-cleared', payload: { hold: h.id, note: 'the job ends otherwise' } })),
  ];
}

/** How each of these commands is decided. */
export const endsDeciders: Deciders<EndOtherwise['type']> = {
  'end-otherwise': (state, _sheet, command) => decideEndOtherwise(state, command),
};
