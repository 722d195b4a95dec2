/** What answers which one it is. */
export type IdentifyCommand =
  /** As typed: "65.2 mm", "37", "grey". `op` is absent when it is told before its rung. */
  { readonly type: 'identify'; readonly question: string; readonly answer: string; readonly op?: string };
