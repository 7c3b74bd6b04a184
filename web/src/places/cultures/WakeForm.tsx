import {
  beginWaking,
  feedRows,
  isLive,
  milkForWaking,
  pointForecast,
  stateOfPlan,
  TREATMENTS,
  usualWaking,
  WAKES_AT_C,
} from '@morning-crock/core';
import {
  feedKg,
  wakingPlan,
  type Culture,
  type KitchenSettings,
  type WakingPlan,
} from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { now, useNow } from '../../data/clock.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { FeedTable } from '../../parts/tables/FeedTable.tsx';

const KINDS = ['dried-yogurt', 'dried-mesophilic'] as const;

/** What a packet of the register is meant for. */
const packetOf = (culture: Culture | undefined): Pick<WakingPlan, 'packetLitres'> =>
  culture?.packet ? { packetLitres: culture.packet.statedLitres } : {};

/** Plans a waking: growing feeds fitted to sleep and absences, and the milk for all of them. */
export function WakeForm(props: {
  readonly kitchen: KitchenSettings;
  readonly cultures: readonly Culture[];
}) {
  const { kitchen, cultures } = props;
  const units = useUnits();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const packets = cultures.filter((c) => c.packet && isLive(c) && c.signs.length === 0);
  const asked =
    packets.find((c) => c.id === search.get('culture')) ?? packets.find((c) => c.heirloom) ?? packets[0];
  const [openedMs] = useState(() => Math.round(now()));
  const dispatch = useAppDispatch();
  const draft = useAppSelector((s) => s.live.wakingDraft);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [plan, setPlan] = useState<WakingPlan>(() => {
    if (draft) return draft;
    const kind = asked?.kind === 'dried-yogurt' ? 'dried-yogurt' : 'dried-mesophilic';
    return {
      ...usualWaking(new Date(openedMs).toISOString()),
      name: asked ? `Waking ${asked.name}` : 'Waking',
      cultureId: asked?.id ?? null,
      ...packetOf(asked),
      kind,
      celsius: WAKES_AT_C[kind],
    };
  });
  useEffect(() => {
    // Taken over once: another waking begins afresh.
    dispatch(liveSlice.actions.wakingDraftKept(null));
  }, [dispatch]);
  const set = (part: Partial<WakingPlan>): void => setPlan((before) => ({ ...before, ...part }));
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
        <section className="section" aria-labelledby="wake-what">
          <h2 id="wake-what">Dried culture</h2>
          {packets.length > 0 && (
            <NativeSelect
              label="Packet"
              value={plan.cultureId ?? ''}
              data={[
                ...packets.map((c) => ({ value: c.id, label: c.name })),
                { value: '', label: 'a packet not listed' },
              ]}
              onChange={(e) => {
                const packet = packets.find((c) => c.id === e.currentTarget.value);
                const kind = packet?.kind === 'dried-yogurt' ? 'dried-yogurt' : 'dried-mesophilic';
                setPlan(({ packetLitres: _, ...before }) => ({
                  ...before,
                  cultureId: packet?.id ?? null,
                  ...packetOf(packet),
                  ...(packet ? { kind, celsius: WAKES_AT_C[kind], name: `Waking ${packet.name}` } : {}),
                }));
              }}
            />
          )}
          {plan.cultureId === null && (
            <Choices
              legend="Kind of culture"
              value={plan.kind}
              options={KINDS.map((k) => ({
                value: k,
                label: k === 'dried-yogurt' ? 'a yogurt culture' : 'a room-temperature culture',
              }))}
              onChange={(kind) => set({ kind, celsius: WAKES_AT_C[kind] })}
            />
          )}
          <TextInput
            label="Name"
            value={plan.name}
            maxLength={80}
            error={plan.name.trim() === '' ? 'Enter a name.' : null}
            onChange={(e) => set({ name: e.currentTarget.value })}
          />
          <StepSlider
            label="Soak in the fridge first"
            value={plan.soakH ?? 0}
            shown={plan.soakH ? `${plan.soakH} h` : 'no soak'}
            min={0}
            max={24}
            step={1}
            onChange={(soakH) => set({ soakH: soakH === 0 ? undefined : soakH })}
          />
          <StepSlider
            label="Incubate at"
            value={plan.celsius}
            shown={units.temperature(plan.celsius)}
            min={15}
            max={46}
            step={0.5}
            onChange={(celsius) => set({ celsius })}
          />
          <Choices
            legend="Between feeds"
            value={plan.restBetween}
            options={[
              { value: 'cold', label: 'rest in the fridge until convenient' },
              { value: 'warm', label: 'no rest, feed as soon as set' },
            ]}
            onChange={(restBetween) => set({ restBetween })}
          />
        </section>
        <section className="section" aria-labelledby="wake-milk">
          <h2 id="wake-milk">Milk</h2>
          <Choices
            legend="Milk"
            value={plan.treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={(treatment) => set({ treatment })}
          />
          <p className="quiet">
            {plan.treatment === 'ultra-heated'
              ? 'Ultra-heated milk needs no scalding.'
              : 'Scald and cool the milk for each feed before adding the culture.'}
          </p>
          <StepSlider
            label="First feed"
            value={Math.round(plan.firstFeedKg * 1000)}
            shown={units.mass(plan.firstFeedKg)}
            min={20}
            max={500}
            step={10}
            onChange={(g) => set({ firstFeedKg: g / 1000, feedsKg: undefined })}
          />
          <StepSlider
            label="Each feed"
            value={plan.growth}
            shown={`${plan.growth} times the one before`}
            min={1.5}
            max={6}
            step={0.5}
            onChange={(growth) => set({ growth, feedsKg: undefined })}
          />
          <StepSlider
            label="Feeds"
            value={plan.feeds}
            shown={String(plan.feeds)}
            min={1}
            max={8}
            step={1}
            onChange={(feeds) => set({ feeds, feedsKg: undefined })}
          />
          <details>
            <summary className="unfolds">Amounts as the packet says</summary>
            {Array.from({ length: plan.feeds }, (_, i) => feedKg(plan, i + 1)).map((kg, i, all) => (
              <StepSlider
                key={i}
                label={`Feed ${i + 1}`}
                value={Math.round(kg * 1000)}
                shown={units.mass(kg)}
                min={20}
                max={4000}
                step={10}
                onChange={(g) => {
                  const feedsKg = all.map((own, n) => (n === i ? g / 1000 : own));
                  set({ feedsKg, firstFeedKg: Math.min(2, feedsKg[0]!) });
                }}
              />
            ))}
          </details>
          <StepSlider
            label="Carton size"
            value={plan.cartonLitres ?? 1}
            shown={units.volume(plan.cartonLitres ?? 1)}
            min={0.5}
            max={4}
            step={0.5}
            onChange={(cartonLitres) => set({ cartonLitres })}
          />
        </section>
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
