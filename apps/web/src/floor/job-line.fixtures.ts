import type { JobLine } from '@jubb/contract';

/** A job on the Floor, on its strip at place A. */
export const jobLine = (number: number, more: Partial<JobLine> = {}): JobLine => ({
  id: `j${number}`,
  number,
  title: 'Dolly wheel hub, two taper bearings',
  serial: `S-${number}`,
  unitId: 'u',
  customer: 'Council Depot',
  complaint: 'runs hot',
  stage: 'strip',
  progress: 0.2,
  nextMove: 'Cap off',
  minutesLeft: 60,
  aidsIn: 0,
  partsOff: 0,
  hold: null,
  deliveryDate: null,
  place: 'A',
  updatedAt: '2026-11-24T10:00:00.000Z',
  notices: { parked: false, leadsOff: 0, between: 0, uncounted: 0, standing: [], ahead: [], timers: [] },
  ...more,
});
