import type { MakePlan } from '../../contract/index.ts';
import { batchOf, type Advice } from '../../setup/index.ts';

/** Says when a dose of wet starter is far from what is usual; dried and unknown ones are passed over. */
export function boundsOfDose(
  plan: MakePlan,
  { most, least, usual, of }: { most: number; least: number; usual: string; of: string },
): Advice | null {
  const { massKg } = plan.starter;
  const share = (massKg ?? 0) / batchOf(plan).massKg;
  if (share > most)
    return {
      severity: 'caution',
      field: 'starter',
      text: `That is ${(share * 100).toFixed(0)} % of the ${of}, so the batch starts sour and may turn grainy. ${usual}.`,
    };
  return massKg !== null && massKg > 0 && share < least
    ? {
        severity: 'note',
        field: 'starter',
        text: `That is only ${(share * 100).toFixed(2)} % of the ${of}, so souring is slow. ${usual}.`,
      }
    : null;
}
