import { isLive, MILK_FACTS, SIGN_FACTS } from '@morning-crock/core';
import { BAD_SIGNS, DISCARD_REASONS, type Culture, type CultureChange } from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { ulid } from 'ulid';
import { record } from '../../data/store.ts';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { NameField } from '../../parts/fields/NameField.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { AmountField, type TypedAmount } from '../../parts/fields/AmountField.tsx';

type Form = { readonly culture: Culture; readonly onDone: () => void };
const MILK = MILK_FACTS['shop-whole'].composition;
const REASON_WORD = {
  mould: 'mould',
  pink: 'pink or orange streaks',
  gas: 'gas',
  foul: 'foul smell',
  yeasty: 'yeasty smell',
  'too-old': 'too old',
  eaten: 'used up',
  weak: 'too weak',
  other: 'something else',
} as const;
type Place = 'cold' | 'freezer' | 'room';

function CultureForm(props: {
  readonly label: string;
  readonly culture: Culture;
  readonly button: string;
  readonly data: () => CultureChange | null;
  readonly onDone: () => void;
  readonly children: ReactNode;
}) {
  const { label, culture, button, data, onDone, children } = props;
  return (
    <EntryForm
      label={label}
      onEntry={() => {
        const entry = data();
        if (entry) void record(culture.id, 'culture-changed', entry).then(onDone);
      }}
    >
      {children}
      <Button type="submit" h={56}>
        {button}
      </Button>
    </EntryForm>
  );
}

/** Where a culture is kept. */
export function PlaceChoice({
  legend = 'Keep',
  place,
  setPlace,
}: {
  readonly legend?: string;
  readonly place: Place;
  readonly setPlace: (place: Place) => void;
}) {
  return (
    <Choices
      legend={legend}
      value={place}
      options={[
        { value: 'cold', label: 'in the fridge' },
        { value: 'freezer', label: 'in the freezer' },
        { value: 'room', label: 'at room temperature' },
      ]}
      onChange={setPlace}
    />
  );
}

export function SplitForm({ culture, onDone }: Form) {
  const [name, setName] = useState(`${culture.name}, second jar`);
  const [place, setPlace] = useState<Place>('cold');
  const [amount, setAmount] = useState<TypedAmount | null>(null);
  return (
    <CultureForm
      label="Split culture"
      culture={culture}
      button="Split culture"
      onDone={onDone}
      data={() => ({
        kind: 'split',
        into: { cultureId: ulid(), name: name.trim(), place },
        massKg: amount?.massKg ?? null,
        backUp: place === 'freezer',
        ...(amount && { typed: amount.typed }),
      })}
    >
      <NameField value={name} onChange={setName} />
      <AmountField
        label="Amount (optional)"
        optional
        of={MILK}
        by="weight"
        amount={amount}
        onAmount={setAmount}
      />
      <PlaceChoice place={place} setPlace={setPlace} />
    </CultureForm>
  );
}

export function MergeForm({ culture, all, onDone }: Form & { readonly all: readonly Culture[] }) {
  const others = all.filter((c) => c.id !== culture.id && c.kind === culture.kind && isLive(c));
  const [other, setOther] = useState(others[0]?.id ?? '');
  const [name, setName] = useState(`${culture.name} and another`);
  return (
    <CultureForm
      label="Merge cultures"
      culture={culture}
      button="Merge cultures"
      onDone={onDone}
      data={() =>
        other === ''
          ? null
          : {
              kind: 'merge',
              into: { cultureId: ulid(), name: name.trim(), place: 'cold' },
              with: [other],
              massKg: null,
            }
      }
    >
      <NativeSelect
        label="Merge with"
        value={other}
        data={others.map((c) => ({ value: c.id, label: `${c.name}, generation ${c.turn}` }))}
        onChange={(e) => setOther(e.currentTarget.value)}
      />
      <NameField value={name} onChange={setName} />
      <p className="quiet">
        A mixture starts its own line. What was learned about one culture may not hold for the mixture.
      </p>
    </CultureForm>
  );
}

export function FeedForm({ culture, onDone }: Form) {
  const [milk, setMilk] = useState<TypedAmount | null>(null);
  const [grains, setGrains] = useState<TypedAmount | null>(null);
  const weighs = culture.kind === 'kefir-grains';
  return (
    <CultureForm
      label="Feed culture"
      culture={culture}
      button="Save feed"
      onDone={onDone}
      data={() =>
        milk && {
          kind: 'feed',
          milkKg: milk.massKg,
          massKg: grains?.massKg ?? null,
          typed: milk.typed,
          ...(grains && { typedGrains: grains.typed }),
        }
      }
    >
      <AmountField label="Fresh milk" of={MILK} by="volume" amount={milk} onAmount={setMilk} />
      {weighs && (
        <>
          <AmountField
            label="Weight of the grains (optional)"
            optional
            of={MILK}
            by="weight"
            amount={grains}
            onAmount={setGrains}
          />
          <p className="quiet">Weigh the grains to see how fast they grow.</p>
        </>
      )}
    </CultureForm>
  );
}

export function WeighForm({ culture, onDone }: Form) {
  const [amount, setAmount] = useState<TypedAmount | null>(null);
  return (
    <CultureForm
      label="Weigh culture"
      culture={culture}
      button="Save weight"
      onDone={onDone}
      data={() => amount && { kind: 'weigh', ...amount }}
    >
      <AmountField label="Weight" of={MILK} by="weight" amount={amount} onAmount={setAmount} />
    </CultureForm>
  );
}

export function SignForm({ culture, onDone }: Form) {
  const [sign, setSign] = useState<(typeof BAD_SIGNS)[number]>('mould');
  const [note, setNote] = useState('');
  return (
    <CultureForm
      label="Report bad sign"
      culture={culture}
      button="Save bad sign"
      onDone={onDone}
      data={() => ({ kind: 'sign', sign, note: note.trim() })}
    >
      <Choices
        legend="What you see"
        value={sign}
        options={BAD_SIGNS.map((value) => ({ value, label: SIGN_FACTS[value].label }))}
        onChange={setSign}
      />
      <p className="caution stop">{SIGN_FACTS[sign].act} Do not taste it.</p>
      <TextInput label="Note" value={note} maxLength={400} onChange={(e) => setNote(e.currentTarget.value)} />
    </CultureForm>
  );
}

export function DiscardForm({ culture, onDone }: Form) {
  const [reason, setReason] = useState<(typeof DISCARD_REASONS)[number]>(
    culture.signs.at(-1)?.sign ?? 'eaten',
  );
  const [note, setNote] = useState('');
  return (
    <CultureForm
      label="Discard culture"
      culture={culture}
      button="Discard culture"
      onDone={onDone}
      data={() => ({ kind: 'discard', reason, note: note.trim() })}
    >
      <NativeSelect
        label="Reason"
        value={reason}
        data={DISCARD_REASONS.map((value) => ({ value, label: REASON_WORD[value] }))}
        onChange={(e) => setReason(e.currentTarget.value as typeof reason)}
      />
      <TextInput label="Note" value={note} maxLength={400} onChange={(e) => setNote(e.currentTarget.value)} />
    </CultureForm>
  );
}

export function NameForm({ culture, onDone }: Form) {
  const [name, setName] = useState(culture.name);
  return (
    <CultureForm
      label="Rename culture"
      culture={culture}
      button="Rename culture"
      onDone={onDone}
      data={() => ({ kind: 'rename', name: name.trim() })}
    >
      <NameField value={name} onChange={setName} />
    </CultureForm>
  );
}
