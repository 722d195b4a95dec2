/** What an empty workshop begins with, until its owner says who they are and what it is called. */
export const FIRST_NAME = 'Owner';
export const FIRST_WORKSHOP = 'My workshop';
