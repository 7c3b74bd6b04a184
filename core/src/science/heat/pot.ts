import { densityKgPerM3, specificHeatKjPerKgK, type Composition } from '../milk/index.ts';

/** Melting of milk fat spread evenly below this temperature, for cream: kJ per K and kg of fat [F]. */
const FAT_MELTING = { belowC: 35, kjPerKgK: 2.7, fromFatFraction: 0.1 } as const;

/** A pot's height over its inner width, where nobody measured it [F: usual pots]. */
const HEIGHT_OVER_WIDTH = 0.65;

/**
 * The inner width of a pot by what it holds to the brim. Source: docs/SCIENCE.md, heating and cooling.
 * @param litres above 0 @returns m @example widthOfPotM(5) // 0.214
 */
export const widthOfPotM = (litres: number): number =>
  Math.cbrt(litres / 1000 / ((Math.PI / 4) * HEIGHT_OVER_WIDTH));

/** Milk as it stands in a pot: a cylinder of the pan's inner width, or of its own volume, height half the diameter. */
export interface PotOfMilk {
  /** Wall and bottom, m². */
  readonly sideM2: number;
  readonly topM2: number;
  readonly massKg: number;
  /** Heat that one kelvin takes, J/K, with the melting of fat in cream. */
  readonly heatJPerK: (temperatureC: number) => number;
}

/**
 * The shape and heat of some milk. Source: docs/SCIENCE.md, heating and cooling; the vessel's own heat is ignored.
 * @param widthM inner width of the pan, when somebody measured it, above 0
 * @throws RangeError for a volume that is not positive
 * @example potOfMilk(composition, 2).massKg // about 2.06
 */
export function potOfMilk(composition: Composition, litres: number, widthM?: number): PotOfMilk {
  if (!(litres > 0)) throw new RangeError('litres must be above 0');
  const ownM = Math.cbrt((8 * litres) / 1000 / Math.PI);
  const diameterM = widthM ?? ownM;
  const topM2 = (Math.PI * diameterM ** 2) / 4;
  const heightM = widthM === undefined ? ownM / 2 : litres / 1000 / topM2;
  const massKg = (litres * densityKgPerM3(composition)) / 1000;
  const { fatFraction } = composition;
  const meltingJPerK =
    fatFraction >= FAT_MELTING.fromFatFraction ? 1000 * FAT_MELTING.kjPerKgK * fatFraction * massKg : 0;
  return {
    sideM2: Math.PI * diameterM * heightM + topM2,
    topM2,
    massKg,
    heatJPerK: (temperatureC) =>
      massKg * specificHeatKjPerKgK(composition, temperatureC) * 1000 +
      (temperatureC < FAT_MELTING.belowC ? meltingJPerK : 0),
  };
}
