import { freeKg, isCream } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { NameField } from '../../parts/fields/NameField.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { OverNote } from './LotForms.tsx';
import { lotAmount, PLACE_WORD, takenKg } from '../../parts/words/milk-words.ts';

type NewPlace = Lot['place'];

/** Of the same sort and the same animals, whoever milked: what people pour together without a thought. */
const alike = (a: Lot, b: Lot): boolean => isCream(a) || (a.role === b.role && a.kind === b.kind);

/**
 * Where a lot may be poured: onto others of its sort that are not frozen, and cream also into a frozen pot; the likeliest
 * first.
 */
function placesToPool(lot: Lot, lots: readonly Lot[]): Lot[] {
  return lots
    .filter(
      (other) =>
        other.id !== lot.id &&
        (isCream(lot)
          ? other.role === 'pot' && (other.place !== 'freezer' || !lot.thawed)
          : !isCream(other) && other.place !== 'freezer'),
    )
    .sort((a, b) => Number(alike(lot, b)) - Number(alike(lot, a)));
}

/** Pours a lot, or some of it, together with another: cream into a pot, milk into a can. */
export function PoolForm(props: {
  readonly lot: Lot;
  readonly lots: readonly Lot[];
  /** Told where it went. */
  readonly onDone: (intoId: string) => void;
}) {
  const { lot, lots, onDone } = props;
  const units = useUnits();
  const cream = isCream(lot);
  const asTyped = useAsTyped(cream ? 'weight' : 'volume');
  const targets = placesToPool(lot, lots);
  const [into, setInto] = useState(targets.find((t) => alike(lot, t))?.id ?? 'cold');
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(freeKg(lot), lot.of));
  const [name, setName] = useState(cream ? 'Cream pot' : 'Milk can');
  const target = targets.find((t) => t.id === into);
  const newPlaces: readonly NewPlace[] = cream
    ? ['cold', ...(lot.thawed ? [] : (['freezer'] as const))]
    : ['cold', 'counter'];
  const vessel = cream ? 'a new pot' : 'a new can';
  const pool = (): void => {
    if (!amount) return;
    const destination = target
      ? { lotId: target.id, name: target.name, place: target.place }
      : { lotId: ulid(), name: name.trim(), place: into as NewPlace };
    void record(lot.id, 'milk-moved', {
      kind: 'pool',
      into: destination,
      massKg: takenKg(lot, amount.massKg),
      soured: lot.soured,
      typed: amount.typed,
    }).then(() => onDone(destination.lotId));
  };
  const mixed = target && target.soured !== lot.soured;
  return (
    <EntryForm label="Combine jars" onEntry={pool}>
      <NativeSelect
        label="Pour into"
        value={into}
        data={[
          ...targets.map((t) => ({ value: t.id, label: `${t.name}, ${lotAmount(t, units)}` })),
          ...newPlaces.map((place) => ({
            value: place,
            label: `${vessel} ${place === 'freezer' ? 'in the freezer' : PLACE_WORD[place]}`,
          })),
        ]}
        onChange={(e) => setInto(e.currentTarget.value)}
      />
      {!target && <NameField label="Name" value={name} onChange={setName} />}
      <AmountField
        label="Amount"
        of={lot.of}
        by={cream ? 'weight' : 'volume'}
        amount={amount}
        onAmount={setAmount}
      />
      <OverNote lot={lot} amount={amount} />
      {mixed && (
        <p className="caution note">
          Sweet and soured mixed together keep only as long as sweet {cream ? 'cream' : 'milk'} does.
        </p>
      )}
      {target && target.treatment !== lot.treatment && [target, lot].some((l) => l.treatment === 'raw') && (
        <p className="caution note">Raw and heated mixed together count as raw.</p>
      )}
      {!cream && (
        <p className="quiet">
          Pouring mixes the risen cream back in. The oldest milk sets how long the mix keeps.
        </p>
      )}
      <Button type="submit" h={56}>
        Combine jars
      </Button>
    </EntryForm>
  );
}
