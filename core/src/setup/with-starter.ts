import type { MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { massOfLitresKg, MILK_FACTS } from '../science/milk/index.ts';
import { isMassUnit, typedMass, type MeasureSystem } from '../science/units/index.ts';

/** Share of a wet starter nobody has dosed yet. */
const USUAL_DOSE = 0.02;

/** The dose fields a starter kind uses; the others are emptied so that no stale figure stays behind. */
export function withStarterKind(
  plan: MakePlan,
  kind: MakePlan['starter']['kind'],
  system: MeasureSystem = 'metric',
): MakePlan['starter'] {
  const { dosing } = STARTER_FACTS[kind];
  const { ageD } = plan.starter;
  if (dosing === 'stated')
    return { kind, ageD, massKg: null, statedRatio: 1, typed: { value: 1, unit: 'packet' } };
  if (dosing === 'none') return { kind, ageD: null, massKg: null, statedRatio: null, typed: null };
  const massKg =
    plan.starter.massKg ??
    Math.round(massOfLitresKg(plan.milk.litres, MILK_FACTS[plan.milk.kind].composition) * USUAL_DOSE * 1000) /
      1000;
  const { typed } = plan.starter;
  const same = plan.starter.massKg === massKg && typed !== null && isMassUnit(typed.unit);
  return { kind, ageD, massKg, statedRatio: null, typed: same ? typed : typedMass(massKg, system) };
}
