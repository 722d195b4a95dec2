/** What aids and witness marks leave in the log. */
export interface MarkPayloads {
  'aid-fitted': { readonly op: string; readonly aid: string };
  'aid-removed': { readonly op: string; readonly aid: string };
  'mark-made': { readonly op: string; readonly mark: string };
  'mark-aligned': { readonly op: string; readonly mark: string };
}
