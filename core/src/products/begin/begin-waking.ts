import {
  makePlanOfWaking,
  type KitchenSettings,
  type MakePlan,
  type WakingPlan,
} from '../../contract/index.ts';
import { roomOf } from '../../setup/index.ts';
import type { Begin } from '../product.ts';

/** Heat each kind of packet is woken at, °C. */
export const WAKES_AT_C = { 'dried-yogurt': 42, 'dried-mesophilic': 22 } as const;

/** What a waking is usually begun with. @example usualWaking(startAt).feeds // 4 */
export const usualWaking = (startAt: string): WakingPlan => ({
  name: 'Waking',
  cultureId: null,
  kind: 'dried-mesophilic',
  treatment: 'pasteurised',
  cartonLitres: 1,
  firstFeedKg: 0.06,
  growth: 3,
  feeds: 4,
  celsius: WAKES_AT_C['dried-mesophilic'],
  restBetween: 'cold',
  startAt,
});

/** The make of a waking as it was chosen, in this kitchen and at the hours of its cooks. */
export const beginWaking = (choices: WakingPlan, kitchen: KitchenSettings): MakePlan =>
  makePlanOfWaking(choices, {
    burner: kitchen.burners[0]!,
    altitudeM: kitchen.site.altitudeM,
    presence: { zone: kitchen.site.zone, cooks: kitchen.cooks, absences: kitchen.absences },
    ...roomOf(kitchen.site, Date.parse(choices.startAt)),
  });

export const beginUsualWaking: Begin = (kitchen, startAt) => beginWaking(usualWaking(startAt), kitchen);
