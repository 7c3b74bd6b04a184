export { amountOf, compositionOf, partByFat, plus } from './amount.ts';
export {
  compositionOfFacts,
  EMPTY_KG,
  freeKg,
  isEmpty,
  keepOf,
  litresIn,
  lotCreaming,
  placeC,
  settledHours,
  settles,
  heatAt,
} from './lot.ts';
export * from './room.ts';
export * from './checks.ts';
export * from './allocation.ts';
export * from './skimming.ts';
export * from './milkings-file.ts';
export * from './outlook.ts';
export * from './pour.ts';
export * from './as-starter.ts';
export * from './words.ts';
export * from './correction.ts';
export { isCream } from './pooling.ts';
