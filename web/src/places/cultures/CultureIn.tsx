import { litresOfMass, massOfLitresKg, MILK_FACTS, STARTER_FACTS } from '@morning-crock/core';
import {
  cultureFacts,
  CULTURE_KINDS,
  type CultureFacts,
  type CultureKind,
} from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { record } from '../../data/store.ts';
import { useKitchen } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { instantOfFields } from '../../data/instant-of-fields.ts';
import { PlaceChoice } from './CultureForms.tsx';
import { AmountField, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { DayField } from '../../parts/fields/DayField.tsx';

const MILK = MILK_FACTS['shop-whole'].composition;

/** A culture comes into the kitchen: a packet, a jar from a friend, grains. */
export function CultureIn() {
  const navigate = useNavigate();
  const { site } = useKitchen();
  const [kind, setKind] = useState<CultureKind>('fresh-yogurt');
  const [name, setName] = useState('');
  const [heirloom, setHeirloom] = useState(false);
  const [rawMilk, setRawMilk] = useState(false);
  const [source, setSource] = useState('');
  const [place, setPlace] = useState<CultureFacts['place']>('cold');
  const [mass, setMass] = useState<TypedAmount | null>(null);
  const [stated, setStated] = useState<TypedAmount | null>({
    massKg: massOfLitresKg(1, MILK),
    typed: { value: 1, unit: 'L' },
  });
  const [packets, setPackets] = useState<number | null>(1);
  const [opened, setOpened] = useState(0);
  const [lot, setLot] = useState('');
  const [useBy, setUseBy] = useState('');
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const usualName = STARTER_FACTS[kind].label;
  const dried = STARTER_FACTS[kind].dosing === 'stated';
  const useByMs = instantOfFields(site.zone, useBy, '12:00');
  const take = async (): Promise<void> => {
    const parsed = cultureFacts.safeParse({
      name: name.trim() || usualName,
      kind,
      heirloom,
      source: source.trim() || null,
      place,
      massKg: dried ? null : (mass?.massKg ?? null),
      packet: dried
        ? {
            lot: lot.trim() || null,
            useBy: useBy === '' || Number.isNaN(useByMs) ? null : new Date(useByMs).toISOString(),
            statedLitres: stated ? litresOfMass(stated.massKg, MILK) : Number.NaN,
            packets: packets ?? Number.NaN,
            openedLeft: opened,
          }
        : null,
      rawMilk,
    });
    if (!parsed.success) {
      setFaults(
        Object.fromEntries(parsed.error.issues.map((i) => [i.path.map(String).join('.'), i.message])),
      );
      return;
    }
    const id = ulid();
    const typed = (dried ? stated : mass)?.typed;
    await record(id, 'culture-changed', {
      kind: 'taken-in',
      culture: parsed.data,
      ...(typed && { typed }),
    });
    void navigate(`/cultures?culture=${id}`);
  };
  return (
    <EntryForm className="sections" label="Add culture" onEntry={() => void take()}>
      <section className="section" aria-labelledby="culture-what">
        <h2 id="culture-what">Culture</h2>
        <NativeSelect
          label="Kind"
          value={kind}
          data={CULTURE_KINDS.map((k) => ({ value: k, label: STARTER_FACTS[k].label }))}
          onChange={(e) => setKind(e.currentTarget.value as CultureKind)}
        />
        <TextInput
          label="Name"
          value={name}
          placeholder={usualName}
          maxLength={80}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <TextInput
          label="Source (optional)"
          value={source}
          maxLength={80}
          onChange={(e) => setSource(e.currentTarget.value)}
        />
        <Checkbox
          label="Heirloom: can be kept going for ever"
          checked={heirloom}
          onChange={(e) => setHeirloom(e.currentTarget.checked)}
        />
        {!dried && (
          <Checkbox
            label="Made with raw milk (never heated)"
            checked={rawMilk}
            onChange={(e) => setRawMilk(e.currentTarget.checked)}
          />
        )}
      </section>
      <section className="section" aria-labelledby="culture-much">
        <h2 id="culture-much">Amount and place</h2>
        {dried ? (
          <>
            <AmountField label="Milk per packet" of={MILK} by="volume" amount={stated} onAmount={setStated} />
            {faults['packet.statedLitres'] && <p className="field-error">{faults['packet.statedLitres']}</p>}
            <div className="field-row">
              <QuantityField
                label="Packets"
                value={packets}
                unit="packets"
                units={[{ value: 'packets', label: '' }]}
                check={(v) => (v >= 1 && Number.isInteger(v) ? null : 'Enter whole packets, at least one.')}
                onFault={(faulty) => {
                  if (faulty) setPackets(null);
                }}
                onChange={(v) => setPackets(v)}
              />
              <DayField label="Use by" value={useBy} onValue={setUseBy} />
            </div>
            {faults['packet.packets'] && <p className="field-error">{faults['packet.packets']}</p>}
            <Choices
              legend="Is one open?"
              value={String(opened)}
              options={[
                { value: '0', label: 'no' },
                { value: '0.75', label: 'three quarters left' },
                { value: '0.5', label: 'half left' },
                { value: '0.25', label: 'a quarter left' },
              ]}
              onChange={(v) => setOpened(Number(v))}
            />
            <TextInput
              label="Lot number (optional)"
              value={lot}
              maxLength={40}
              onChange={(e) => setLot(e.currentTarget.value)}
            />
          </>
        ) : (
          <AmountField
            label="Amount (optional)"
            optional
            of={MILK}
            by="weight"
            amount={mass}
            onAmount={setMass}
          />
        )}
        <PlaceChoice legend="Keep" place={place} setPlace={setPlace} />
        <Button type="submit" h={72}>
          Add culture
        </Button>
      </section>
    </EntryForm>
  );
}
