import type { MakePlan, StepKind } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import { formatVolume, type MeasureSystem } from '../science/units/index.ts';

/** What a kind of step wants to find in the kitchen. */
const ASKS: Readonly<Partial<Record<StepKind, readonly string[]>>> = {
  heat: ['a burner', 'a probe'],
  scald: ['a burner', 'a probe'],
  incubate: ['a warm place'],
  'add-rennet': ['rennet'],
  cut: ['a long knife'],
  strain: ['a cloth and a bowl for the whey'],
  temper: ['a probe'],
  churn: ['a churn, or a jar with a tight lid'],
  wash: ['very cold drinking water'],
  clarify: ['a heavy pan'],
  filter: ['a filter or a fine cloth'],
  press: ['a mould', 'a weight'],
  brine: ['salt', 'a tub for the brine'],
  salt: ['salt', 'scales'],
  age: ['a cool shelf'],
  dry: ['a rack'],
  'grains-out': ['a coarse sieve'],
  'second-ripen': ['bottles'],
  ladle: ['a ladle'],
  'pour-off': ['a sieve'],
  whip: ['a whisk'],
  freeze: ['a freezer'],
  'add-dose': ['calcium chloride or lipase, with its label'],
  acidify: ['lemons or vinegar'],
  'swap-whey': ['a kettle'],
};

/** Clean is part of making ready. */
const CLEAN = 'clean jars, lids, spoons and cloth (boiled, steamed or from a hot dishwasher)';

/** The things a plan wants, each once, in the order they are needed. */
export function thingsOf(plan: MakePlan, measures: MeasureSystem): string[] {
  const potWords = `a pot of at least ${formatVolume(batchOf(plan).litres * 1.15, measures)}`;
  return [...new Set([potWords, CLEAN, ...plan.method.steps.flatMap(({ kind }) => ASKS[kind] ?? [])])];
}
