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
export * from './balances.ts';
export * from './milk-checks.ts';
export * from './allocation.ts';
export * from './skimming.ts';
export * from './milkings-file.ts';
export * from './outlook.ts';
export * from './poured-lots.ts';
export * from './as-starter.ts';
export * from './lot-words.ts';
export * from './milk-correction.ts';
export { isCream } from './pooling.ts';
