import type { Quantity } from '../../quantities/index.ts';
import type { SideName } from '../../sheet/index.ts';

/** What is done and asks for nothing more, and the steps that it finishes. */
export interface DoingPayloads {
  'caution-acknowledged': { readonly op: string; readonly say: string };
  'op-done': {
    readonly op: string;
    readonly kind: string;
    readonly note?: string;
    readonly answer?: 'yes' | 'no';
    /** Of rework: the look after it and the debris, each ticked; of a part that is home, what told it. */
    readonly ticks?: readonly string[];
    /** Of a bleed: clean strokes in a row. */
    readonly strokes?: number;
    /** Of a drain or a fill: what was measured. */
    readonly amount?: Quantity;
  };
  'rung-done': { readonly step: string; readonly side: SideName };
}
