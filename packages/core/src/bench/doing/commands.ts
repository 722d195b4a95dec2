import type { Quantity } from '../../quantities/index.ts';

/** What completes an operation. */
export type DoingCommand =
  /** Completes an operation that is done, looked at or acknowledged. */
  {
    readonly type: 'complete';
    readonly op: string;
    readonly tray?: string;
    readonly note?: string;
    readonly answer?: 'yes' | 'no';
    /** Of parts taken off: how many there are, where it is not what the sheet says. `later`: counted from the tray. */
    readonly counts?: Readonly<Record<string, number | 'later'>>;
    /** Why the count differs, why a wait is cut short, or why it is safe with what is in its way. */
    readonly reason?: string;
    /** Of rework: `check` and `clear`; of a part that goes home: `check`. */
    readonly ticks?: readonly string[];
    /** Of a bleed: clean strokes in a row. */
    readonly strokes?: number;
    /** Of a drain or a fill: how much came out, or went in, where it was measured. */
    readonly amount?: Quantity;
  };
