import { HAND_WORKED_FAT } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { stepOf } from '../../../parts/words/method-step.ts';

/** How wet butter is: water and fat, 0..1. Estimates; a pan test says it. */
export const WETNESS = {
  worked: { label: 'washed and worked', water: 0.17, fat: HAND_WORKED_FAT },
  bought: { label: 'bought', water: 0.16, fat: 0.82 },
  lumps: { label: 'wet lumps, hardly worked', water: 0.25, fat: 0.73 },
} as const;
type Wetness = keyof typeof WETNESS;
export const WETNESSES = Object.keys(WETNESS) as Wetness[];

/** How wet a plan's butter is. */
export const wetnessOf = (plan: MakePlan): (typeof WETNESS)[Wetness] =>
  WETNESS[WETNESSES.find((w) => WETNESS[w].water === stepOf(plan, 'clarify')?.moistureFraction) ?? 'worked'];
