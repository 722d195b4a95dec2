/** Kinds of operations of a sheet that this folder knows. */
export type StripOp =
  | 'undo'
  | 'last-out'
  | 'off'
  | 'disconnect'
  | 'reconnect'
  | 'slacken'
  | 'start'
  | 'swing-aside'
  | 'hang'
  | 'refit'
  | 'scrap';
