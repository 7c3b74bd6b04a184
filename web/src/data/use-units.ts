import { defaultKitchen } from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useKitchenQuery } from './api.ts';
import { unitsOf, type Units } from './units-of.ts';

const FALLBACK = defaultKitchen('UTC');

/** The kitchen as set, or the default one until it is known. */
export function useKitchen(): KitchenSettings {
  return useKitchenQuery().data?.settings ?? FALLBACK;
}

/** Words for quantities and times as this kitchen wants them. */
export function useUnits(): Units {
  const { units, site } = useKitchen();
  return useMemo(() => unitsOf({ units, site }), [units, site]);
}
