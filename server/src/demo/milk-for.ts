import { priced, methodSteps, HOUR_MS } from '@morning-crock/core';
import { PRODUCT_TAKES, type DraftEvent, type MakePlan } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { appendEvents } from '../features/events/append.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { milkRegister } from '../features/milk/milk-service.ts';
import { entry } from './entry.ts';

/** What a litre costs at the gate next door. */
const COST_PER_LITRE = { milk: 0.58, cream: 3.2 } as const;
/** Fetched so long before it is poured. */
const BEFORE_MS = 9 * HOUR_MS;

/**
 * A plan of the demo as it is begun: its milk a can that was fetched next door that evening or morning, at its price, and with
 * the kitchen's own prices.
 */
export async function withBoughtMilk(
  db: DataSource,
  kitchenId: string,
  plan: MakePlan,
  nowMs: number,
): Promise<MakePlan> {
  const { settings } = await readKitchen(db, kitchenId);
  const own = priced(plan, settings);
  const takes = PRODUCT_TAKES[plan.product];
  const atMs = Date.parse(plan.startAt) - BEFORE_MS;
  if (plan.milk.lots || (takes !== 'milk' && takes !== 'cream') || atMs > nowMs) return own;
  const { kind, treatment, litres, feed, homogenised = false } = plan.milk;
  const lotId = ulid(atMs);
  const name = `A can of next door’s ${takes}`;
  await appendEvents(
    db,
    kitchenId,
    [
      entry(lotId, atMs, 'milk-moved', {
        kind: 'intake',
        lot: {
          name,
          source: 'Next door',
          what: takes,
          kind,
          treatment,
          homogenised,
          fatFraction: plan.milk.fatFraction,
          feed: feed ?? null,
          costPerLitre: COST_PER_LITRE[takes],
          place: 'cold',
          placeC: null,
          container: null,
        },
        litres,
        typed: { value: litres, unit: 'L' },
        forRecord: false,
      }),
    ],
    nowMs,
  );
  const lot = (await milkRegister.read(db, kitchenId)).state.lots.get(lotId);
  if (!lot) return own;
  const lots = [{ lotId, name, massKg: lot.has.massKg, costPerKg: lot.costPerKg }];
  return { ...own, milk: { ...own.milk, lots } };
}

/** The entries of a make with the pouring of its lots among them. */
export function poured(plan: MakePlan, drafts: readonly DraftEvent[]): DraftEvent[] {
  const { lots } = plan.milk;
  const pouring = new Set(
    methodSteps(plan)
      .filter(({ facts }) => facts.endedBy === 'milk-poured')
      .map(({ id }) => id),
  );
  return drafts.flatMap((draft) => {
    if (!lots || draft.type !== 'step-done' || !pouring.has(draft.data.step)) return [draft];
    const from = lots.map(({ lotId, massKg }) => ({
      lotId,
      massKg,
      typed: { value: Math.round(massKg * 1000), unit: 'g' as const },
    }));
    return [
      { ...entry(draft.streamId, Date.parse(draft.at), 'milk-poured', { from }), cookId: draft.cookId },
      draft,
    ];
  });
}
