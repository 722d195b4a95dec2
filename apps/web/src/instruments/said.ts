import type { InstrumentView } from '@jubb/contract';

/** How an instrument is read. */
export const READ_BY: Readonly<Record<InstrumentView['readBy'], string>> = {
  port: 'on a line',
  typed: 'typed by hand',
  keyboard: 'types by itself',
};

/** The day that calibrations are held against, YYYY-MM-DD. */
export const today = (): string => new Date().toISOString().slice(0, 10);
