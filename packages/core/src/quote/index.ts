export { findingsForCustomer, quoteOptions, type Offer } from './options.ts';
export { learnTime, type TimeLearned } from './time.ts';
