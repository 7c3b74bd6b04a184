import {
  bandForecast,
  hashSeed,
  instantOfLocal,
  localDate,
  plannedOf,
  SOURNESS,
  stateOfPlan,
  type MakeState,
} from '@morning-crock/core';
import { THICKNESS, type KitchenSettings, type MakePlan } from '@morning-crock/core/contract';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../api/api.ts';
import { now } from '../../app/clock.ts';
import { record } from '../../app/store.ts';
import { useMake } from '../../app/use-make.ts';
import { Choices } from '../../parts/Choices.tsx';
import { requestForecast } from '../../workers/forecast-client.ts';
import { HeatSection } from './HeatSection.tsx';
import { MilkSection } from './MilkSection.tsx';
import { Outlook } from './Outlook.tsx';
import { PlaceSection } from './PlaceSection.tsx';
import { StarterSection } from './StarterSection.tsx';
import { startingPlan, usePlanning } from './use-plan.ts';

const DAY_MS = 86_400_000;

/** "HH:MM" as the next such moment. */
function nextAt(zone: string, time: string, nowMs: number): number {
  const today = instantOfLocal(zone, localDate(zone, nowMs), time);
  return today >= nowMs - 60_000 ? today : instantOfLocal(zone, localDate(zone, nowMs + DAY_MS), time);
}

function Form({
  kitchen,
  repeated,
}: {
  readonly kitchen: KitchenSettings;
  readonly repeated: MakeState | null;
}) {
  const [makeId] = useState(() => ulid());
  const [initial] = useState(() => startingPlan(kitchen, repeated, Math.round(now())));
  const planning = usePlanning(makeId, initial, kitchen);
  const { plan, change } = planning;
  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const [startTime, setStartTime] = useState('');
  const [starting, setStarting] = useState(false);
  const navigate = useNavigate();
  const onFault = (field: string, faulty: boolean): void =>
    setFaults((before) => new Set(faulty ? [...before, field] : [...before].filter((f) => f !== field)));

  async function start(): Promise<void> {
    setStarting(true);
    const nowMs = Math.round(now());
    const startMs = startTime === '' ? nowMs : nextAt(kitchen.site.zone, startTime, nowMs);
    const final: MakePlan = {
      ...plan,
      name: plan.name.trim() || 'Yogurt',
      startAt: new Date(startMs).toISOString(),
    };
    await record(makeId, 'make-started', { plan: final }, nowMs);
    // What was forecast is stored: the Daybook compares with it for ever.
    const forecast =
      (await requestForecast('planned', { kind: 'plan', makeId, plan: final, nowMs: startMs })) ??
      bandForecast(stateOfPlan(final), startMs, hashSeed(makeId));
    await record(makeId, 'planned', { forecast: plannedOf(stateOfPlan(final), forecast) }, nowMs);
    void navigate(`/makes/${makeId}`);
  }
  return (
    <div className="new-make">
      <div className="sections">
        <h1 style={{ gridColumn: '1 / -1' }}>{repeated ? `Again: ${repeated.plan.name}` : 'New make'}</h1>
        <MilkSection plan={plan} change={change} onFault={onFault} />
        <StarterSection plan={plan} change={change} onFault={onFault} />
        <HeatSection plan={plan} change={change} />
        <PlaceSection plan={plan} kitchen={kitchen} change={change} />
        <section className="section" aria-labelledby="wanted">
          <h2 id="wanted">Wanted</h2>
          <Choices
            legend="How sour"
            value={plan.wanted.sourness}
            options={SOURNESS.map((s) => ({ value: s, label: s }))}
            onChange={(sourness) => change({ wanted: { ...plan.wanted, sourness } })}
          />
          <Choices
            legend="How thick"
            value={plan.wanted.thickness}
            options={THICKNESS.map((t) => ({ value: t, label: t }))}
            onChange={(thickness) => change({ wanted: { ...plan.wanted, thickness } })}
          />
        </section>
        <section className="section" aria-labelledby="start">
          <h2 id="start">Start</h2>
          <div className="field-row">
            <TextInput
              label="Name"
              value={plan.name}
              maxLength={80}
              onChange={(e) => change({ name: e.currentTarget.value })}
              style={{ flex: 1 }}
            />
            <TextInput
              label="At (empty: now)"
              type="time"
              value={startTime}
              w={150}
              onChange={(e) => {
                const time = e.currentTarget.value;
                setStartTime(time);
                const startMs = time === '' ? now() : nextAt(kitchen.site.zone, time, now());
                change({ startAt: new Date(Math.round(startMs)).toISOString() });
              }}
            />
          </div>
        </section>
      </div>
      <Outlook
        planning={planning}
        faulty={faults.size > 0}
        starting={starting}
        onStart={() => void start()}
      />
    </div>
  );
}

function Repeat({ kitchen, id }: { readonly kitchen: KitchenSettings; readonly id: string }) {
  const { state, missing } = useMake(id);
  if (missing) return <Form kitchen={kitchen} repeated={null} />;
  return state ? (
    <Form key={id} kitchen={kitchen} repeated={state} />
  ) : (
    <p className="quiet">Looking it up …</p>
  );
}

/** A make in the choosing: everything that can be turned, and the whole forecast beside it. */
export function NewMake() {
  const { data } = useKitchenQuery();
  const [search] = useSearchParams();
  const repeat = search.get('repeat');
  if (!data) return <p className="quiet">Opening …</p>;
  return repeat ? (
    <Repeat kitchen={data.settings} id={repeat} />
  ) : (
    <Form kitchen={data.settings} repeated={null} />
  );
}
