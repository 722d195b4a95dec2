import type { SurprisePayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const surprisesEvolvers: Evolvers<keyof SurprisePayloads> = {
  'own-added': (state, payload, stamp) => {
    const { own } = payload;
    const next = { own: [...state.own, own] };
    if (own.kind === 'mark') return { ...next, marks: { ...state.marks, [own.id]: { made: stamp } } };
    if (own.kind === 'aid') return { ...next, aids: { ...state.aids, [own.id]: { fitted: stamp } } };
    if (own.kind === 'lead') return { ...next, leads: { ...state.leads, [own.id]: { parted: stamp } } };
    return next;
  },
  'lesson-filed': (state, payload, stamp) => ({ lessons: [...state.lessons, { ...payload, ...stamp }] }),
};
