import type { MethodSnapshot } from '../../contract/index.ts';
import type { Begin } from '../product.ts';
import { creamPlan, doseOf } from './cream-plan.ts';

const METHOD: MethodSnapshot = {
  id: 'cultured-cream',
  version: 1,
  steps: (
    ['pour', 'scald', 'hold', 'cool', 'inoculate', 'ripen', 'thicken', 'weigh', 'taste', 'reserve'] as const
  ).map((kind) => ({ id: kind, kind })),
};
/** Share of cultured buttermilk a new plan starts with; 4–15 % is usual. */
const USUAL_DOSE = 0.06;

export const beginCulturedCream: Begin = (kitchen, startAt, about = 1) => {
  const plan = creamPlan(kitchen, startAt, about);
  const room = kitchen.places.find((place) => place.kind === 'room') ?? kitchen.places[0]!;
  return {
    product: 'cultured-cream',
    method: METHOD,
    ...plan,
    name: 'Cultured cream',
    wanted: { sourness: 'mild', thickness: 'spoonable' },
    starter: {
      kind: 'cultured-buttermilk',
      ageD: null,
      statedRatio: null,
      ...doseOf(plan, USUAL_DOSE, kitchen.units.measures),
    },
    place: room,
  };
};
