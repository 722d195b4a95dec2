/** A day as it is sent: 2027-03-31. Whether the calendar has it is asked where it is used. */
export const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
export const SAYS_DAY = { message: 'A day, as 2027-03-31' } as const;
