import { isLive, planWaking, TREATMENTS } from '@morning-crock/core';
import {
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
import { refusalWords } from '../../data/refusal-words.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { dropRefused, record, useAppDispatch, useAppSelector, whenSettled } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { StepSlider } from '../../parts/StepSlider.tsx';
import { FeedTable } from '../../parts/FeedTable.tsx';

const KINDS = ['dried-yogurt', 'dried-mesophilic'] as const;
/** Heat each kind is woken at, °C. */
const USUAL_C = { 'dried-yogurt': 42, 'dried-mesophilic': 22 } as const;

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
      name: asked ? `Waking ${asked.name}` : 'Waking',
      cultureId: asked?.id ?? null,
      ...packetOf(asked),
      kind,
      treatment: 'pasteurised',
      cartonLitres: 1,
      firstFeedKg: 0.06,
      growth: 3,
      feeds: 4,
      celsius: USUAL_C[kind],
      restBetween: 'cold',
      startAt: new Date(openedMs).toISOString(),
    };
  });
  useEffect(() => {
    // Taken over once: another waking begins afresh.
    dispatch(liveSlice.actions.wakingDraftKept(null));
  }, [dispatch]);
  const set = (part: Partial<WakingPlan>): void => setPlan((before) => ({ ...before, ...part }));
  const nowMs = useNow(60_000);
  const waking = useMemo(() => planWaking(plan, kitchen, [], nowMs), [plan, kitchen, nowMs]);
  const fault = wakingPlan.safeParse(plan).error?.issues[0];
  const start = async (): Promise<void> => {
    const id = ulid();
    const atMs = now();
    const started = await record(
      id,
      'waking-started',
      { plan: { ...plan, name: plan.name.trim(), startAt: new Date(Math.round(atMs)).toISOString() } },
      atMs,
    );
    const refused = await whenSettled(started);
    if (refused) {
      await dropRefused(started);
      setRefusal(refusalWords(refused));
      return;
    }
    void navigate(`/makes/${id}`);
  };
  return (
    <div className="milk-room wake-room">
      <div className="sections" style={{ alignContent: 'start' }}>
        <section className="section" aria-labelledby="wake-what">
          <h2 id="wake-what">What is woken</h2>
          {packets.length > 0 && (
            <NativeSelect
              label="Packet"
              value={plan.cultureId ?? ''}
              data={[
                ...packets.map((c) => ({ value: c.id, label: c.name })),
                { value: '', label: 'one that is not in the register' },
              ]}
              onChange={(e) => {
                const packet = packets.find((c) => c.id === e.currentTarget.value);
                const kind = packet?.kind === 'dried-yogurt' ? 'dried-yogurt' : 'dried-mesophilic';
                setPlan(({ packetLitres: _, ...before }) => ({
                  ...before,
                  cultureId: packet?.id ?? null,
                  ...packetOf(packet),
                  ...(packet ? { kind, celsius: USUAL_C[kind], name: `Waking ${packet.name}` } : {}),
                }));
              }}
            />
          )}
          {plan.cultureId === null && (
            <Choices
              legend="It is"
              value={plan.kind}
              options={KINDS.map((k) => ({
                value: k,
                label: k === 'dried-yogurt' ? 'a yogurt culture' : 'for room heat',
              }))}
              onChange={(kind) => set({ kind, celsius: USUAL_C[kind] })}
            />
          )}
          <TextInput
            label="Name"
            value={plan.name}
            maxLength={80}
            error={plan.name.trim() === '' ? 'Needs a name.' : null}
            onChange={(e) => set({ name: e.currentTarget.value })}
          />
          <StepSlider
            label="It stands at"
            value={plan.celsius}
            shown={units.temperature(plan.celsius)}
            min={15}
            max={46}
            step={0.5}
            onChange={(celsius) => set({ celsius })}
          />
          <Choices
            legend="Between feeds it rests"
            value={plan.restBetween}
            options={[
              { value: 'cold', label: 'cold, until it suits' },
              { value: 'warm', label: 'not: fed as soon as set' },
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
              : 'Each feed is scalded and cooled before the culture goes in.'}
          </p>
          <StepSlider
            label="First feed"
            value={Math.round(plan.firstFeedKg * 1000)}
            shown={units.mass(plan.firstFeedKg)}
            min={20}
            max={500}
            step={10}
            onChange={(g) => set({ firstFeedKg: g / 1000 })}
          />
          <StepSlider
            label="Each feed"
            value={plan.growth}
            shown={`${plan.growth} times the one before`}
            min={1.5}
            max={6}
            step={0.5}
            onChange={(growth) => set({ growth })}
          />
          <StepSlider
            label="Feeds"
            value={plan.feeds}
            shown={String(plan.feeds)}
            min={1}
            max={8}
            step={1}
            onChange={(feeds) => set({ feeds })}
          />
          <StepSlider
            label="A carton holds"
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
          <div className="quiet">Awake</div>
          <div className="number" style={{ fontSize: 34 }}>
            about {units.time(waking.readyMs, nowMs)}
          </div>
          <p>
            {units.mass(waking.milkKg)} of milk in all
            {waking.cartons !== null && waking.cartons === 1 && ', one carton'}.
          </p>
        </div>
        {waking.milkWords && (
          <p className="caution note" role="status">
            {waking.milkWords}
          </p>
        )}
        <Button h={72} disabled={fault !== undefined} onClick={() => void start()}>
          Begin the waking
        </Button>
        {refusal && (
          <p className="caution stop" role="alert">
            Not begun. {refusal}
          </p>
        )}
        {fault && (
          <p className="field-error" role="alert">
            {fault.path.join('.')} {fault.message}
          </p>
        )}
        <FeedTable waking={waking} nowMs={nowMs} />
        <p className="quiet">
          Times by the model, give or take a third; hands are asked for only when somebody is there. A late
          feed plans the rest anew.
        </p>
        {plan.treatment === 'raw' && (
          <p className="caution">Raw milk: scald it first; its germs would be carried on.</p>
        )}
      </aside>
    </div>
  );
}
