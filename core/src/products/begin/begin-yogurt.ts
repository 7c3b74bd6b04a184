import { FIRST_METHOD, type KitchenSettings, type MakePlan } from '../../contract/index.ts';
import { USUAL_FLAME } from '../../science/heat/index.ts';
import { roomOf } from '../../setup/index.ts';
import { massOfLitresKg, MILK_FACTS } from '../../science/milk/index.ts';
import {
  fromLitres,
  SYSTEM_UNITS,
  toLitres,
  typedMass,
  type MeasureSystem,
} from '../../science/units/index.ts';

/** Share of fresh yogurt a new plan starts with; 1–3 % is recommended. */
const USUAL_DOSE = 0.02;

/** About as many litres as a kitchen would measure them: two quarts, four pints. */
export function roundVolume(
  litres: number,
  system: MeasureSystem,
): Pick<MakePlan['milk'], 'litres' | 'typed'> {
  const unit = SYSTEM_UNITS[system].milk[0] ?? 'L';
  if (unit === 'L') return { litres, typed: { value: litres, unit } };
  const value = Math.max(1, Math.round(fromLitres(litres, unit)));
  return { litres: toLitres(value, unit), typed: { value, unit } };
}

/**
 * The plan a new make begins with, in the kitchen's own measures: everything filled in but what the maker wants to turn.
 * @param startAt instant in UTC
 * @param about litres, rounded to what the kitchen's measures can say
 */
export function defaultPlan(kitchen: KitchenSettings, startAt: string, about = 2): MakePlan {
  const system = kitchen.units.measures;
  const milk = roundVolume(about, system);
  const { litres } = milk;
  const pot = kitchen.pots.find((p) => p.litres * 0.85 >= litres) ?? kitchen.pots[0]!;
  const starterKg =
    Math.round(massOfLitresKg(litres, MILK_FACTS['shop-whole'].composition) * USUAL_DOSE * 1000) / 1000;
  return {
    product: 'yogurt',
    method: FIRST_METHOD,
    name: 'Yogurt',
    milk: {
      ...milk,
      kind: 'shop-whole',
      treatment: 'pasteurised',
      fatFraction: null,
      startC: 5,
    },
    wanted: { sourness: 'classic', thickness: 'spoonable' },
    starter: {
      kind: 'fresh-yogurt',
      ageD: null,
      massKg: starterKg,
      statedRatio: null,
      typed: typedMass(starterKg, system),
    },
    heat: { kind: 'hold', targetC: 85, holdMin: 10, flame: USUAL_FLAME },
    inoculateC: 44,
    pot,
    burner: kitchen.burners[0]!,
    place: kitchen.places[0]!,
    ...roomOf(kitchen.site, Date.parse(startAt)),
    altitudeM: kitchen.site.altitudeM,
    startAt,
    repeatOf: null,
  };
}
