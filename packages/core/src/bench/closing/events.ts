/** What ends a job, and what takes a command back. */
export interface ClosingPayloads {
  'taken-back': { readonly command: string; readonly events: readonly number[]; readonly reason: string };
  /** A second person looked the finished unit over. */
  'checked-over': { readonly statement: string };
  'signed-off': { readonly statement: string };
  'handed-over': { readonly to: string; readonly note?: string };
}
