import { formatMinutes, worthOf, type MakeState, type TakenGoods } from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import { perWeight } from '../../parts/words/price-words.ts';
import type { RecordFact } from './record-facts.ts';

/** What a make cost and saved, as facts; what is not known is left out. */
export function costFacts(state: MakeState, taken: readonly TakenGoods[], units: Units): RecordFact[] {
  const { perKg, savedPerKg, handsMin, energyKwh } = worthOf(state, taken);
  return [
    ...(perKg === null ? [] : [['Cost', perWeight(perKg, units)] as const]),
    ...(savedPerKg === null ? [] : [['Saved compared with the shop', perWeight(savedPerKg, units)] as const]),
    ['Hands-on', `about ${formatMinutes(handsMin)}`],
    ...(energyKwh > 0 ? [['Burner', `about ${energyKwh.toFixed(1)} kW·h`] as const] : []),
  ];
}
