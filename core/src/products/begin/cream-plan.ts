import type { KitchenSettings, MakePlan } from '../../contract/index.ts';
import { USUAL_FLAME } from '../../science/heat/index.ts';
import { roomOf } from '../../setup/index.ts';
import { massOfLitresKg, MILK_FACTS, withFat } from '../../science/milk/index.ts';
import { typedMass, type MeasureSystem } from '../../science/units/index.ts';
import { roundVolume } from './begin-yogurt.ts';

/** Fat of bought cream nobody knows more about. */
const USUAL_FAT = 0.33;
/** Straight from the refrigerator, °C. */
const COLD_C = 5;
/** The heat a scalded cream is cooled to, °C. */
const STANDS_AT_C = 24;

type Bare = Omit<MakePlan, 'product' | 'method' | 'name' | 'wanted' | 'starter' | 'place'>;

/** What plans of cream have in common: bought cream out of the cold, in the smallest pot that takes it, unheated. */
export function creamPlan(kitchen: KitchenSettings, startAt: string, about: number): Bare {
  const volume = roundVolume(about, kitchen.units.measures);
  const roomy = [...kitchen.pots]
    .sort((a, b) => a.litres - b.litres)
    .find((pot) => pot.litres * 0.9 >= volume.litres);
  return {
    milk: {
      ...volume,
      kind: 'shop-whole',
      treatment: 'pasteurised',
      fatFraction: USUAL_FAT,
      startC: COLD_C,
    },
    heat: { kind: 'none', targetC: 85, holdMin: 0, flame: USUAL_FLAME },
    inoculateC: STANDS_AT_C,
    pot: roomy ?? kitchen.pots[0]!,
    burner: kitchen.burners[0]!,
    ...roomOf(kitchen.site, Date.parse(startAt)),
    altitudeM: kitchen.site.altitudeM,
    startAt,
    repeatOf: null,
  };
}

/** A share of the cream as starter, by weight. */
export function doseOf(
  { milk }: Pick<MakePlan, 'milk'>,
  share: number,
  system: MeasureSystem,
): Pick<MakePlan['starter'], 'massKg' | 'typed'> {
  const cream = withFat(MILK_FACTS[milk.kind].composition, milk.fatFraction ?? USUAL_FAT);
  const massKg = Math.round(massOfLitresKg(milk.litres, cream) * share * 1000) / 1000;
  return { massKg, typed: typedMass(massKg, system) };
}
