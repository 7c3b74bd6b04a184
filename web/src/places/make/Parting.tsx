import {
  asPoured,
  batchOf,
  fillJars,
  maySplit,
  PRODUCTS,
  shareOfJars,
  splitMake,
  waysOn,
  whyNotTogether,
  type BandForecast,
  type MakeState,
} from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useAllLive } from '../../data/use-all-live.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import './ways.css';

/** Less than this of a batch is no part of it, as a share; and more than the rest of it is all. */
const LEAST_SHARE = 0.01;

/** A part of it goes another way, as a make of its own with the same past. */
export function Parting({ state }: { readonly state: MakeState }) {
  const [open, setOpen] = useState(false);
  if (!maySplit(state)) return null;
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="unfolds">Split this batch</summary>
      {open && <PartForm state={state} />}
    </details>
  );
}

function PartForm({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const navigate = useNavigate();
  const { shown } = useMethods();
  const batch = batchOf(state.plan);
  const jars = fillJars(state.plan).jars.filter(({ filledLitres }) => filledLitres > 0.005);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [amount, setAmount] = useState<TypedAmount | null>(null);
  const [methodId, setMethodId] = useState('');
  const [name, setName] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const ways = waysOn(
    state,
    shown.map(({ method }) => method),
  );
  const method = ways.find(({ id }) => id === methodId) ?? null;
  const title = name ?? (method ? `${method.name}, of ${state.plan.name}` : `${state.plan.name}, split`);
  const share = jars.length > 1 ? shareOfJars(state, chosen) : (amount?.massKg ?? 0) / batch.massKg;
  const good = share >= LEAST_SHARE && share <= 1 - LEAST_SHARE && title.trim() !== '';
  const part = async (): Promise<void> => {
    const id = ulid();
    try {
      const entries = splitMake(state, { id, name: title.trim(), share, jars: chosen, method }, now());
      for (const entry of entries) await record(entry.streamId, entry.type, entry.data, entry.atMs);
    } catch {
      setFault(
        `${title} cannot be made from the milk in this batch. Nothing was changed. Choose another method.`,
      );
      return;
    }
    await navigate(`/makes/${id}`);
  };
  return (
    <form
      className="column above-s"
      aria-label="Split this batch"
      onSubmit={(event) => {
        event.preventDefault();
        if (good) void part();
      }}
    >
      {jars.length > 1 ? (
        <div className="stage-buttons" role="group" aria-label="Jars to split off">
          {jars.map((jar) => (
            <button
              key={jar.id}
              type="button"
              className="chip"
              aria-pressed={chosen.includes(jar.id)}
              onClick={() =>
                setChosen(
                  chosen.includes(jar.id) ? chosen.filter((id) => id !== jar.id) : [...chosen, jar.id],
                )
              }
            >
              {jar.name}, {units.volume(jar.filledLitres)}
            </button>
          ))}
        </div>
      ) : (
        <AmountField
          label="Amount to split off"
          of={batch.composition}
          by="volume"
          amount={amount}
          check={(kg) =>
            kg > (1 - LEAST_SHARE) * batch.massKg
              ? `That is the whole batch (${units.volume(batch.litres)}). Enter less.`
              : kg < LEAST_SHARE * batch.massKg
                ? 'That is too little to split off. Enter more.'
                : null
          }
          onAmount={setAmount}
        />
      )}
      {chosen.length > 0 && chosen.length === jars.length && (
        <p className="field-error">Leave at least one jar in this batch.</p>
      )}
      <NativeSelect
        label="Continue as"
        value={methodId}
        onChange={(event) => setMethodId(event.currentTarget.value)}
        data={[
          { value: '', label: 'the current plan' },
          ...ways.map((way) => ({
            value: way.id,
            label:
              way.product === state.plan.product ? way.name : `${PRODUCTS[way.product].label}: ${way.name}`,
          })),
        ]}
      />
      <TextInput
        label="Name of the new batch"
        value={title}
        maxLength={60}
        error={title.trim() === '' ? 'Enter a name.' : null}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
      <Button type="submit" variant="default" h={56} disabled={!good}>
        Split batch
      </Button>
      <p className="quiet">
        Both batches keep the readings and observations so far, and the same safety clock.
      </p>
    </form>
  );
}

/** Two makes that sour alike become one. */
export function PouringTogether({
  state,
  forecast,
}: {
  readonly state: MakeState;
  readonly forecast: BandForecast;
}) {
  const units = useUnits();
  const navigate = useNavigate();
  // What is not to be tasted any more is poured into nothing, and nothing into it.
  const good = useAllLive().filter((live) => live.safety.verdict !== 'over');
  const others = good.filter((live) => live.state.id !== state.id && live.state.current?.step.facts.sours);
  if (!good.some((live) => live.state.id === state.id)) return null;
  if (state.current?.step.facts.sours !== true || others.length === 0) return null;
  const pour = async (into: MakeState): Promise<void> => {
    const atMs = now();
    const data = asPoured(state, forecast, atMs);
    await record(into.id, 'joined', data, atMs);
    await record(
      state.id,
      'finished',
      { verdict: 'kept', reason: `poured into ${into.plan.name}`, into: into.id },
      atMs,
    );
    await navigate(`/makes/${into.id}`);
  };
  return (
    <details>
      <summary className="unfolds">Combine with another batch</summary>
      <ul className="bare night-ways">
        {others.map(({ state: other }) => {
          const against = whyNotTogether(other, state);
          return (
            <li key={other.id}>
              <span>
                <strong>{other.plan.name}</strong>, {units.volume(batchOf(other.plan).litres)}
                {against !== null && (
                  <span className="quiet"> · cannot be combined: this batch {against}</span>
                )}
              </span>
              {against === null && (
                <Button variant="default" onClick={() => void pour(other)}>
                  Combine batches
                </Button>
              )}
            </li>
          );
        })}
        <li className="quiet">
          The combined batch keeps that batch’s name and the older of the two safety clocks.
        </li>
      </ul>
    </details>
  );
}
