/** What proving leaves in the log beside its readings. */
export interface ProvePayloads {
  /** A test failed, and the work goes back down the ladder to what could cause it. What comes undone is listed whole. */
  'led-back': {
    /** The operation of the test that failed, and the test. */
    readonly op: string;
    readonly test: string;
    /** Part, setting, measure, joint or look of the sheet that is suspected. */
    readonly suspect: string;
    readonly why: readonly string[];
    /** Operations and steps that are to be done again. */
    readonly ops: readonly string[];
    readonly steps: readonly string[];
    /** Parts whose finding is asked again, settings that are to be set again, marks to line up again. */
    readonly parts: readonly string[];
    readonly settings: readonly string[];
    readonly marks: readonly string[];
    /** New parts that come off again and are not used twice: another is needed. */
    readonly again: readonly string[];
  };
}
