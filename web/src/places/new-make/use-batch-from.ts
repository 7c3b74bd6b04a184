import { goodsFor, planFromGood } from '@morning-crock/core';
import { useEffect, useRef } from 'react';
import { useGoods } from '../../parts/goods/use-goods.ts';
import type { Planning } from './use-plan.ts';

/** Fills a new plan once from the batch under way that an address names: all of it. */
export function useBatchFrom(makeId: string | null, { plan, change }: Planning): void {
  const done = useRef(false);
  const { batches } = useGoods();
  useEffect(() => {
    if (done.current || makeId === null) return;
    const input = goodsFor(plan, batches).find(({ good }) => good.makeId === makeId);
    if (!input) return;
    done.current = true;
    const { milk, method } = planFromGood(plan, input, input.stock.massKg);
    change({ milk, method });
  }, [makeId, batches, plan, change]);
}
