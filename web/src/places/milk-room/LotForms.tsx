import { GIVEN_TO, type Lot } from '@morning-crock/core/contract';
import { isCream, placeC } from '@morning-crock/core';
import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { lotAmount, PLACE_WORD, takenKg } from '../../parts/words/milk-words.ts';
import { SournessFields } from '../../parts/fields/SournessFields.tsx';
import type { Sour } from '../../parts/words/sour-words.ts';

/** Enough for two litres of cream, kg. */
const USUAL_STARTER_KG = 0.15;
type Form = { readonly lot: Lot; readonly onDone: () => void };
const GIVEN_WORD = {
  used: 'used',
  away: 'given away',
  animals: 'fed to animals',
  spoiled: 'spoiled',
} as const;
const byOf = (lot: Lot): 'volume' | 'weight' => (isCream(lot) ? 'weight' : 'volume');

/** Says when more is taken than there is by the sums: it is stored all the same. */
export function OverNote({ lot, amount }: { readonly lot: Lot; readonly amount: TypedAmount | null }) {
  const units = useUnits();
  if (amount === null || amount.massKg <= lot.has.massKg + 0.01) return null;
  return (
    <p className="caution note" role="status">
      The record shows only {lotAmount(lot, units)}. Your amount is saved. Recount the jar.
    </p>
  );
}

/** Some of it leaves the milk room. */
export function GiveForm({ lot, onDone }: Form) {
  const asTyped = useAsTyped(byOf(lot));
  const [to, setTo] = useState<(typeof GIVEN_TO)[number]>('used');
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(lot.has.massKg, lot.of));
  const [note, setNote] = useState('');
  return (
    <EntryForm
      label="Take out"
      onEntry={() => {
        if (!amount) return;
        void record(lot.id, 'milk-moved', {
          kind: 'give',
          to,
          ...amount,
          massKg: takenKg(lot, amount.massKg),
          note: note.trim(),
        }).then(onDone);
      }}
    >
      <AmountField label="Amount" of={lot.of} by={byOf(lot)} amount={amount} onAmount={setAmount} />
      <OverNote lot={lot} amount={amount} />
      <Choices
        legend="What happened"
        value={to}
        options={GIVEN_TO.map((value) => ({ value, label: GIVEN_WORD[value] }))}
        onChange={setTo}
      />
      <TextInput label="Note" value={note} maxLength={200} onChange={(e) => setNote(e.currentTarget.value)} />
      <Button type="submit" h={56}>
        Take out
      </Button>
    </EntryForm>
  );
}

/** What is really there. */
export function RecountForm({ lot, onDone }: Form) {
  const asTyped = useAsTyped(byOf(lot));
  const [amount, setAmount] = useState<TypedAmount | null>(() =>
    asTyped(Math.max(0, lot.has.massKg), lot.of),
  );
  return (
    <EntryForm
      label="Recount"
      onEntry={() => {
        if (amount) void record(lot.id, 'milk-moved', { kind: 'recount', ...amount }).then(onDone);
      }}
    >
      <AmountField
        label="Actual amount"
        of={lot.of}
        by={byOf(lot)}
        amount={amount}
        onAmount={setAmount}
        none
      />
      <Button type="submit" h={56}>
        Save count
      </Button>
    </EntryForm>
  );
}

/** Carried somewhere else: part of the cream that has risen goes back. */
export function MoveForm({ lot, onDone }: Form) {
  const units = useUnits();
  const { site } = useKitchen();
  const [place, setPlace] = useState<Lot['place']>(lot.place === 'cold' ? 'counter' : 'cold');
  const [container, setContainer] = useState(lot.container ?? '');
  const [sour, setSour] = useState<Sour>({ soured: lot.soured, ph: lot.ph });
  const celsius = place === 'counter' ? site.roomC : null;
  return (
    <EntryForm
      label="Move"
      onEntry={() => {
        void record(lot.id, 'milk-moved', {
          kind: 'move',
          place,
          placeC: celsius,
          container: container.trim() || null,
          ...(sour.soured && !lot.soured ? { soured: true } : {}),
          ...(sour.ph !== undefined && sour.ph !== lot.ph ? { ph: sour.ph } : {}),
        }).then(onDone);
      }}
    >
      <NativeSelect
        label="Move to"
        value={place}
        data={(['cold', 'counter', 'freezer'] as const)
          // What was thawed is not frozen again.
          .filter((p) => p !== 'freezer' || !lot.thawed)
          .map((p) => ({
            value: p,
            label: `${PLACE_WORD[p]}, about ${units.temperature(p === 'counter' ? site.roomC : placeC(p, null))}`,
          }))}
        onChange={(e) => setPlace(e.currentTarget.value as Lot['place'])}
      />
      <TextInput
        label="Container (optional)"
        value={container}
        maxLength={80}
        onChange={(e) => setContainer(e.currentTarget.value)}
      />
      {isCream(lot) ? (
        <SournessFields value={sour} onChange={setSour} />
      ) : (
        !lot.soured && (
          <Checkbox
            label="Now soured"
            checked={sour.soured}
            onChange={(e) => setSour({ soured: e.currentTarget.checked })}
          />
        )
      )}
      {sour.soured && !lot.soured && lot.treatment !== 'raw' && (
        <p className="caution">
          Heated milk or cream that soured without a starter is spoiled, not cultured. Discard it.
        </p>
      )}
      {lot.role === 'milk' && <p className="quiet">Moving the jar mixes half of the risen cream back in.</p>}
      <Button type="submit" h={56}>
        Save move
      </Button>
    </EntryForm>
  );
}

/** The cream line as a ruler says it. */
export function MeasureForm({ lot, onDone }: Form) {
  const { system } = useUnits();
  const unit = system === 'metric' ? 'cm' : 'in';
  const [cream, setCream] = useState<number | null>(null);
  const [whole, setWhole] = useState<number | null>(null);
  const share = cream !== null && whole !== null && whole > 0 ? cream / whole : null;
  const fault =
    share === null
      ? null
      : share > 0.6
        ? 'More than half cream? Measure the cream layer first, then the total height.'
        : null;
  return (
    <EntryForm
      label="Measure the cream line"
      onEntry={() => {
        if (share === null || fault || cream === null || whole === null) return;
        void record(lot.id, 'milk-moved', {
          kind: 'measure',
          creamHeight: share,
          typed: { value: Math.round(share * 1000) / 10, unit: '%' },
          heights: { cream, all: whole, unit },
        }).then(onDone);
      }}
    >
      {(
        [
          ['Height of the cream', setCream, cream],
          ['Total height, cream included', setWhole, whole],
        ] as const
      ).map(([label, set, value]) => (
        <QuantityField
          key={label}
          label={label}
          value={value}
          unit={unit}
          units={[{ value: unit, label: unit }]}
          check={(v) => (v > 0 ? null : 'The height must be above 0.')}
          onFault={(faulty) => {
            if (faulty) set(null);
          }}
          onChange={(v) => set(v)}
        />
      ))}
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
      <Button type="submit" h={56}>
        Save cream line
      </Button>
    </EntryForm>
  );
}

/** Some of a cultured buttermilk goes on as a starter: it leaves the milk room and stands with the cultures. */
export function StarterForm({ lot, onDone }: Form) {
  const asTyped = useAsTyped('weight');
  const [amount, setAmount] = useState<TypedAmount | null>(() =>
    asTyped(Math.min(lot.has.massKg, USUAL_STARTER_KG), lot.of),
  );
  const [name, setName] = useState(lot.name);
  return (
    <EntryForm
      label="Keep as a starter"
      onEntry={() => {
        if (!amount || name.trim() === '') return;
        const massKg = takenKg(lot, amount.massKg);
        const { typed } = amount;
        void record(ulid(), 'culture-changed', {
          kind: 'taken-in',
          culture: {
            name: name.trim(),
            kind: 'cultured-buttermilk',
            heirloom: false,
            source: lot.source,
            place: 'cold',
            massKg,
            packet: null,
            rawMilk: lot.treatment === 'raw',
          },
          typed,
        });
        void record(lot.id, 'milk-moved', {
          kind: 'give',
          to: 'used',
          massKg,
          typed,
          note: 'kept as a starter',
        }).then(onDone);
      }}
    >
      <AmountField label="Amount" of={lot.of} by="weight" amount={amount} onAmount={setAmount} />
      <OverNote lot={lot} amount={amount} />
      <TextInput
        label="Name"
        value={name}
        maxLength={80}
        error={name.trim() === '' ? 'Enter a name.' : null}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      {lot.treatment === 'raw' && (
        <p className="caution note">
          From milk that was never heated. Any germs in it carry over to what you make with it.
        </p>
      )}
      <Button type="submit" h={56}>
        Keep as a starter
      </Button>
    </EntryForm>
  );
}
