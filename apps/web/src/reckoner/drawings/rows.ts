type Rows = readonly Readonly<Record<string, unknown>>[];
/** Rows of a list as they were typed, or of a table of the answer. */
export const rowsOf = (value: unknown): Rows => (Array.isArray(value) ? (value as Rows) : []);
