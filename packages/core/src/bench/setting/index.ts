export { dueReading, type DueReading } from './due-reading.ts';
export { nextTry, type Move, type NextTry } from './next-try.ts';
export { adjustmentOf } from './tries/next-try-of.ts';
export {
  advisePack,
  depthsRead,
  drawerWithPackOut,
  neededPack,
  packIn,
  piecesOfDrawer,
  predict,
  type PackAdvice,
} from './packs.ts';
export { settingMethodOf, spentParts, turnedSoFar } from './setting-method.ts';
export { setSoFar, type SetSoFar } from './set-so-far.ts';
export { hotValue, isPull, pullInputs, settingBand, settingValue } from './value.ts';
export { turnSaid, type TurnSaid } from './turn-said.ts';
