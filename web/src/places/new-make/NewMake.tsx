import '../../parts/fields/form-styles.ts';
import {
  beginPlan,
  CAUSE_IDS,
  planOfMethod,
  productOf,
  type CauseId,
  type MakeState,
} from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  PRODUCT_IDS,
  type Factor,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type ProductId,
} from '@morning-crock/core/contract';
import { memo, useCallback, useDeferredValue, useState } from 'react';
import { Navigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { useFactorsQuery, useKitchenQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { store } from '../../data/store.ts';
import { useCultures } from '../../data/use-cultures.ts';
import { useMake } from '../../data/use-make.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { useMethodLine } from './use-method-line.tsx';
import { Outlook } from './Outlook.tsx';
import { PlanLines } from './PlanLines.tsx';
import { startingPlan } from './starting-plan.ts';
import { useBatchFrom } from './use-batch-from.ts';
import { useAgeAtStart, useCultureFrom, type WantedCulture } from './use-culture-from.ts';
import { usePlanning } from './use-plan.ts';
import { usePourFrom } from './use-pour-from.ts';
import { useStart } from './use-start.ts';
import { WhatToMake } from './WhatToMake.tsx';
import './new-make.css';

export { FirstShelf } from './FirstShelf.tsx';
export { Welcome } from './Welcome.tsx';

const NOTHING_LEARNED: readonly Factor[] = [];

/** What an address asks for; yogurt when it does not say. */
const askedProduct = (search: URLSearchParams): ProductId =>
  // A packet is woken where the packets are.
  PRODUCT_IDS.find((id) => id === search.get('make') && PRODUCT_TAKES[id] !== 'packet') ?? PRODUCT_IDS[0];

/** The culture an address asks for, or the one that follows from what is repeated. */
function wantedCulture(search: URLSearchParams, repeated: MakeState | null): WantedCulture {
  const id = search.get('culture');
  if (id !== null) return { kind: 'named', id };
  if (search.get('draft') === '1') return { kind: 'none' };
  if (!repeated) return { kind: 'any' };
  const { lineId } = repeated.plan.starter;
  return lineId === undefined ? { kind: 'none' } : { kind: 'line', id: lineId };
}

/** What went wrong the last time, where the address says so. */
const askedChange = (search: URLSearchParams): CauseId | null =>
  CAUSE_IDS.find((cause) => cause === search.get('change')) ?? null;

const What = memo(WhatToMake);
const Shown = memo(Outlook);

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
        : startingPlan(kitchen, repeated, Math.round(now()), askedProduct(search), askedChange(search));
  });
  const { data: factors = NOTHING_LEARNED } = useFactorsQuery();
  const planning = usePlanning(makeId, initial, kitchen, factors);
  const { plan, change, replace } = planning;
  const room = useMilkRoom();
  usePourFrom(search.get('from'), room, planning);
  useBatchFrom(search.get('batch'), planning);
  const cultures = useCultures(Date.parse(plan.startAt));
  const [wanted] = useState(() => wantedCulture(search, repeated));
  useCultureFrom(wanted, cultures, planning);
  useAgeAtStart(cultures, planning);
  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const start = useStart({ makeId, plan, kitchen, change });
  const { again } = start;
  const shown = useDeferredValue(planning);
  const onFault = useCallback(
    (field: string, faulty: boolean): void =>
      setFaults((before) =>
        before.has(field) === faulty
          ? before
          : new Set(faulty ? [...before, field] : [...before].filter((f) => f !== field)),
      ),
    [],
  );
  const changePour = useCallback(
    (part: Partial<MakePlan>): void => {
      again();
      change(part);
    },
    [change, again],
  );
  const onPlan = useCallback(
    (next: MakePlan | ((before: MakePlan) => MakePlan)): void => {
      setFaults(new Set());
      again();
      replace(next);
    },
    [replace, again],
  );
  const onProduct = useCallback(
    (id: ProductId): void => onPlan((before) => beginPlan(id, kitchen, before.startAt)),
    [onPlan, kitchen],
  );
  const first = search.get('first') === '1';
  const methodLine = useMethodLine(plan, kitchen, onPlan);
  return (
    <div className="new-make">
      <div className="new-make-head">
        <h1>
          {repeated
            ? `Repeat ${repeated.plan.name}`
            : first
              ? `Make ${productOf(plan).label.toLowerCase()}`
              : 'New batch'}
        </h1>
        {!repeated && <What product={plan.product} onProduct={onProduct} />}
      </div>
      <PlanLines
        planning={planning}
        start={start}
        kitchen={kitchen}
        factors={factors}
        lots={room.lots}
        cultures={cultures.cultures}
        faults={faults}
        changePour={changePour}
        onFault={onFault}
        method={repeated ? null : methodLine}
        first={first}
      />
      <Shown
        planning={shown}
        faulty={faults.size > 0}
        // Until the milk and cultures there are have come, the plan is not the one that will be shown.
        starting={start.starting || !(cultures.known || cultures.failed) || !(room.known || room.failed)}
        refusal={start.refusal}
        onStart={start.onStart}
      />
    </div>
  );
}

function Repeat({ kitchen, id }: { readonly kitchen: KitchenSettings; readonly id: string }) {
  const { state, failed } = useMake(id);
  if (failed) return <Form kitchen={kitchen} repeated={null} />;
  if (state && PRODUCT_TAKES[state.plan.product] === 'packet')
    return <Navigate to="/cultures/wake" replace />;
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
