/** Which build this is: made from what went into it. */
declare const __JUBB_BUILD__: string;
