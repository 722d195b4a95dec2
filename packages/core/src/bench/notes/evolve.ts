import type { NotePayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const notesEvolvers: Evolvers<keyof NotePayloads> = {
  noted: (state, payload, stamp) => ({ notes: [...state.notes, { ...payload, ...stamp }] }),
  'photo-added': (state, payload, stamp) => ({ photos: [...state.photos, { ...payload, ...stamp }] }),
};
