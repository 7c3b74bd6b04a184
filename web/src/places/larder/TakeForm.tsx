import { countPieces, massOfPieces, PLACE_WORD, readTypedNumber, TAKEN_WORD } from '@morning-crock/core';
import {
  LARDER_PLACES,
  TAKEN_FOR,
  type Good,
  type GoodStock,
  type LarderPlace,
  type TakenFor,
} from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useMakesQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { priceFault } from '../../parts/words/price-words.ts';
import { stockWords } from '../../parts/words/stock-words.ts';

export type Form = { readonly good: Good; readonly stock: GoodStock; readonly onDone: () => void };

export interface Some {
  readonly count: number | null;
  readonly massKg: number;
  readonly typed: TypedAmount['typed'] | null;
}

/** Some of a stock: by pieces with two great buttons, or weighed. */
export function SomeField(
  props: Form & { readonly some: Some | null; readonly onSome: (some: Some | null) => void },
) {
  const { good, stock, some, onSome } = props;
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const { whole } = countPieces(good, stock);
  const [byWeight, setByWeight] = useState(whole === 0);
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(stock.massKg, PLAIN_MILK));
  const pieces = (count: number): Some => ({ count, massKg: massOfPieces(good, stock, count), typed: null });
  const count = some?.count ?? 1;
  const said = (next: TypedAmount | null): void => {
    setAmount(next);
    // All of it means all of it, however the scale's figure was rounded.
    const kg = next && Math.abs(next.massKg / stock.massKg - 1) < 0.005 ? stock.massKg : next?.massKg;
    onSome(next && kg !== undefined ? { count: null, massKg: kg, typed: next.typed } : null);
  };
  return (
    <>
      {byWeight ? (
        <AmountField
          label="Amount"
          of={PLAIN_MILK}
          by="weight"
          amount={amount}
          check={(kg) =>
            kg > stock.massKg * 1.005 + 0.0005
              ? `Only ${units.mass(stock.massKg)} in stock. If there is more, recount first.`
              : null
          }
          onAmount={said}
        />
      ) : (
        <div className="row" role="group" aria-label="Number">
          <Button
            variant="default"
            h={72}
            w={72}
            aria-label="One fewer"
            disabled={count <= 1}
            onClick={() => onSome(pieces(count - 1))}
          >
            −
          </Button>
          <span className="stock-big number" aria-live="polite">
            {count} of {whole}
          </span>
          <Button
            variant="default"
            h={72}
            w={72}
            aria-label="One more"
            disabled={count >= whole}
            onClick={() => onSome(pieces(count + 1))}
          >
            +
          </Button>
          <Button variant="default" h={72} disabled={count === whole} onClick={() => onSome(pieces(whole))}>
            All
          </Button>
        </div>
      )}
      {whole > 0 && (
        <Button
          variant="subtle"
          onClick={() => {
            setByWeight(!byWeight);
            if (byWeight) onSome(pieces(1));
            else said(amount);
          }}
        >
          {byWeight ? 'Count pieces' : 'Enter weight'}
        </Button>
      )}
    </>
  );
}

export const firstSome = (good: Good, stock: GoodStock): Some => {
  const { whole } = countPieces(good, stock);
  return whole > 0
    ? { count: 1, massKg: massOfPieces(good, stock, 1), typed: null }
    : { count: null, massKg: stock.massKg, typed: null };
};

/** Some of it leaves the larder. */
export function TakeForm(props: Form) {
  const { good, stock, onDone } = props;
  const units = useUnits();
  const { data: makes = [] } = useMakesQuery();
  const [some, setSome] = useState<Some | null>(() => firstSome(good, stock));
  const [reason, setReason] = useState<TakenFor>('eaten');
  const [price, setPrice] = useState('');
  const [into, setInto] = useState('');
  const [note, setNote] = useState('');
  const fault = reason === 'sold' ? priceFault(price) : null;
  const read = readTypedNumber(price);
  const underWay = makes.filter(({ status }) => status === 'under-way');
  return (
    <EntryForm
      label="Take out"
      onEntry={() => {
        if (!some || fault !== null) return;
        void record(good.id, 'larder-moved', {
          kind: 'take',
          from: { place: stock.place, size: stock.size },
          for: reason,
          ...some,
          price: reason === 'sold' && read.ok ? read.value : null,
          into: reason === 'made-into' && into !== '' ? into : null,
          note: note.trim(),
        }).then(onDone);
      }}
    >
      <SomeField {...props} some={some} onSome={setSome} />
      <Choices
        legend="What happened"
        value={reason}
        options={TAKEN_FOR.map((value) => ({ value, label: TAKEN_WORD[value] }))}
        onChange={setReason}
      />
      {reason === 'sold' && (
        <TextInput
          label={`Price paid${units.money ? ` (${units.money})` : ''} (optional)`}
          value={price}
          inputMode="decimal"
          autoComplete="off"
          maxLength={20}
          error={fault}
          aria-invalid={fault !== null}
          onChange={(event) => setPrice(event.currentTarget.value)}
        />
      )}
      {reason === 'made-into' && underWay.length > 0 && (
        <NativeSelect
          label="Used in"
          value={into}
          data={[
            { value: '', label: 'something not recorded' },
            ...underWay.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(event) => setInto(event.currentTarget.value)}
        />
      )}
      <TextInput
        label={reason === 'spoiled' ? 'Why (shown in the Daybook)' : 'To whom, or a note'}
        value={note}
        maxLength={200}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <Button type="submit" h={72}>
        {TAKEN_WORD[reason].charAt(0).toUpperCase() + TAKEN_WORD[reason].slice(1)}
      </Button>
    </EntryForm>
  );
}

/** Carried somewhere else: frozen, thawed, to the stall and back. */
export function CarryForm(props: Form & { readonly to: LarderPlace | null }) {
  const { good, stock, onDone } = props;
  const places = LARDER_PLACES.filter(
    (place) => place !== stock.place && !(place === 'freezer' && stock.thawed),
  );
  const [some, setSome] = useState<Some | null>(() => firstSome(good, stock));
  const [to, setTo] = useState<LarderPlace>(props.to ?? places[0]!);
  const thaws = stock.place === 'freezer';
  return (
    <EntryForm
      label="Move"
      onEntry={() => {
        if (!some) return;
        void record(good.id, 'larder-moved', {
          kind: 'carry',
          from: { place: stock.place, size: stock.size },
          to,
          ...some,
        }).then(onDone);
      }}
    >
      <SomeField {...props} some={some} onSome={setSome} />
      <Choices
        legend="Move to"
        value={to}
        options={places.map((value) => ({ value, label: PLACE_WORD[value] }))}
        onChange={setTo}
      />
      {thaws && (
        <p className="quiet">Thaw overnight in the fridge. Use within a few days and do not refreeze.</p>
      )}
      <Button type="submit" h={72}>
        {thaws ? 'Start thawing' : 'Save move'}
      </Button>
    </EntryForm>
  );
}

/** What is really there. */
export function RecountForm({ good, stock, onDone }: Form) {
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const [amount, setAmount] = useState<TypedAmount | null>(() =>
    asTyped(Math.max(0, stock.massKg), PLAIN_MILK),
  );
  return (
    <EntryForm
      label="Recount"
      onEntry={() => {
        if (!amount) return;
        void record(good.id, 'larder-moved', {
          kind: 'recount',
          at: { place: stock.place, size: stock.size },
          massKg: amount.massKg,
          count: null,
          typed: amount.typed,
        }).then(onDone);
      }}
    >
      <p className="quiet">On record: {stockWords(good, stock, units)}.</p>
      <AmountField
        label="Actual total"
        of={PLAIN_MILK}
        by="weight"
        amount={amount}
        onAmount={setAmount}
        none
      />
      <Button type="submit" h={72}>
        Save count
      </Button>
    </EntryForm>
  );
}
