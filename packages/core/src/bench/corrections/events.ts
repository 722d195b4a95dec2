import type { Quantity } from '../../quantities/index.ts';
import type { Finding } from '../../sheet/index.ts';

/** What can be put right. */
export type Correctable = 'reading' | 'look' | 'answer' | 'count' | 'finding' | 'note' | 'booking';

/** What it should have been; which fields are taken depends on what was said. `gone`: it was never so. */
export interface Righted {
  readonly gone?: true;
  readonly value?: Quantity;
  readonly choice?: string;
  /** Of a yes-or-no question, or as typed of a question of which one it is. */
  readonly answer?: string;
  readonly count?: number;
  /** Of parts that came off together: which of them. */
  readonly part?: string;
  readonly text?: string;
  readonly finding?: Finding;
  readonly serial?: string;
  readonly customer?: { readonly id: string; readonly name: string };
  readonly complaint?: string;
  /** Of what was told at booking: which question. */
  readonly question?: string;
  /** Minor units; null: no limit. */
  readonly limitMinor?: number | null;
}

export interface CorrectionPayloads {
  /**
   * What was said is put right. The earlier event stays as it was in the log; from here on the log folds as if it had said
   * `changes`, which hold that event and every later one whose mean or verdict hung on it.
   */
  corrected: {
    readonly what: Correctable;
    /** The event that it is about. */
    readonly of: number;
    readonly title: string;
    readonly before: string;
    readonly now: string;
    readonly reason: string;
    /** The payload that stands now, event by event; null: passed over. */
    readonly changes: readonly { readonly seq: number; readonly payload: object | null }[];
  };
}

export interface Correct {
  readonly type: 'correct';
  /** Sequence of the event that said it. */
  readonly seq: number;
  readonly to: Righted;
  readonly reason: string;
}

/** Judges a part once more, with all that lies over it coming off again where it is in already. */
export interface JudgeAgain {
  readonly type: 'judge-again';
  readonly part: string;
  readonly reason: string;
}
