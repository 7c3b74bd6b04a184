import {
  CHANGE_WORD,
  effectiveEvents,
  MILK_FACTS,
  typedOfChange,
  weightOfChange,
  withWeightOfChange,
} from '@morning-crock/core';
import type { Culture, EventOf } from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useEntriesQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { NameField } from '../../parts/fields/NameField.tsx';
import { CorrectEntry, type Corrected } from '../../parts/fields/CorrectEntry.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';

const MILK = MILK_FACTS['shop-whole'].composition;

/** The note of an entry that has one. */
function noteOf(data: EventOf<'culture-changed'>['data']): string | null {
  return data.kind === 'sign' || data.kind === 'discard' ? data.note : null;
}

function Correction({
  event,
  onClose,
}: {
  readonly event: EventOf<'culture-changed'>;
  readonly onClose: () => void;
}) {
  const { data } = event;
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const massKg = weightOfChange(data);
  const typed = typedOfChange(data);
  const [first] = useState(() =>
    massKg === null ? null : typed ? { massKg, typed } : asTyped(massKg, MILK),
  );
  const fed = data.kind === 'feed' && data.massKg !== null ? { ...data, massKg: data.massKg } : null;
  const [grains, setGrains] = useState<TypedAmount | null>(() =>
    fed === null
      ? null
      : fed.typedGrains
        ? { massKg: fed.massKg, typed: fed.typedGrains }
        : asTyped(fed.massKg, MILK),
  );
  const [amount, setAmount] = useState(first);
  const [name, setName] = useState(data.kind === 'taken-in' ? data.culture.name : null);
  const [note, setNote] = useState(noteOf(data));
  const corrected = (): Corrected => {
    let next = amount && amount !== first ? withWeightOfChange(data, amount.massKg, amount.typed) : data;
    if (next.kind === 'taken-in' && name !== null)
      next = { ...next, culture: { ...next.culture, name: name.trim() } };
    if (next.kind === 'feed' && grains) next = { ...next, massKg: grains.massKg, typedGrains: grains.typed };
    return { data: note === null ? next : { ...next, note: note.trim() } };
  };
  return (
    <CorrectEntry
      event={event}
      corrected={corrected}
      takeBack
      onClose={onClose}
      about={
        <p>
          <strong>{CHANGE_WORD[data.kind]}</strong>, {units.day(Date.parse(event.at))}{' '}
          {units.clock(Date.parse(event.at))}
        </p>
      }
    >
      {name !== null && <NameField value={name} onChange={setName} />}
      {first && (
        <AmountField
          label={data.kind === 'feed' ? 'Fresh milk' : 'Amount'}
          of={MILK}
          by="weight"
          amount={amount}
          onAmount={setAmount}
        />
      )}
      {fed && (
        <AmountField
          label="Weight of the grains"
          of={MILK}
          by="weight"
          amount={grains}
          onAmount={setGrains}
        />
      )}
      {note !== null && (
        <TextInput
          label="Note"
          value={note}
          maxLength={400}
          onChange={(e) => setNote(e.currentTarget.value)}
        />
      )}
    </CorrectEntry>
  );
}

/** What was written down of a culture, the latest first; each can be corrected or taken back. */
export function CultureEntries({ culture }: { readonly culture: Culture }) {
  const { data = [] } = useEntriesQuery(culture.id);
  const units = useUnits();
  const [chosen, setChosen] = useState<string | null>(null);
  const entries = effectiveEvents(data).filter((e) => e.type === 'culture-changed');
  const correcting = entries.find((e) => e.id === chosen);
  if (entries.length === 0) return null;
  return (
    <details className="more-about">
      <summary>Entries ({entries.length})</summary>
      <ul className="entries">
        {entries.reverse().map((entry) => (
          <li key={entry.id}>
            <span className="number">{units.day(Date.parse(entry.at))}</span>
            <span>{CHANGE_WORD[entry.data.kind]}</span>
            <Button
              variant="subtle"
              px={6}
              onClick={() => setChosen(entry.id)}
              aria-label={`Edit: ${CHANGE_WORD[entry.data.kind]}, ${units.day(Date.parse(entry.at))}`}
            >
              Edit
            </Button>
          </li>
        ))}
      </ul>
      {correcting && <Correction event={correcting} onClose={() => setChosen(null)} />}
    </details>
  );
}
