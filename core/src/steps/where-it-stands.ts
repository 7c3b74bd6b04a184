import type { MakePlan } from '../contract/index.ts';
import { PLACE_FACTS } from '../science/heat/index.ts';
import type { CautionId } from '../setup/index.ts';

/** What to beware of in the place something is kept warm in: fire, and an oven that somebody heats without looking. */
export function placeCautions({ place }: Pick<MakePlan, 'place'>): CautionId[] {
  const { burns, oven } = PLACE_FACTS[place.kind];
  return [...(burns ? (['cloth-off-heat'] as const) : []), ...(oven ? (['oven-marked'] as const) : [])];
}
