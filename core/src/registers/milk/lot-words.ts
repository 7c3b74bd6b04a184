import type { MovementKind } from '../../contract/index.ts';

/** What happened to a lot, as the maker entered it. */
export const MOVEMENT_WORD: Readonly<Record<MovementKind, string>> = {
  intake: 'Milk in',
  skim: 'Skimmed',
  pool: 'Pooled',
  move: 'Moved',
  freeze: 'Frozen',
  thaw: 'Out to thaw',
  give: 'Taken out',
  recount: 'Recounted',
  measure: 'Cream line measured',
  churn: 'Churned',
};
