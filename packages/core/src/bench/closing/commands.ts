/** What takes back, signs off and hands over. */
export type ClosingCommand =
  | { readonly type: 'take-back'; readonly command: string; readonly reason: string }
  /** A second person looks the finished unit over. */
  | { readonly type: 'check-over' }
  | { readonly type: 'sign-off' }
  | { readonly type: 'hand-over'; readonly to: string; readonly note?: string };
