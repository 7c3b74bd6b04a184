import {
  beginPlan,
  formatMinutes,
  markMs,
  pointForecast,
  productOf,
  STARTER_FACTS,
  stateOfPlan,
  DAY_MIN,
  MINUTE_MS,
} from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  type KitchenSettings,
  type MakePlan,
  type ProductId,
} from '@morning-crock/core/contract';

const INTO = { milk: 'Milk', cream: 'Cream', butter: 'Butter', packet: 'A packet and milk' } as const;

/** Minutes until a plan as it comes is ready, hands off what may be done whenever. */
function minutesOf(plan: MakePlan): number {
  const startMs = Date.parse(plan.startAt);
  const state = stateOfPlan(plan);
  const point = pointForecast(state, startMs);
  const ready = markMs(point, 'ready');
  if (ready !== null) return (ready - startMs) / MINUTE_MS;
  const ends = point.steps.flatMap(({ id, endMs }) =>
    state.steps.find(({ step }) => step.id === id)?.step.facts.whenever ? [] : [endMs],
  );
  return (Math.max(startMs, ...ends) - startMs) / MINUTE_MS;
}

/** @example aboutTime(430) // "about 7 h" */
export function aboutTime(minutes: number): string {
  if (minutes >= 2 * DAY_MIN) return `about ${Math.round(minutes / DAY_MIN)} days`;
  if (minutes >= 3 * 60) return `about ${Math.round(minutes / 60)} h`;
  return `about ${formatMinutes(Math.max(5, Math.round(minutes / 5) * 5))}`;
}

/**
 * What a product needs and how long it takes, for somebody who has never made it here.
 * @example firstWords('yogurt', kitchen, startAt) // { needs: 'Milk and live plain yogurt', time: 'about 7 h' }
 */
export function firstWords(
  id: ProductId,
  kitchen: KitchenSettings,
  startAt: string,
): { readonly needs: string; readonly time: string } {
  const plan = beginPlan(id, kitchen, startAt);
  const { starters } = productOf(plan);
  const takes = PRODUCT_TAKES[plan.product];
  const starter = starters[0];
  const sourer =
    starter === undefined || starter === 'none' ? '' : ` and ${STARTER_FACTS[starter].label.toLowerCase()}`;
  return { needs: `${INTO[takes]}${sourer}`, time: aboutTime(minutesOf(plan)) };
}
