import { plannedOf, stateOfPlan } from '@morning-crock/core';
import type { Good, MakePlan } from '@morning-crock/core/contract';
import { refusalOf } from '../../data/refusal-of.ts';
import { dropRefused, record, whenSettled } from '../../data/store.ts';
import { requestForecast } from '../../workers/kitchen-client.ts';
import { takeGoods, takeStarterLot } from './use-goods.ts';

/**
 * Begins a batch: what it is made from leaves the larder, or the batch it still stands in, and is traced through it; what was forecast is
 * stored, and the Daybook compares with it for ever.
 * @param batches batches under way that something may be taken of
 * @returns why the server did not take it, in words; `null` when it is begun
 */
export async function beginBatch(
  makeId: string,
  plan: MakePlan,
  batches: readonly Good[],
  atMs: number,
): Promise<string | null> {
  const begun = await record(makeId, 'make-started', { plan }, atMs);
  if (begun !== '' && (await whenSettled(begun))?.code === 'already-started') {
    // Another tablet began it in the same moment, and took what it is made from.
    await dropRefused(begun);
    return null;
  }
  // Another tablet may have taken the milk or the culture a moment ago.
  const refused = await refusalOf(begun);
  if (refused !== null) return refused;
  await takeGoods(plan, batches, makeId, atMs);
  await takeStarterLot(plan, makeId, atMs);
  // A make goes on without.
  const forecast = await requestForecast(`planned ${makeId}`, {
    kind: 'plan',
    makeId,
    plan,
    nowMs: Date.parse(plan.startAt),
  }).catch(() => null);
  if (forecast) await record(makeId, 'planned', { forecast: plannedOf(stateOfPlan(plan), forecast) }, atMs);
  return null;
}
