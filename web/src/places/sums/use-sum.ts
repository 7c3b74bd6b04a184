import { changedPlan, defaultPlan, type MakeState, type StepFacts } from '@morning-crock/core';
import type { KitchenSettings, MakePlan, PlanChange } from '@morning-crock/core/contract';
import { useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { now } from '../../data/clock.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { record, useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useMake } from '../../data/use-make.ts';
import { useKitchen } from '../../data/use-units.ts';

/** What a sum is given and where its answer may go. */
export interface SumDesk {
  readonly kitchen: KitchenSettings;
  /** The plan it is filled in from: the make's that asked, the new one's, or the kitchen's usual one. */
  readonly plan: MakePlan;
  readonly state: MakeState | null;
  readonly askedBy: 'nobody' | 'new' | 'make';
  /** What the one who asked is called. */
  readonly forWhom: string;
  /** Takes an answer back to who asked. */
  readonly give: (change: PlanChange | ((plan: MakePlan) => MakePlan), why: string) => Promise<void>;
}

/** Whether a make can still take a change of the step of which this holds. */
export function stillOpen(state: MakeState | null, holds: (facts: StepFacts) => boolean): boolean {
  if (!state) return true;
  const status = state.steps.find((s) => holds(s.step.facts))?.status;
  return !state.finished && (status === 'current' || status === 'coming');
}

/** Fills a sum in from whoever asked, and takes its answer back there. */
export function useSumDesk(): SumDesk {
  const kitchen = useKitchen();
  const [search] = useSearchParams();
  const asked = search.get('for');
  const draft = useAppSelector((s) => s.live.draft);
  const isMake = asked !== null && asked !== 'new';
  const { state } = useMake(isMake ? asked : '');
  const make = isMake ? state : null;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [openedMs] = useState(() => Math.round(now()));
  const usual = useMemo(() => defaultPlan(kitchen, new Date(openedMs).toISOString()), [kitchen, openedMs]);
  const askedBy = make ? 'make' : asked === 'new' && draft ? 'new' : 'nobody';
  const plan = make?.plan ?? (askedBy === 'new' ? draft! : usual);
  return {
    kitchen,
    plan,
    state: make,
    askedBy,
    forWhom: askedBy === 'nobody' ? '' : plan.name,
    give: async (change, why) => {
      if (askedBy === 'new') {
        const next = typeof change === 'function' ? change(plan) : changedPlan(plan, change);
        dispatch(liveSlice.actions.draftKept(next));
        void navigate('/new?draft=1');
      } else if (make && typeof change !== 'function') {
        await record(make.id, 'replanned', { ...change, why });
        void navigate(`/makes/${make.id}`);
      }
    },
  };
}
