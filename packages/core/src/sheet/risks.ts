/**
 * Chances of a comeback where a sheet says none: by what was done, 0 to 1. Common practice of a careful shop, and only
 * until its own log knows better.
 */
export const USUAL_RISKS = { repair: 1 / 40, dressed: 1 / 5, exchange: 1 / 60 } as const;
