import type { MakePlan } from '../contract/index.ts';
import {
  inoculumOf,
  mixedInocula,
  STARTER_FACTS,
  type Inoculum,
  type SouringKind,
} from '../science/souring/index.ts';
import {
  massOfLitresKg,
  MILK_FACTS,
  MILK_SAID,
  mixMilks,
  plasmaSnfPercent,
  POWDER_FACTS,
  withFat,
  type Composition,
  type MilkKind,
} from '../science/milk/index.ts';

/** Whether milk gets a heat treatment that counts as one. */
export const isHeated = (plan: MakePlan): boolean => plan.heat.kind !== 'none';

/** What is in the pot. */
export interface Batch {
  readonly composition: Composition;
  readonly litres: number;
  readonly massKg: number;
  readonly plasmaSnfPercent: number;
  readonly bodyFactor: number;
  /** P10–P90 of the fat when nobody knows it; both ends equal when known. */
  readonly fatRange: readonly [number, number];
}

const milkOf = (kind: MilkKind, fatFraction: number | null): Composition => {
  const usual = MILK_FACTS[kind].composition;
  return fatFraction === null ? usual : withFat(usual, fatFraction);
};

/** From here on what is added is cream, share of fat. */
const CREAM_FAT = 0.1;

/** What a plan's second milk is called in a sentence. @example secondName({ kind: 'cow-lean', fatFraction: 0.35 }) // 'cream' */
export function secondName({ kind, fatFraction }: NonNullable<MakePlan['milk']['second']>): string {
  if (fatFraction !== null && fatFraction >= CREAM_FAT) return 'cream';
  return MILK_SAID[kind];
}

/** The milk of a plan, with its own fat or the kind's usual one, a second milk and powder mixed in by mass balance. */
export function batchOf(plan: MakePlan): Batch {
  const { kind, litres, fatFraction, second, powder } = plan.milk;
  const { bodyFactor, fatSigmaFraction } = MILK_FACTS[kind];
  const first = plan.milk.composition ?? milkOf(kind, fatFraction);
  const parts = [{ composition: first, massKg: massOfLitresKg(litres, first) }];
  if (second) {
    const other = milkOf(second.kind, second.fatFraction);
    parts.push({ composition: other, massKg: massOfLitresKg(second.litres, other) });
  }
  if (powder) parts.push({ composition: POWDER_FACTS[powder.kind].composition, massKg: powder.massKg });
  const mix = mixMilks(parts);
  const firstShare = parts[0]!.massKg / mix.massKg;
  const reach = fatFraction === null ? 1.28 * fatSigmaFraction * firstShare : 0;
  const { composition } = mix;
  return {
    composition,
    litres: mix.litres,
    massKg: mix.massKg,
    plasmaSnfPercent: plasmaSnfPercent(composition),
    // Of two milks each gives its share of body, by mass.
    bodyFactor: second
      ? bodyFactor * firstShare + MILK_FACTS[second.kind].bodyFactor * (1 - firstShare)
      : bodyFactor,
    fatRange: [Math.max(0, composition.fatFraction - reach), composition.fatFraction + reach],
  };
}

/** A dose as used or planned. */
export interface DoseGiven {
  readonly massKg: number | null;
  readonly statedRatio: number | null;
}

/**
 * What a dose brings into a batch, or `null` when the dose does not say enough.
 * @param dose the real one, or the plan's
 */
export function inoculumFor(plan: MakePlan, dose: DoseGiven): Inoculum | null {
  const first = inoculumOfDose(plan, dose);
  const { also } = plan.starter;
  if (!first || !also || STARTER_FACTS[also.kind].dosing !== 'mass') return first;
  return mixedInocula(
    first,
    inoculumOf({
      kind: also.kind,
      ageD: also.ageD ?? undefined,
      massRatio: also.massKg / batchOf(plan).massKg,
    }),
  );
}

function inoculumOfDose(plan: MakePlan, dose: DoseGiven): Inoculum | null {
  const { dosing } = STARTER_FACTS[plan.starter.kind];
  const ageD = plan.starter.ageD ?? undefined;
  const { log10Off } = plan.starter;
  if (dosing === 'none') return inoculumOf({ kind: plan.starter.kind });
  if (dosing === 'stated') {
    return dose.statedRatio !== null && dose.statedRatio > 0
      ? inoculumOf({ kind: plan.starter.kind, ageD, log10Off, statedRatio: dose.statedRatio })
      : null;
  }
  if (dose.massKg === null || dose.massKg <= 0) return null;
  return inoculumOf({
    kind: plan.starter.kind,
    ageD,
    log10Off,
    massRatio: dose.massKg / batchOf(plan).massKg,
  });
}

/** How the safety clock must see a plan. */
export function souringKindOf(plan: MakePlan): SouringKind {
  if (plan.starter.kind !== 'none') return 'with-starter';
  return plan.milk.treatment === 'raw' && !isHeated(plan) ? 'raw-alone' : 'treated-without-starter';
}
