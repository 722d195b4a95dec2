/** The largest whole number that the database takes. */
export const LARGEST_INT = 2_147_483_647;
