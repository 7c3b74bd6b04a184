import {
  beginWaking,
  feedRows,
  milkForWaking,
  pointForecast,
  stateOfPlan,
  usualWaking,
} from '@morning-crock/core';
import {
  wakingPlan,
  type Culture,
  type KitchenSettings,
  type WakingPlan,
} from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { now, useNow } from '../../data/clock.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import { FeedTable } from '../../parts/tables/FeedTable.tsx';
import { packetsOf, WakeCulture, withPacket } from './WakeCulture.tsx';
import { WakeMilk } from './WakeMilk.tsx';

/** Plans a waking: growing feeds fitted to sleep and absences, and the milk for all of them. */
export function WakeForm(props: {
  readonly kitchen: KitchenSettings;
  readonly cultures: readonly Culture[];
}) {
  const { kitchen, cultures } = props;
  const units = useUnits();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const packets = packetsOf(cultures);
  const asked =
    packets.find((c) => c.id === search.get('culture')) ?? packets.find((c) => c.heirloom) ?? packets[0];
  const [openedMs] = useState(() => Math.round(now()));
  const dispatch = useAppDispatch();
  const draft = useAppSelector((s) => s.live.wakingDraft);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [plan, setPlan] = useState<WakingPlan>(() => {
    if (draft) return draft;
    return withPacket(usualWaking(new Date(openedMs).toISOString()), asked ?? null);
  });
  useEffect(() => {
    // Taken over once: another waking begins afresh.
    dispatch(liveSlice.actions.wakingDraftKept(null));
  }, [dispatch]);
  const nowMs = useNow(60_000);
  const fault = wakingPlan.safeParse(plan).error?.issues[0];
  const rows = useMemo(() => {
    const startAt = new Date(nowMs).toISOString();
    const state = stateOfPlan(beginWaking({ ...plan, startAt }, kitchen));
    return feedRows(state.steps, pointForecast(state, nowMs).steps, state.fed);
  }, [plan, kitchen, nowMs]);
  const readyMs = rows.at(-1)?.setMs ?? nowMs;
  const milk = milkForWaking({ ...plan, startAt: new Date(nowMs).toISOString() }, readyMs);
  const start = async (): Promise<void> => {
    const id = ulid();
    const atMs = Math.round(now());
    const final = beginWaking(
      { ...plan, name: plan.name.trim(), startAt: new Date(atMs).toISOString() },
      kitchen,
    );
    const refused = await beginBatch(id, final, [], atMs);
    if (refused !== null) {
      setRefusal(refused);
      return;
    }
    void navigate(`/makes/${id}`);
  };
  return (
    <div className="milk-room wake-room">
      <div className="sections from-the-top">
        <WakeCulture plan={plan} packets={packets} onPlan={setPlan} />
        <WakeMilk plan={plan} onPlan={setPlan} />
      </div>
      <aside className="lot-panel" aria-label="Waking plan">
        <div>
          <div className="quiet">Ready</div>
          <div className="number large">about {units.time(readyMs, nowMs)}</div>
          <p>
            {units.mass(milk.massKg)} of milk in total{milk.cartons === 1 && ', one carton'}.
          </p>
        </div>
        {milk.words && (
          <p className="caution note" role="status">
            {milk.words}
          </p>
        )}
        <Button h={72} disabled={fault !== undefined} onClick={() => void start()}>
          Start waking
        </Button>
        {refusal && (
          <p className="caution stop" role="alert">
            Not started. {refusal}
          </p>
        )}
        {fault && (
          <p className="field-error" role="alert">
            {fault.path.join('.')} {fault.message}
          </p>
        )}
        <FeedTable rows={rows} nowMs={nowMs} />
        <p className="quiet">
          Times are estimates, give or take a third. Feeds fall only when somebody is there. After a late feed
          the rest is replanned.
        </p>
        {plan.treatment === 'raw' && (
          <p className="caution">Raw milk: scald it first, or its germs carry over from feed to feed.</p>
        )}
      </aside>
    </div>
  );
}
