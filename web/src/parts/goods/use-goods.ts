import { batchAsGood, goodsIntoMakes, goodsTaken, isAllOf } from '@morning-crock/core';
import type { Good, MakePlan } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { useAllLive } from '../../data/use-all-live.ts';
import { useLarder } from '../../data/use-larder.ts';
import { codeOf } from '../words/stock-words.ts';

/** What a plan can be made from, or soured with. */
export interface GoodsHere {
  readonly larder: readonly Good[];
  /** Batches under way of which something may be taken, as goods they will be when that is done. */
  readonly batches: readonly Good[];
  /** Both. */
  readonly goods: readonly Good[];
}

/** What is taken of a batch will be goods of this identity: the same for every part of the page. */
const idOf = new Map<string, string>();
function goodIdOf(makeId: string): string {
  const known = idOf.get(makeId);
  if (known !== undefined) return known;
  const id = ulid();
  idOf.set(makeId, id);
  return id;
}

/** What stands in the larder, and what may be taken of the batches under way. */
export function useGoods(): GoodsHere {
  const { goods: larder, lines } = useLarder();
  const logs = useUnderWayLogs();
  // What is not to be tasted any more goes into nothing.
  const discard = useAllLive()
    .flatMap(({ state, safety }) => (safety.verdict === 'over' ? [state.id] : []))
    .join(' ');
  return useMemo(() => {
    const taken = goodsIntoMakes(larder, lines);
    const batches = logs.flatMap(({ state }) => {
      if (!state || discard.includes(state.id)) return [];
      const id = goodIdOf(state.id);
      return batchAsGood(state, id, codeOf(id), now(), larder, taken.get(state.id)) ?? [];
    });
    return { larder, batches, goods: [...larder, ...batches] };
  }, [larder, lines, logs, discard]);
}

/** Takes what a plan is made from out of the larder, or out of the batch it still stands in, which is over when that was all. */
export async function takeGoods(
  plan: MakePlan,
  batches: readonly Good[],
  into: string,
  atMs: number,
): Promise<void> {
  for (const { goodId, place, size, massKg } of goodsTaken(plan)) {
    const batch = batches.find(({ id }) => id === goodId);
    if (batch) await putUpFrom(batch, massKg, atMs);
    await record(
      goodId,
      'larder-moved',
      {
        kind: 'take',
        from: { place, size },
        for: 'made-into',
        massKg,
        count: null,
        typed: null,
        price: null,
        into,
        note: '',
      },
      atMs,
    );
    if (batch?.makeId && isAllOf(batch, massKg))
      await record(batch.makeId, 'finished', { verdict: 'kept', reason: `used in ${plan.name}` }, atMs);
  }
}

/** The starter of a plan leaves the milk room, where it is from there. */
export async function takeStarterLot({ name, starter }: MakePlan, into: string, atMs: number): Promise<void> {
  const massKg = starter.massKg ?? 0;
  if (!starter.lot || massKg <= 0) return;
  await record(
    starter.lot.lotId,
    'milk-moved',
    {
      kind: 'give',
      to: 'used',
      massKg,
      typed: { value: Math.round(massKg * 1000), unit: 'g' },
      note: `starter for ${name}`,
      into,
    },
    atMs,
  );
}

/** As much of a batch as is taken becomes goods: what leaves a batch leaves it through the larder, and is counted once. */
async function putUpFrom(batch: Good, massKg: number, atMs: number): Promise<void> {
  const { id, madeMs: _made, putUpMs: _put, sizesKg: _sizes, putUpKg: _kg, stocks: _stocks, ...good } = batch;
  await record(
    id,
    'larder-moved',
    {
      kind: 'put-up',
      good,
      place: 'cold',
      pieces: [{ count: 1, eachKg: massKg, typed: { value: Math.round(massKg * 1000), unit: 'g' } }],
    },
    atMs,
  );
  // What is taken of it the next time is other goods.
  if (batch.makeId !== null) idOf.delete(batch.makeId);
}
