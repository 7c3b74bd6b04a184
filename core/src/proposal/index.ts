export { lackingOf, type Lacking } from './lacking.ts';
export {
  fedProducts,
  fedUsualOf,
  productsByHabit,
  usualOf,
  type FedUsual,
  type MadeBefore,
  type Usual,
} from './usuals.ts';
export type { ChosenBatch, ChosenWhy, DayAim, Supply } from './choose.ts';
export type { BySort, PourSort } from './sorts.ts';
export { onDay, proposingDay, type ProposalWish, type ProposedDay } from './propose.ts';
export { supplyOf } from './supply.ts';
export { dueProducts } from './due-products.ts';
