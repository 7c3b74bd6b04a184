import {
  compositionOfFacts,
  effectiveEvents,
  isMassUnit,
  MILK_FACTS,
  MOVEMENT_WORD,
  weightOf,
  withWeight,
} from '@morning-crock/core';
import {
  lotFacts,
  type EventOf,
  type LedgerLine,
  type MilkMovement,
  type StoredEvent,
} from '@morning-crock/core/contract';
import { Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useEntriesQuery } from '../../api/api.ts';
import { useUnits } from '../../app/use-units.ts';
import { CorrectEntry, type Corrected } from '../../parts/CorrectEntry.tsx';
import { QuantityField } from '../../parts/QuantityField.tsx';
import { AmountField, useAsTyped, type TypedAmount } from './AmountField.tsx';
import { FatField, type Fat } from './FatField.tsx';

const MILK = MILK_FACTS['shop-whole'].composition;
const AMOUNT_LABEL: Partial<Readonly<Record<MilkMovement['kind'], string>>> = {
  skim: 'Cream skimmed off',
  recount: 'Really there',
  churn: 'Cream churned',
};

/** An entry's amount as it was typed, or as the kitchen would say it. */
function useAmountOf(data: MilkMovement): TypedAmount | null {
  const massKg = weightOf(data);
  const asTyped = useAsTyped(data.kind === 'intake' ? 'volume' : 'weight');
  if (massKg === null) return null;
  const typed = 'typed' in data ? data.typed : null;
  return typed ? { massKg, typed } : asTyped(massKg, MILK);
}

function Fields(props: {
  readonly event: EventOf<'milk-moved'>;
  readonly lotName: string;
  readonly onClose: () => void;
}) {
  const { event, lotName, onClose } = props;
  const { data } = event;
  const units = useUnits();
  const first = useAmountOf(data);
  const [amount, setAmount] = useState(first);
  const lot = data.kind === 'intake' ? data.lot : null;
  const [source, setSource] = useState(lot?.source ?? '');
  const [fat, setFat] = useState<Fat>({
    known: lot !== null && lot.fatFraction !== null,
    fraction: lot?.fatFraction ?? null,
  });
  const [line, setLine] = useState<number | null>(data.kind === 'measure' ? data.creamHeight : null);
  const of = lot ? compositionOfFacts({ ...lot, fatFraction: fat.known ? fat.fraction : null }) : MILK;

  const corrected = (): Corrected => {
    if (data.kind === 'measure')
      return line === null
        ? { fault: 'Needs the height of the cream line.' }
        : {
            data: {
              ...data,
              creamHeight: line,
              typed: { value: Math.round(line * 1000) / 10, unit: '%' },
            },
          };
    if (first && !amount) return { fault: 'Needs an amount.' };
    if (fat.known && fat.fraction === null) return { fault: 'Fat: needs a number, or choose unknown.' };
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
          <strong>{MOVEMENT_WORD[data.kind]}</strong>: {lotName}, {units.day(Date.parse(event.at))}{' '}
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
          label={AMOUNT_LABEL[data.kind] ?? 'How much'}
          of={of}
          by={data.kind === 'intake' ? 'volume' : 'weight'}
          amount={amount}
          none={data.kind === 'recount'}
          onAmount={setAmount}
        />
      )}
      {lot && (
        <FatField
          fat={fat}
          usual={compositionOfFacts({ ...lot, fatFraction: null }).fatFraction}
          onFat={setFat}
        />
      )}
      {data.kind === 'measure' && (
        <QuantityField
          label="Cream, of the whole height"
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
  if (event?.type === 'milk-moved') return <Fields event={event} lotName={line.lotName} onClose={onClose} />;
  return (
    <Modal opened onClose={onClose} title="Correct this entry">
      <p>{isError || data ? 'The entry cannot be read now. What is stored is safe.' : 'Opening …'}</p>
    </Modal>
  );
}
