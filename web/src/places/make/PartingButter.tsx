import {
  batchOf,
  fatBalance,
  loadsOf,
  mayPartLoads,
  splitMake,
  type MakeState,
  makeAt,
} from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { FinishPart } from '../../parts/fields/FinishPart.tsx';
import { sharesOf } from './butter-shares.ts';
import './ways.css';

/** Part of the butter is finished another way, as a batch of its own: each load may have its own end. */
export function PartingButter({ state }: { readonly state: MakeState }) {
  const [open, setOpen] = useState(false);
  if (!mayPartLoads(state)) return null;
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="unfolds">Finish part of the butter another way</summary>
      {open && <Form state={state} />}
    </details>
  );
}

function Form({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const navigate = useNavigate();
  const shares = sharesOf(loadsOf(state.plan));
  const [share, setShare] = useState(shares[0]!.share);
  const [plan, setPlan] = useState(state.plan);
  const [name, setName] = useState(`${state.plan.name}, part`.slice(0, 60));
  const butterKg = (fatBalance(makeAt(state, now()))?.likelyKg ?? batchOf(state.plan).massKg) * share;
  const part = async (): Promise<void> => {
    const id = ulid();
    const method = { ...plan.method, product: plan.product };
    const entries = splitMake(state, { id, name: name.trim(), share, jars: [], method }, now());
    for (const entry of entries) await record(entry.streamId, entry.type, entry.data, entry.atMs);
    await navigate(`/makes/${id}`);
  };
  return (
    <form
      className="column above-s"
      aria-label="Finish part of the butter another way"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') void part();
      }}
    >
      <Choices
        legend="How much"
        value={String(share)}
        options={shares.map((one) => ({ value: String(one.share), label: one.label }))}
        onChange={(value) => setShare(Number(value))}
      />
      <FinishPart plan={plan} change={(change) => setPlan({ ...plan, ...change })} />
      <TextInput
        label="Name of the new batch"
        value={name}
        maxLength={60}
        error={name.trim() === '' ? 'Enter a name.' : null}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <p role="status">
        About {units.mass(butterKg)} of butter becomes a batch of its own. For ghee, choose “Make ghee from
        this” on its page.
      </p>
      <Button type="submit" variant="default" h={56} disabled={name.trim() === ''}>
        Split batch
      </Button>
    </form>
  );
}
