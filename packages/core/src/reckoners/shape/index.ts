export { accepted, check, type DefaultUsed } from './check.ts';
export { ReckonError, shown } from './error.ts';
export * from './fields.ts';
export {
  defineReckoner,
  needed,
  type CheckValue,
  type Danger,
  type Dangers,
  type OutputSpec,
  type Reckoner,
  type Reckoning,
  type Results,
  type ResultValue,
  type Subject,
} from './reckoner.ts';
export { inOneUnit } from './one-unit.ts';
export { Work, type WorkingLine } from './working.ts';
