import { defaultKitchen } from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { useKitchenQuery } from './api.ts';
import { unitsOf, type Units } from './units-of.ts';

const FALLBACK = defaultKitchen('UTC');

/** The kitchen as set, or the default one until it is known. */
export function useKitchen(): KitchenSettings {
  return useKitchenQuery().data?.settings ?? FALLBACK;
}

/** Making these words costs more than using them: every part of a page that shows a number asks for them. */
const made = new WeakMap<KitchenSettings, Units>();

/** Words for quantities and times as this kitchen wants them. */
export function useUnits(): Units {
  const kitchen = useKitchen();
  const units = made.get(kitchen) ?? unitsOf(kitchen);
  made.set(kitchen, units);
  return units;
}
