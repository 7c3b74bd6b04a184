import {
  widthMOf,
  type CoolingPlan,
  type KitchenSettings,
  type MakePlan,
  type PlanChange,
} from '../contract/index.ts';
import { STARTER_FACTS, warmCulture } from '../science/souring/index.ts';
import { coolInBath, placeAmbientC } from '../science/heat/index.ts';
import { withFactors } from '../daybook/learn/index.ts';
import { changedPlan, type MakeState } from '../make/index.ts';
import { heatTargetC, type StepFacts } from '../steps/index.ts';
import { batchOf, isHeated } from '../setup/index.ts';
import type { Factor } from '../contract/index.ts';

/** What the maker lets the planner turn. */
export interface Allowed {
  readonly dose: boolean;
  readonly place: boolean;
  /** The dial of an appliance. */
  readonly heat: boolean;
  readonly bath: boolean;
  /** It may become sourer than wanted when nobody is there to take it out. */
  readonly sourer: boolean;
}

/** What a plan costs against the one the maker had. */
export type Price =
  | { readonly kind: 'start'; readonly atMs: number }
  | { readonly kind: 'dose'; readonly deltaKg: number; readonly massKg: number }
  | { readonly kind: 'place'; readonly name: string }
  | { readonly kind: 'heat'; readonly fromC: number; readonly toC: number }
  | { readonly kind: 'bath'; readonly waterLitres: number; readonly savesMin: number }
  | { readonly kind: 'sourer'; readonly sourness: MakePlan['wanted']['sourness'] };

/** One way to go about it. */
export interface Variant {
  readonly plan: MakePlan;
  /** The same as a change to a make under way. */
  readonly change: PlanChange;
  readonly prices: readonly Price[];
  /** How much the maker gives up; 0 for nothing. */
  readonly burden: number;
}

const DOSE_FACTORS = [0.5, 0.7, 1.4, 2, 3] as const;
/** Doses stay within what is usual, share of the milk. */
const DOSE_RANGE = { low: 0.005, high: 0.06 } as const;
const DIALS_C = [38, 40, 42, 44, 45] as const;
/** A warm place for yogurt pulls toward at least this, °C, or holds heat well. */
const COAST_TAU_H = 8;
const WARM_FROM_C = 36;

/** Water from the tap for a cold bath, twice the milk [F: kitchen practice]. */
export function coldBath(litres: number): CoolingPlan {
  return { kind: 'bath', waterLitres: Math.round(litres * 2 * 2) / 2, waterC: 14, iceKg: 0, stirred: true };
}

/** What of a make is still open to change. */
function openParts(state: MakeState, begun: boolean): { cooling: boolean; dose: boolean; place: boolean } {
  const open = (holds: (facts: StepFacts) => boolean): boolean => {
    const status = state.steps.find((s) => holds(s.step.facts))?.status;
    return status === 'current' || status === 'coming';
  };
  return {
    cooling: open((f) => f.moves === 'down'),
    dose: open((f) => f.inoculates),
    place: !begun || open((f) => f.sours),
  };
}

/** Every combination worth a look, the plan as it is first. */
export function variantsOf(
  state: MakeState,
  begun: boolean,
  kitchen: KitchenSettings,
  factors: readonly Factor[],
  allowed: Allowed,
): Variant[] {
  const base = state.plan;
  const open = openParts(state, begun);
  const batch = batchOf(base);
  const warm = warmCulture(base.starter.kind);
  const same: Variant = { plan: base, change: { why: '' }, prices: [], burden: 0 };
  const extend = (
    from: readonly Variant[],
    ways: (plan: MakePlan) => readonly { change: Partial<PlanChange>; price: Price; burden: number }[],
  ): Variant[] =>
    from.flatMap((variant) => [
      variant,
      ...ways(variant.plan).map(({ change, price, burden }) => {
        const whole = { ...variant.change, ...change };
        return {
          plan: withFactors(changedPlan(base, whole), factors),
          change: whole,
          prices: [...variant.prices, price],
          burden: variant.burden + burden,
        };
      }),
    ]);
  let variants: Variant[] = [same];
  if (allowed.place && open.place) {
    variants = extend(variants, () =>
      kitchen.places
        .filter((p) => p.id !== base.place.id)
        .filter((p) => !warm || placeAmbientC(p, base.roomC) >= WARM_FROM_C || p.tauH >= COAST_TAU_H)
        .map((place) => ({ change: { place }, price: { kind: 'place', name: place.name }, burden: 3 })),
    );
  }
  if (allowed.heat && open.place && warm) {
    variants = extend(variants, ({ place }) => {
      const fromC = place.setPointC;
      if (place.kind !== 'appliance' || fromC === undefined) return [];
      return DIALS_C.filter((toC) => Math.abs(toC - fromC) >= 1).map((toC) => ({
        change: { place: { ...place, setPointC: toC } },
        price: { kind: 'heat', fromC, toC },
        burden: 1 + 0.3 * Math.abs(toC - fromC),
      }));
    });
  }
  if (allowed.dose && open.dose && STARTER_FACTS[base.starter.kind].dosing === 'mass') {
    const own = base.starter.massKg ?? 0;
    variants = extend(variants, () =>
      DOSE_FACTORS.map((factor) => ({ factor, massKg: Math.round(own * factor * 1000) / 1000 }))
        .filter(({ massKg }) => {
          const share = massKg / batch.massKg;
          return massKg > 0 && share >= DOSE_RANGE.low && share <= DOSE_RANGE.high;
        })
        .map(({ factor, massKg }) => ({
          change: {
            starter: { ...base.starter, massKg, typed: { value: Math.round(massKg * 1000), unit: 'g' } },
          },
          price: { kind: 'dose', massKg, deltaKg: massKg - own },
          burden: 1.2 * Math.abs(Math.log(factor)),
        })),
    );
  }
  const cools = base.cooling === undefined || base.cooling.kind === 'counter';
  if (allowed.bath && open.cooling && cools && isHeated(base)) {
    const cooling = coldBath(batch.litres);
    const { minutes } = coolInBath({
      ...cooling,
      composition: batch.composition,
      litres: batch.litres,
      widthM: widthMOf(base.pot),
      startC: heatTargetC(base),
      targetC: base.inoculateC,
      airC: base.roomC,
    });
    variants = extend(variants, () => [
      {
        change: { cooling },
        price: { kind: 'bath', waterLitres: cooling.waterLitres, savesMin: minutes },
        burden: 1.5,
      },
    ]);
  }
  return variants;
}
