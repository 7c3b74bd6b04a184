import { HAND_WORKED_FAT } from '../../science/butter/index.ts';
import type { MakePlan } from '../../contract/index.ts';
import { roomOf } from '../../setup/index.ts';
import { densityKgPerM3 } from '../../science/milk/index.ts';
import { typedMass } from '../../science/units/index.ts';
import type { Begin } from '../product.ts';

/** Water of washed butter that was worked by hand. */
const WASHED_WATER = 0.17;
/** Butter out of the cold, °C. */
const COLD_C = 8;

/** Butter as what goes in: what is neither fat nor water counts as protein. @example butterOf(0.5, 0.17, 0.81, …).litres // 0.53 */
export function butterPour(
  massKg: number,
  moistureFraction: number,
  fatFraction: number,
  typed: MakePlan['milk']['typed'],
): Pick<MakePlan['milk'], 'litres' | 'typed' | 'composition'> {
  const composition = {
    fatFraction,
    proteinFraction: Math.max(0, 1 - fatFraction - moistureFraction),
    lactoseFraction: 0,
    ashFraction: 0,
  };
  return { litres: (massKg * 1000) / densityKgPerM3(composition), typed, composition };
}

export const beginGhee: Begin = (kitchen, startAt, about = 0.5) => {
  const pot = [...kitchen.pots].sort((a, b) => a.litres - b.litres).find((p) => p.litres >= about * 3);
  return {
    product: 'ghee',
    method: {
      id: 'ghee',
      version: 1,
      steps: [
        {
          id: 'clarify',
          kind: 'clarify',
          moistureFraction: WASHED_WATER,
          flame: 'medium',
          school: 'stir',
          doneC: 112,
        },
        { id: 'settle', kind: 'settle' },
        { id: 'filter', kind: 'filter' },
        { id: 'weigh', kind: 'weigh' },
        { id: 'cool-ghee', kind: 'cool-ghee', as: 'coarse' },
      ],
    },
    name: 'Ghee',
    milk: {
      ...butterPour(about, WASHED_WATER, HAND_WORKED_FAT, typedMass(about, kitchen.units.measures)),
      kind: 'shop-whole',
      treatment: 'pasteurised',
      fatFraction: null,
      startC: COLD_C,
    },
    wanted: { sourness: 'mild', thickness: 'firm' },
    starter: { kind: 'none', ageD: null, massKg: null, statedRatio: null, typed: null },
    heat: { kind: 'none', targetC: 85, holdMin: 0 },
    inoculateC: 24,
    pot: pot ?? kitchen.pots[0]!,
    burner: kitchen.burners[0]!,
    place: kitchen.places.find((place) => place.kind === 'room') ?? kitchen.places[0]!,
    ...roomOf(kitchen.site, Date.parse(startAt)),
    altitudeM: kitchen.site.altitudeM,
    startAt,
    repeatOf: null,
  };
};
