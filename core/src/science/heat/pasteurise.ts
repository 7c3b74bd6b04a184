import { integrateProfile, type HeatProfile } from './denature.ts';

/** Minutes at the reference that a vat needs; a guide, never a certificate. */
export const VAT_MINUTES_NEEDED = 30;
const Z_K = 4.3;
/** Reference temperature and counting floor, °C: milk; cream, rich or sweetened products. */
const REFERENCE = { milk: { atC: 63, floorC: 62.8 }, cream: { atC: 66, floorC: 65.6 } } as const;

/**
 * Vat-pasteurisation equivalent minutes of a profile: ∫10^((T − reference)/4.3) dt above a floor.
 * Deliberately a little stricter than legal floors. Licensed pasteurisation needs approved equipment.
 * @param cream true from 10 % fat, from 18 % total solids, or sweetened
 * @example pasteurisationMinutes([[0, 63], [1800, 63]], false) // 30
 */
export function pasteurisationMinutes(profile: HeatProfile, cream: boolean): number {
  const { atC, floorC } = cream ? REFERENCE.cream : REFERENCE.milk;
  return integrateProfile(profile, (t) => (t >= floorC ? 10 ** ((t - atC) / Z_K) : 0)) / 60;
}
