export { findingsForCustomer, quoteOptions, type HandPrices, type Offer } from './options.ts';
export { learnTime, type TimeLearned } from './time.ts';
