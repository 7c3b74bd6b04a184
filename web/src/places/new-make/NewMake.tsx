import '../../parts/form-styles.ts';
import {
  instantOfLocal,
  localDate,
  plannedOf,
  priced,
  planOfMethod,
  PRODUCTS,
  productOf,
  beginPlan,
  roomOf,
  SOURNESS,
  souringOf,
  soursToTheEnd,
  stateOfPlan,
  type MakeState,
} from '@morning-crock/core';
import {
  PRODUCT_IDS,
  THICKNESS,
  type Factor,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type ProductId,
} from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { memo, useCallback, useDeferredValue, useEffect, useRef, useState, type ComponentProps } from 'react';
import { Navigate, useNavigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { useFactorsQuery, useKitchenQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record, store } from '../../data/store.ts';
import { useMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { requestForecast } from '../../workers/forecast-client.ts';
import { useCultures } from '../../data/use-cultures.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { WorkBack } from '../../parts/WorkBack.tsx';
import { ExtrasSection } from './ExtrasSection.tsx';
import { HeatSection } from './HeatSection.tsx';
import { ButterBack } from './panels/ButterBack.tsx';
import { ButterSection } from './panels/ButterSection.tsx';
import { ChurnSection } from './panels/ChurnSection.tsx';
import { PanSection } from './panels/PanSection.tsx';
import { CreamSection } from './CreamSection.tsx';
import { MethodChoice } from './MethodChoice.tsx';
import { MilkSection } from './MilkSection.tsx';
import { Outlook } from './Outlook.tsx';
import { PlaceSection } from './PlaceSection.tsx';
import { StarterSection } from './StarterSection.tsx';
import { sameParts } from './same-parts.ts';
import { startingPlan } from './starting-plan.ts';
import { usePlanning } from './use-plan.ts';
import { WhatToMake } from './WhatToMake.tsx';
import { useAgeAtStart, useCultureFrom, type WantedCulture } from './use-culture-from.ts';
import { usePourFrom } from './use-pour-from.ts';
import './new-make.css';
import { ClockField } from '../../parts/ClockField.tsx';

const DAY_MS = 86_400_000;
const NOTHING_LEARNED: readonly Factor[] = [];

/** "HH:MM" as the next such moment. */
function nextAt(zone: string, time: string, nowMs: number): number {
  const today = instantOfLocal(zone, localDate(zone, nowMs), time);
  return today >= nowMs - 60_000 ? today : instantOfLocal(zone, localDate(zone, nowMs + DAY_MS), time);
}

/** What an address asks for; yogurt when it does not say. */
const askedProduct = (search: URLSearchParams): ProductId =>
  // A packet is woken where the packets are.
  PRODUCT_IDS.find((id) => id === search.get('make') && PRODUCTS[id].takes !== 'packet') ?? PRODUCT_IDS[0];

/** The culture an address asks for, or the one that follows from what is repeated. */
function wantedCulture(search: URLSearchParams, repeated: MakeState | null): WantedCulture {
  const id = search.get('culture');
  if (id !== null) return { kind: 'named', id };
  if (search.get('draft') === '1') return { kind: 'none' };
  if (!repeated) return { kind: 'any' };
  const { lineId } = repeated.plan.starter;
  return lineId === undefined ? { kind: 'none' } : { kind: 'line', id: lineId };
}

/** What goes in: milk, or cream. */
const GoesIn = memo(
  function GoesIn({
    mayBeRipened,
    ...props
  }: ComponentProps<typeof MilkSection> & { readonly mayBeRipened: boolean }) {
    const { takes } = productOf(props.plan);
    if (takes === 'cream') return <CreamSection {...props} mayBeRipened={mayBeRipened} />;
    return takes === 'butter' ? <ButterSection {...props} /> : <MilkSection {...props} />;
  },
  sameParts('product', 'milk', 'starter', 'startAt', 'repeatOf'),
);
const What = memo(WhatToMake);
const ByMethod = memo(MethodChoice, sameParts('product', 'method', 'startAt', 'milk'));
const Shown = memo(Outlook);

/** Its name, and when it begins. */
const StartSection = memo(function StartSection(props: {
  readonly name: string;
  readonly time: string;
  /** A start further away than today, as an offer had it. */
  readonly offeredMs: number | null;
  readonly onName: (name: string) => void;
  readonly onTime: (time: string) => void;
  readonly onNow: () => void;
}) {
  const { name, time, offeredMs, onName, onTime, onNow } = props;
  const units = useUnits();
  return (
    <section className="section" aria-labelledby="start">
      <h2 id="start">Start</h2>
      <div className="field-row">
        <TextInput
          label="Name"
          value={name}
          maxLength={80}
          onChange={(e) => onName(e.currentTarget.value)}
          flex={1}
        />
        <ClockField
          label="Start at"
          shown="Time (empty for now)"
          value={time}
          clearable
          width={units.clockHabit === '12h' ? 200 : 170}
          onValue={onTime}
        />
      </div>
      {offeredMs !== null && time === '' && (
        <p role="status">
          Starts {units.time(offeredMs, now())}, as suggested.{' '}
          <Button variant="default" onClick={onNow}>
            Start now instead
          </Button>
        </p>
      )}
    </section>
  );
});

function Form({
  kitchen,
  repeated,
  method = null,
}: {
  readonly kitchen: KitchenSettings;
  readonly repeated: MakeState | null;
  readonly method?: Method | null;
}) {
  const [makeId] = useState(() => ulid());
  const [search] = useSearchParams();
  const [initial] = useState(() => {
    // Looked at once: each turn of a control keeps it anew.
    const { draft } = store.getState().live;
    return search.get('draft') === '1' && draft
      ? draft
      : method
        ? planOfMethod(method, kitchen, new Date(Math.round(now())).toISOString())
        : startingPlan(kitchen, repeated, Math.round(now()), askedProduct(search));
  });
  const { data: factors = NOTHING_LEARNED } = useFactorsQuery();
  const planning = usePlanning(makeId, initial, kitchen, factors);
  const [way, setWay] = useState<'forward' | 'back'>('forward');
  const { plan, change } = planning;
  const product = productOf(plan);
  const sours = souringOf(planning.state) !== null;
  const toTheEnd = soursToTheEnd(planning.state);
  const parts = planning.state.steps.some(({ step }) => step.facts.parts);
  const room = useMilkRoom();
  usePourFrom(search.get('from'), room, planning);
  const cultures = useCultures(Date.parse(plan.startAt));
  const [wanted] = useState(() => wantedCulture(search, repeated));
  useCultureFrom(wanted, cultures, planning);
  useAgeAtStart(cultures, planning);
  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const [startTime, setStartTime] = useState('');
  /** A start further away than today, as an offer had it. */
  const [startMs, setStartMs] = useState<number | null>(null);
  const [starting, setStarting] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const navigate = useNavigate();
  const shown = useDeferredValue(planning);
  const { zone } = kitchen.site;
  const { replace } = planning;
  const onFault = useCallback(
    (field: string, faulty: boolean): void =>
      setFaults((before) =>
        before.has(field) === faulty
          ? before
          : new Set(faulty ? [...before, field] : [...before].filter((f) => f !== field)),
      ),
    [],
  );
  const changeMilk = useCallback(
    (part: Partial<MakePlan>): void => {
      setRefusal(null);
      change(part);
    },
    [change],
  );
  const onName = useCallback((name: string): void => change({ name }), [change]);
  const onNow = useCallback((): void => setStartMs(null), []);
  const onTime = useCallback(
    (time: string): void => {
      setStartTime(time);
      setStartMs(null);
      const beginMs = time === '' ? now() : nextAt(zone, time, now());
      change({ startAt: new Date(Math.round(beginMs)).toISOString() });
    },
    [change, zone],
  );
  const onProduct = useCallback(
    (id: ProductId): void => {
      setFaults(new Set());
      setRefusal(null);
      setWay('forward');
      replace((before) => beginPlan(id, kitchen, before.startAt));
    },
    [replace, kitchen],
  );

  const onPlan = useCallback(
    (next: MakePlan): void => {
      setFaults(new Set());
      setRefusal(null);
      replace(next);
    },
    [replace],
  );

  async function start(): Promise<void> {
    setStarting(true);
    const nowMs = Math.round(now());
    const beginMs =
      startTime !== ''
        ? nextAt(kitchen.site.zone, startTime, nowMs)
        : startMs !== null && startMs > nowMs
          ? startMs
          : nowMs;
    const final = priced(
      {
        ...plan,
        name: plan.name.trim() || product.label,
        startAt: new Date(beginMs).toISOString(),
        ...roomOf(kitchen.site, beginMs),
      },
      kitchen,
    );
    const started = await record(makeId, 'make-started', { plan: final }, nowMs);
    // Another tablet may have taken the milk or the culture a moment ago.
    const refused = await refusalOf(started);
    if (refused !== null) {
      setRefusal(refused);
      setStarting(false);
      return;
    }
    // What was forecast is stored: the Daybook compares with it for ever. A make goes on without.
    const forecast = await requestForecast('planned', {
      kind: 'plan',
      makeId,
      plan: final,
      nowMs: beginMs,
    }).catch(() => null);
    if (forecast)
      await record(makeId, 'planned', { forecast: plannedOf(stateOfPlan(final), forecast) }, nowMs);
    void navigate(`/makes/${makeId}`);
  }
  // The latest start is called, whenever it was drawn.
  const latest = useRef(start);
  useEffect(() => {
    latest.current = start;
  });
  const onStart = useCallback((): void => void latest.current(), []);
  return (
    <div className="new-make">
      <div className="new-make-head">
        <h1>{repeated ? `Repeat ${repeated.plan.name}` : 'New batch'}</h1>
        {!repeated && <What product={plan.product} onProduct={onProduct} />}
        {!repeated && <ByMethod plan={plan} kitchen={kitchen} onPlan={onPlan} />}
      </div>
      <div className="sections">
        {(toTheEnd || parts) && (
          <div className="across">
            <Choices
              legend="Plan"
              value={way}
              options={[
                { value: 'forward', label: 'from a start time' },
                { value: 'back', label: 'back from a finish time' },
              ]}
              onChange={setWay}
            />
          </div>
        )}
        {way === 'back' && parts && (
          <ButterBack
            plan={plan}
            kitchen={kitchen}
            onTake={(taken) => {
              planning.replace(taken.plan);
              setStartTime('');
              setStartMs(taken.startMs);
              setWay('forward');
            }}
          />
        )}
        {way === 'back' && toTheEnd && (
          <WorkBack
            state={planning.state}
            begun={false}
            kitchen={kitchen}
            factors={factors}
            onTake={(offer) => {
              planning.replace(offer.plan);
              setStartTime('');
              setStartMs(offer.startMs);
              setWay('forward');
            }}
          />
        )}
        <GoesIn
          key={plan.product}
          plan={plan}
          lots={room.lots}
          mayBeRipened={!sours}
          change={changeMilk}
          onFault={onFault}
        />
        {sours && (
          <>
            <StarterSection plan={plan} cultures={cultures.cultures} change={change} onFault={onFault} />
            <HeatSection plan={plan} change={change} />
            <PlaceSection plan={plan} kitchen={kitchen} change={change} />
            {toTheEnd && (
              <section className="section" aria-labelledby="wanted">
                <h2 id="wanted">Taste and texture</h2>
                <Choices
                  legend="Sourness"
                  value={plan.wanted.sourness}
                  options={SOURNESS.map((s) => ({ value: s, label: s }))}
                  onChange={(sourness) => change({ wanted: { ...plan.wanted, sourness } })}
                />
                {product.takes === 'milk' && (
                  <Choices
                    legend="Thickness"
                    value={plan.wanted.thickness}
                    options={THICKNESS.map((t) => ({ value: t, label: t }))}
                    onChange={(thickness) => change({ wanted: { ...plan.wanted, thickness } })}
                  />
                )}
              </section>
            )}
          </>
        )}
        <ChurnSection plan={plan} kitchen={kitchen} change={change} />
        <PanSection plan={plan} kitchen={kitchen} change={change} />
        <StartSection
          name={plan.name}
          time={startTime}
          offeredMs={startMs}
          onName={onName}
          onTime={onTime}
          onNow={onNow}
        />
        {sours && <ExtrasSection plan={plan} kitchen={kitchen} replace={planning.replace} />}
      </div>
      <Shown
        planning={shown}
        faulty={faults.size > 0}
        // Until the milk and cultures there are have come, the plan is not the one that will be shown.
        starting={starting || !(cultures.known || cultures.failed) || !(room.known || room.failed)}
        refusal={refusal}
        onStart={onStart}
      />
    </div>
  );
}

function Repeat({ kitchen, id }: { readonly kitchen: KitchenSettings; readonly id: string }) {
  const { state, failed } = useMake(id);
  if (failed) return <Form kitchen={kitchen} repeated={null} />;
  if (state && productOf(state.plan).takes === 'packet') return <Navigate to="/cultures/wake" replace />;
  return state ? <Form key={id} kitchen={kitchen} repeated={state} /> : <p className="quiet">Loading …</p>;
}

/** A make by a method of the Methods place, in the version that was looked at. */
function ByAsked({ kitchen, id }: { readonly kitchen: KitchenSettings; readonly id: string }) {
  const { shown, known, failed } = useMethods();
  const [search] = useSearchParams();
  const asked = shown.find((m) => m.id === id);
  if (!asked && !known && !failed) return <p className="quiet">Loading …</p>;
  const version = Number(search.get('version'));
  const method =
    asked?.own?.versions.find((v) => v.method.version === version)?.method ?? asked?.method ?? null;
  return <Form key={search.toString()} kitchen={kitchen} repeated={null} method={method} />;
}

/** A make in the choosing: everything that can be turned, and the whole forecast beside it. */
export function NewMake() {
  const { data } = useKitchenQuery();
  const [search] = useSearchParams();
  const repeat = search.get('repeat');
  if (!data) return <p className="quiet">Opening …</p>;
  const method = search.get('method');
  if (method !== null && search.get('draft') !== '1')
    return <ByAsked key={method} kitchen={data.settings} id={method} />;
  return repeat ? (
    <Repeat kitchen={data.settings} id={repeat} />
  ) : (
    <Form key={search.toString()} kitchen={data.settings} repeated={null} />
  );
}
