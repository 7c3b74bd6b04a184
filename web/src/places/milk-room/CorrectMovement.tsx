import { Dialog } from '../../parts/fields/Dialog.tsx';
import {
  compositionOfFacts,
  effectiveEvents,
  isCream,
  isMassUnit,
  MILK_FACTS,
  MOVEMENT_WORD,
  typedOf,
  weightOf,
  withWeight,
} from '@morning-crock/core';
import {
  lotFacts,
  type EventOf,
  type LedgerLine,
  type MilkMovement,
  type StoredEvent,
  type TypedQuantity,
} from '@morning-crock/core/contract';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { useEntriesQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { CorrectEntry, type Corrected } from '../../parts/fields/CorrectEntry.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { FatField, type Fat } from './FatField.tsx';
import { useMilkRoom } from '../../data/use-milk.ts';

const MILK = MILK_FACTS['shop-whole'].composition;
const AMOUNT_LABEL: Partial<Readonly<Record<MilkMovement['kind'], string>>> = {
  skim: 'Cream skimmed off',
  recount: 'Actual amount',
  churn: 'Cream churned',
};

/** Butter and buttermilk of a weighed churning. */
type Churned = Readonly<Record<'butter' | 'buttermilk', TypedAmount | null>>;

/** What a churning weighed, as it was typed or as the kitchen would say it. */
function useChurned(data: MilkMovement): Churned | null {
  const asTyped = useAsTyped('weight');
  if (data.kind !== 'churn') return null;
  const told = (massKg: number, typed: TypedQuantity | null | undefined): TypedAmount =>
    typed ? { massKg, typed } : asTyped(massKg, MILK);
  return {
    butter: told(data.butterKg, data.typed),
    buttermilk: told(data.buttermilkKg, data.typedButtermilk),
  };
}

function Fields(props: {
  readonly event: EventOf<'milk-moved'>;
  readonly line: LedgerLine;
  readonly onClose: () => void;
}) {
  const { event, line: ledgerLine, onClose } = props;
  const { data } = event;
  const units = useUnits();
  const by = isCream(ledgerLine) ? 'weight' : 'volume';
  const { lots } = useMilkRoom();
  const there = lots.find(({ id }) => id === ledgerLine.lotId);
  const asTyped = useAsTyped(by);
  const massKg = weightOf(data);
  const typed = typedOf(data);
  const [first] = useState(() =>
    massKg === null ? null : typed ? { massKg, typed } : asTyped(massKg, there?.of ?? MILK),
  );
  const [amount, setAmount] = useState<TypedAmount | null>(first);
  const [churned, setChurned] = useState(useChurned(data));
  const lot = data.kind === 'intake' ? data.lot : null;
  const [source, setSource] = useState(lot?.source ?? '');
  const [fat, setFat] = useState<Fat>({
    known: lot !== null && lot.fatFraction !== null,
    fraction: lot?.fatFraction ?? null,
  });
  const [line, setLine] = useState<number | null>(data.kind === 'measure' ? data.creamHeight : null);
  const of = lot
    ? compositionOfFacts({ ...lot, fatFraction: fat.known ? fat.fraction : null })
    : (there?.of ?? MILK);

  const corrected = (): Corrected => {
    if (data.kind === 'measure') {
      if (line === null) return { fault: 'Enter the height of the cream line.' };
      // The heights a ruler said belong to the share they gave.
      if (line === data.creamHeight) return { data };
      const typed = { value: Math.round(line * 1000) / 10, unit: '%' } as const;
      return { data: { kind: 'measure', creamHeight: line, typed } };
    }
    let next = data;
    if (next.kind === 'intake') {
      const facts = lotFacts.safeParse({
        ...next.lot,
        source: source.trim(),
        fatFraction: fat.known ? fat.fraction : null,
      });
      if (!facts.success)
        return {
          fault: facts.error.issues
            .map((i) => `${i.path[0] === 'source' ? 'Animal, herd or shop' : 'Fat'}: ${i.message}`)
            .join('; '),
        };
      next = { ...next, lot: facts.data };
    }
    if (next.kind === 'churn' && churned?.butter && churned.buttermilk)
      next = {
        ...next,
        butterKg: churned.butter.massKg,
        buttermilkKg: churned.buttermilk.massKg,
        typed: churned.butter.typed,
        typedButtermilk: churned.buttermilk.typed,
      };
    // What was weighed stays so heavy when only its fat is corrected.
    const weighedIn = next.kind === 'intake' && amount !== null && isMassUnit(amount.typed.unit);
    return {
      data: amount && (amount !== first || weighedIn) ? withWeight(next, amount.massKg, amount.typed) : next,
    };
  };

  return (
    <CorrectEntry
      event={event}
      corrected={corrected}
      takeBack
      onClose={onClose}
      about={
        <p>
          <strong>{MOVEMENT_WORD[data.kind]}</strong>: {ledgerLine.lotName}, {units.day(Date.parse(event.at))}{' '}
          {units.clock(Date.parse(event.at))}
        </p>
      }
    >
      {lot && (
        <TextInput
          label="Animal, herd or shop"
          value={source}
          maxLength={80}
          onChange={(e) => setSource(e.currentTarget.value)}
        />
      )}
      {first && (
        <AmountField
          label={AMOUNT_LABEL[data.kind] ?? 'Amount'}
          of={of}
          by={by}
          amount={amount}
          none={data.kind === 'recount'}
          onAmount={setAmount}
        />
      )}
      {churned &&
        (['butter', 'buttermilk'] as const).map((part) => (
          <AmountField
            key={part}
            label={part === 'butter' ? 'Butter' : 'Buttermilk'}
            of={MILK}
            by="weight"
            amount={churned[part]}
            onAmount={(told) => setChurned({ ...churned, [part]: told })}
          />
        ))}
      {lot && (
        <FatField
          fat={fat}
          usual={compositionOfFacts({ ...lot, fatFraction: null }).fatFraction}
          onFat={setFat}
        />
      )}
      {data.kind === 'measure' && (
        <QuantityField
          label="Cream layer, share of the height"
          value={line === null ? null : Math.round(line * 1000) / 10}
          unit="%"
          units={[{ value: '%', label: '%' }]}
          check={(v) => (v > 0 && v <= 60 ? null : 'Between 0 and 60 %.')}
          onFault={(faulty) => {
            if (faulty) setLine(null);
          }}
          onChange={(v) => setLine(v / 100)}
        />
      )}
    </CorrectEntry>
  );
}

/** The entry behind a line of the ledger, to be corrected or taken back. */
export function CorrectMovement({
  line,
  onClose,
}: {
  readonly line: LedgerLine;
  readonly onClose: () => void;
}) {
  const { data, isError } = useEntriesQuery(line.streamId);
  const event = effectiveEvents((data ?? []) as readonly StoredEvent[]).find((e) => e.id === line.eventId);
  if (event?.type === 'milk-moved') return <Fields event={event} line={line} onClose={onClose} />;
  return (
    <Dialog onClose={onClose} title="Edit entry">
      <p>
        {isError || data
          ? 'This entry cannot be loaded now. Your records are safe. Try again later.'
          : 'Opening …'}
      </p>
    </Dialog>
  );
}
