import type { PastVisit, VisitFigure } from '@jubb/contract';

/** A visit that is over, of which nothing is told. */
export const visit = (number: number, more: Partial<PastVisit> = {}): PastVisit => ({
  jobId: `j${number}`,
  number,
  booked: '2026-11-24T08:00:00.000Z',
  complaint: 'leaks',
  stage: 'handed-over',
  outcome: [],
  causes: [],
  fitted: [],
  methods: [],
  deferrals: [],
  judged: [],
  left: null,
  lookAgain: [],
  followUps: [],
  cameFrom: null,
  figures: [],
  ...more,
});

/** An end float that was read, with its band. */
export const float = (moment: VisitFigure['moment'], value: number, more: Partial<VisitFigure> = {}): VisitFigure => ({
  id: 'float',
  title: 'End float',
  moment,
  value: { value, unit: 'mm' },
  low: { value: 0.03, unit: 'mm' },
  high: { value: 0.08, unit: 'mm' },
  ...more,
});
