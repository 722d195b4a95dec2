export { levelProblem, toRestock, type Kept } from './restock.ts';
export { cheapestCover, type CoverKit, type CoverNeed, type KitCover } from './kit-cover.ts';
export { needReasons, neededParts, type NeedReason, type PartNeed } from './needs.ts';
export {
  buyingWays,
  openNeeds,
  orderPlan,
  type BuyingWay,
  type CatalogueItem,
  type OrderPlan,
  type PartsShelf,
  type PlanLine,
} from './order-plan.ts';
export {
  lackKinds,
  readyToStart,
  type Fetch,
  type Lack,
  type Readiness,
  type ShopHas,
  type ShopInstrument,
} from './ready-to-start.ts';
export { newestNumber, type Supersession } from './supersessions.ts';
