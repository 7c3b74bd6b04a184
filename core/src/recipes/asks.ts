import type { MakePlan } from '../contract/index.ts';
import { STEP_TYPES } from '../steps/index.ts';
import { batchOf } from '../setup/index.ts';
import { formatVolume, type MeasureSystem } from '../science/units/index.ts';

/** Clean is part of making ready. */
const CLEAN = 'clean jars, lids, spoons and cloth (boiled, steamed or from a hot dishwasher)';

/** The things a plan wants, each once, in the order they are needed. */
export function thingsOf(plan: MakePlan, measures: MeasureSystem): string[] {
  const potWords = `a pot of at least ${formatVolume(batchOf(plan).litres * 1.15, measures)}`;
  return [
    ...new Set([potWords, CLEAN, ...plan.method.steps.flatMap(({ kind }) => STEP_TYPES[kind].asks ?? [])]),
  ];
}
