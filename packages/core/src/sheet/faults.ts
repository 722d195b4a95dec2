/** What is done about a fault: a part renewed, dressed, cleaned or looked at; a setting set; a joint tightened; a fluid filled. */
export const cureVerbs = ['renew', 'dress', 'clean', 'look', 'set', 'tighten', 'fill'] as const;
export type CureVerb = (typeof cureVerbs)[number];

/** What a unit of this kind may have wrong with it, what that tends to show, and what cures it. */
export interface SheetFault {
  readonly id: string;
  readonly title: string;
  /** Odds against the other faults of the sheet: 5 is five times as often as 1. By the sheet, until the shop's own jobs say better. */
  readonly often: number;
  /** Test, look, setting or measure → what it tends to say: the choice of a look, or which side of its limits. */
  readonly shows: Readonly<Record<string, string>>;
  /** Part, setting, joint or fluid → what is done to it. */
  readonly cure: Readonly<Record<string, CureVerb>>;
}

/** What a reading of a fault says that is no choice of a look: under its lower limit, or over its upper one. */
export const readingSays = ['low', 'high'] as const;
