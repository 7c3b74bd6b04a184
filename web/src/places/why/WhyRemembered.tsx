import '../../parts/fields/form-styles.ts';
import {
  beginPlan,
  COMPLAINT_IDS,
  COMPLAINTS_OF,
  eventsOfNeverEntered,
  FAULTY_KINDS,
  foldMake,
  HOUR_MS,
  MINUTE_MS,
  STANDS_FOR,
  warmCulture,
  type ClueId,
  type ComplaintId,
  type FaultyKind,
  type LoggedEvent,
  type Suspect,
} from '@morning-crock/core';
import { EVENT_VERSION, type KitchenSettings, type MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import type { ReadingTaken } from './AskCard.tsx';
import { ComplaintChoice } from './ComplaintChoice.tsx';
import { WhyFace } from './WhyFace.tsx';

/** Complaints of something that is still going on. */
const GOING_ON: Readonly<Partial<Record<ComplaintId, 'hours' | 'minutes'>>> = {
  'not-set': 'hours',
  'not-sour': 'hours',
  'no-butter': 'minutes',
};
/** A usual wait before somebody complains: of a warm culture, of others, h; of a churn, min. */
const WAITED = { warm: 8, cool: 30, churn: 45 } as const;
const MOST = { hours: 200, minutes: 240 } as const;

/** The few things that are asked of a batch that is still going on. */
function Remembered(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly unit: 'hours' | 'minutes';
  readonly waited: number;
  readonly onPlan: (plan: MakePlan) => void;
  readonly onWaited: (waited: number) => void;
}) {
  const { plan, kitchen, unit, waited, onPlan, onWaited } = props;
  const places = kitchen.places.some(({ id }) => id === plan.place.id)
    ? kitchen.places
    : [...kitchen.places, plan.place];
  return (
    <div className="row wide above-s">
      <NumberField
        label={unit === 'hours' ? 'Since the starter went in' : 'Churned for'}
        unit={unit === 'hours' ? 'h' : 'min'}
        value={waited}
        width={230}
        fault={waited > 0 && waited <= MOST[unit] ? null : `Enter between 0 and ${MOST[unit]} ${unit}.`}
        onValue={onWaited}
      />
      {unit === 'hours' && (
        <NativeSelect
          label="Place"
          value={plan.place.id}
          data={places.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(event) => {
            const place = places.find(({ id }) => id === event.currentTarget.value);
            if (place) onPlan({ ...plan, place });
          }}
        />
      )}
    </div>
  );
}

/** What is asked about a batch that was never entered: nothing of it is kept. */
function Asked(props: {
  readonly kitchen: KitchenSettings;
  readonly kind: FaultyKind;
  readonly complaint: ComplaintId;
}) {
  const { kitchen, kind, complaint } = props;
  const unit = GOING_ON[complaint];
  const [nowMs] = useState(() => Math.floor(now() / MINUTE_MS) * MINUTE_MS);
  const [id] = useState(() => ulid());
  const [plan, setPlan] = useState(() => beginPlan(STANDS_FOR[kind], kitchen, new Date(nowMs).toISOString()));
  const [waited, setWaited] = useState<number>(
    unit === 'minutes' ? WAITED.churn : warmCulture(plan.starter.kind) ? WAITED.warm : WAITED.cool,
  );
  const [answers, setAnswers] = useState<Partial<Record<ClueId, number>>>({});
  const [taken, setTaken] = useState<readonly ReadingTaken[]>([]);
  const [settled, setSettled] = useState<Suspect | undefined>(undefined);
  const valid = unit === undefined || (waited > 0 && waited <= MOST[unit]);
  const events = useMemo((): LoggedEvent[] | null => {
    if (!valid) return null;
    const waitedMs = waited * (unit === 'hours' ? HOUR_MS : MINUTE_MS);
    const made = eventsOfNeverEntered(id, {
      plan,
      sinceMs: unit === undefined ? null : nowMs - waitedMs,
      nowMs,
    });
    const read = taken.map(
      ({ type, data }, i) =>
        ({
          id: String(900 + i).padStart(26, '0'),
          streamId: id,
          at: new Date(nowMs).toISOString(),
          cookId: null,
          deviceId: 'remembered',
          version: EVENT_VERSION,
          type,
          data,
        }) as LoggedEvent,
    );
    return [...made, ...read];
  }, [id, plan, waited, unit, nowMs, taken, valid]);
  const state = useMemo(() => events && foldMake(id, events), [id, events]);
  return (
    <>
      {unit !== undefined && (
        <Remembered
          plan={plan}
          kitchen={kitchen}
          unit={unit}
          waited={waited}
          onPlan={setPlan}
          onWaited={setWaited}
        />
      )}
      {state && events && (
        <WhyFace
          state={state}
          events={events}
          complaint={complaint}
          answers={answers}
          settled={settled}
          nowMs={nowMs}
          entered={false}
          onAnswer={(clue, answer) => setAnswers((before) => ({ ...before, [clue]: answer }))}
          onTaken={(one) => setTaken((before) => [...before, one])}
          onSettle={setSettled}
          onForget={() =>
            setAnswers((before) => Object.fromEntries(Object.entries(before).slice(0, -1)) as typeof before)
          }
        />
      )}
    </>
  );
}

/** What went wrong with a batch that was never entered: a complaint and a few questions instead of a log. */
export function WhyRemembered() {
  const [search, setSearch] = useSearchParams();
  const { data } = useKitchenQuery();
  const complaint = COMPLAINT_IDS.find((id) => id === search.get('complaint')) ?? null;
  const named = FAULTY_KINDS.find((id) => id === search.get('kind'));
  const kind =
    named && complaint !== null && COMPLAINTS_OF[named].includes(complaint)
      ? named
      : FAULTY_KINDS.find((one) => complaint !== null && COMPLAINTS_OF[one].includes(complaint));
  return (
    <div className="why-place">
      <div className="make-head">
        <h1>What went wrong?</h1>
        <span className="quiet">
          For a batch you did not enter. Nothing here is saved. For a batch under way, open the batch.
        </span>
      </div>
      <ComplaintChoice
        kinds={FAULTY_KINDS}
        complaint={complaint}
        onComplaint={(id, of) => setSearch({ kind: of, complaint: id }, { replace: true })}
      />
      {complaint !== null && kind && data && (
        <Asked key={`${kind} ${complaint}`} kitchen={data.settings} kind={kind} complaint={complaint} />
      )}
    </div>
  );
}
