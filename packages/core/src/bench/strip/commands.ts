/** What is asked for while it is taken apart. */
export type StripCommand = { readonly type: 'way-failed'; readonly op: string; readonly note?: string };
