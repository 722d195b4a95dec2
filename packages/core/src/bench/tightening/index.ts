export { gave, pullSigns, signsOf, signWords, type PullSign } from './signs.ts';
export * from './state.ts';
export { instrumentFacts, type ListedInstrument } from './instrument-facts.ts';
export { slotOf } from './slot.ts';
export { takesWords } from './takes.ts';
export { rangeOf, wrenchesFor, type Wrench, type WrenchAdvice } from './wrenches.ts';
