import { planFedBy, priced, roomOf, waitingIn } from '@morning-crock/core';
import type { KeptDay, MakePlan } from '@morning-crock/core/contract';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnderWayIds } from '../../data/under-way.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import type { DayChanges } from '../../data/use-day-changes.ts';
import { useKitchen } from '../../data/use-units.ts';
import { beginBatch } from './begin-batch.ts';
import { fedId } from './fed-id.ts';
import { useGoods } from './use-goods.ts';

/** A batch of the day that is made from another one of it, and not begun. */
export interface FedBatch {
  readonly id: string;
  readonly name: string;
  /** What it is made from. */
  readonly feeder: string;
  /** How it begins now, of what there is; `null` while that is not done. */
  readonly plan: MakePlan | null;
  /** The make it was to come from, where that is over and nothing of it stands anywhere; `null` otherwise. */
  readonly overId: string | null;
}

/** The batches of a day that wait for another one of it, and beginning them with what that gave. */
export function useFed({ id: dayId, day }: KeptDay, changes: DayChanges) {
  const { goods, batches } = useGoods();
  const logs = useUnderWayLogs();
  const underWay = useUnderWayIds();
  const kitchen = useKitchen();
  const [starting, setStarting] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const fed = waitingIn(day).map(({ id, name, plan, fedBy }): FedBatch => {
    const feeder = day.makes.find((make) => make.id === fedBy);
    const isUnderWay = underWay.includes(feeder?.makeId ?? '');
    const state = logs.find((log) => log.state?.id === feeder?.makeId)?.state;
    // Until all of it is done nobody knows what there will be.
    const isDone = !isUnderWay || state?.current === null;
    const own = feeder?.makeId && isDone ? planFedBy(plan, goods, feeder.makeId) : null;
    const overId = !isUnderWay && !own ? (feeder?.makeId ?? null) : null;
    return { id, name, feeder: feeder?.name ?? '', plan: own, overId };
  });
  /** @returns the make it became; `null` when it was not begun */
  const start = async ({ id, name, plan }: FedBatch): Promise<string | null> => {
    if (!plan || starting !== null) return null;
    setStarting(id);
    setRefused(null);
    const makeId = fedId(dayId, id);
    const atMs = Math.round(now());
    const begun = priced(
      { ...plan, startAt: new Date(atMs).toISOString(), ...roomOf(kitchen.site, atMs) },
      kitchen,
    );
    const why = await beginBatch(makeId, begun, batches, atMs);
    if (why === null) changes.begun(id, makeId);
    else setRefused(`${name}: ${why}`);
    setStarting(null);
    return why === null ? makeId : null;
  };
  return { fed, starting, refused, start };
}
