import {
  adviseOn,
  pointForecast,
  sleepClashes,
  stateOfPlan,
  type BandForecast,
  type PointForecast,
  type SleepClash,
  type Advice,
  withFactors,
  withLoads,
  type MakeState,
} from '@morning-crock/core';
import type { Factor, KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import {
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  type Dispatch,
  type SetStateAction,
} from 'react';
import { now } from '../../data/clock.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { useAppDispatch } from '../../data/store.ts';
import { cancelForecast, requestForecast } from '../../workers/kitchen-client.ts';

/** A plan in the making, with everything that follows from it. */
export interface Planning {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
  readonly replace: Dispatch<SetStateAction<MakePlan>>;
  readonly state: MakeState;
  /** The middle line, there at once. */
  readonly point: PointForecast;
  /** The band; an older one stays, marked stale, while the new one is computed. */
  readonly band: BandForecast | null;
  readonly stale: boolean;
  /** The band of this plan could not be worked out. */
  readonly bandFailed: boolean;
  readonly advice: readonly Advice[];
  readonly clashes: readonly SleepClash[];
}

/**
 * Holds a plan and forecasts it, with what this kitchen has learned, while its controls are turned.
 * @param makeId the identity it will get
 */
export function usePlanning(
  makeId: string,
  initial: MakePlan,
  kitchen: KitchenSettings,
  factors: readonly Factor[],
): Planning {
  const [typed, setPlan] = useState(initial);
  const plan = useMemo(() => withFactors(withLoads(typed), factors), [typed, factors]);
  const dispatch = useAppDispatch();
  useEffect(() => {
    // Kept, so that a sum can be asked for it and its answer come back.
    dispatch(liveSlice.actions.draftKept(plan));
  }, [dispatch, plan]);
  const [band, setBand] = useState<{ plan: MakePlan; forecast: BandForecast } | null>(null);
  const [failed, setFailed] = useState<MakePlan | null>(null);
  // A control that is turned moves at once; what follows from it follows as soon as there is time.
  const settled = useDeferredValue(plan);
  const state = useMemo(() => stateOfPlan(settled), [settled]);
  const point = useMemo(() => pointForecast(state, Date.parse(settled.startAt)), [state, settled.startAt]);
  const advice = useMemo(() => adviseOn(settled, kitchen.units), [settled, kitchen.units]);
  const clashes = useMemo(() => sleepClashes(point, kitchen), [point, kitchen]);
  useEffect(() => {
    let wanted = true;
    const nowMs = Math.max(now(), Date.parse(plan.startAt));
    requestForecast('plan', { kind: 'plan', makeId, plan, nowMs }).then(
      (forecast) => {
        if (forecast && wanted) setBand({ plan, forecast });
      },
      () => {
        if (wanted) setFailed(plan);
      },
    );
    return () => {
      wanted = false;
      cancelForecast('plan');
    };
  }, [makeId, plan]);
  const change = useCallback<Planning['change']>((part) => setPlan((before) => ({ ...before, ...part })), []);
  const known = band?.forecast ?? null;
  const stale = band?.plan !== plan;
  const bandFailed = failed === plan;
  return useMemo(
    () => ({
      plan,
      replace: setPlan,
      change,
      state,
      point,
      band: known,
      stale,
      bandFailed,
      advice,
      clashes,
    }),
    [plan, change, state, point, known, stale, bandFailed, advice, clashes],
  );
}
