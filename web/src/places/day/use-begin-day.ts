import { priced } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record } from '../../data/store.ts';
import { useDays } from '../../data/use-days.ts';
import { useKitchen } from '../../data/use-units.ts';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import type { ChangeDraft, DayDraft } from './day-draft.ts';
import { dayDocOf, keptDocOf, startingPlanOf } from './day-document.ts';
import type { DayPlan } from './use-day-plan.ts';

/** Keeping a plan for another day, and beginning it: every batch at its time, then the day itself. */
export function useBeginDay(draft: DayDraft, setDraft: ChangeDraft, plan: DayPlan) {
  const kitchen = useKitchen();
  const navigate = useNavigate();
  const days = useDays();
  const [starting, setStarting] = useState(false);
  const { makes, answer, current, setFault } = plan;
  async function keep(): Promise<void> {
    const before = days.find(({ id, day }) => id === draft.from && day.begunAt === null);
    const id = before?.id ?? ulid();
    const refused = await refusalOf(
      await record(id, 'day-changed', {
        kind: 'laid',
        day: keptDocOf(
          dayDocOf(draft, plan, {
            version: (before?.day.version ?? 0) + 1,
            begunAt: null,
            ids: new Map(),
            fed: new Map(),
          }),
          plan,
          draft.days,
        ),
      }),
    );
    if (refused !== null) setFault(refused);
    else setDraft((before) => ({ ...before, from: id }));
  }
  async function begin(): Promise<void> {
    if (!answer?.fits || !current) return;
    setStarting(true);
    setFault(null);
    const ids = new Map<string, string>();
    const fed = new Map<string, MakePlan>();
    for (const { id: own, name } of makes) {
      const id = ulid();
      const started = priced(startingPlanOf(own, name, plan, kitchen), kitchen);
      // What is made from another batch of the day is begun when that has given it.
      if (plan.fedBy.has(own)) {
        fed.set(own, started);
        continue;
      }
      const refused = await beginBatch(id, started, plan.here.batches, Math.round(now()));
      if (refused !== null) {
        setFault(`${name}: ${refused}`);
        setStarting(false);
        return;
      }
      ids.set(own, id);
      // What is begun is not begun again, should the next one be refused.
      setDraft((before) => ({ ...before, makes: before.makes.filter((make) => make.id !== own) }));
    }
    const begunAt = new Date(now()).toISOString();
    const refused = await refusalOf(
      await record(ulid(), 'day-changed', {
        kind: 'laid',
        day: dayDocOf(draft, plan, { version: 1, begunAt, ids, fed }),
      }),
    );
    if (refused !== null) {
      setFault(`The batches have started, but the schedule was not saved: ${refused}`);
      setStarting(false);
      return;
    }
    setDraft((before) => ({
      ...before,
      makes: before.makes.filter(({ id }) => !fed.has(id)),
      skims: [],
      freeHours: [],
      session: null,
      from: null,
    }));
    await navigate('/');
  }
  return { starting, keep, begin };
}
