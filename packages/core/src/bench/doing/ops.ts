/** Kinds of operations of a sheet that this folder knows. */
export type DoingOp =
  | 'caution'
  | 'do'
  | 'helper'
  | 'clean'
  | 'lubricate'
  | 'protect'
  | 'threadlock'
  | 'fill'
  | 'confirm'
  | 'rework'
  | 'bleed';
